<script setup lang="ts">
// What an import would change: counted, and listed where somebody has to look.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { plural } from '@/shared/language'

type Change = Schemas['ListChangeOut']
const props = defineProps<{ preview: Schemas['PreviewOut'] }>()
const take = defineModel<number[]>('take', { required: true })
const takeOff = defineModel<number[]>('takeOff', { required: true })
const KINDS = [
  ['added', 'added'],
  ['changed', 'changed'],
  ['same', 'left alone'],
  ['doubtful', 'doubtful'],
  ['wrong', 'cannot be read'],
  ['missing', 'not in this file'],
] as const
const of = (kind: string) => props.preview.changes.filter((change) => change.kind === kind)
const shown = ref<string | null>(null)
const first = computed(
  () => KINDS.find(([kind]) => ['doubtful', 'wrong'].includes(kind) && of(kind).length)?.[0],
)
const open = computed(() => shown.value ?? first.value ?? 'added')
const key = (change: Change) => `${change.row}-${change.user}`
function turn(list: number[], number: number) {
  return list.includes(number) ? list.filter((n) => n !== number) : [...list, number]
}
</script>

<template>
  <section>
    <h3>What would change</h3>
    <p class="kinds" role="group" aria-label="Which to list">
      <template v-for="[kind, word] in KINDS" :key="kind">
        <button
          v-if="of(kind).length"
          type="button"
          :class="kind"
          :aria-pressed="open === kind"
          @click="shown = kind"
        >
          <b>{{ of(kind).length }}</b> {{ word }}
        </button>
      </template>
    </p>
    <p v-if="preview.new_sections.length" class="soft">
      New {{ plural(preview.new_sections.length, 'section', 'sections') }}:
      {{ preview.new_sections.join(', ') }}.
    </p>
    <p v-if="open === 'doubtful' && of('doubtful').length" class="soft">
      Tick those that are right as the file has them; the others are left out.
    </p>
    <p v-if="open === 'missing' && of('missing').length" class="soft">
      They stay on the list unless you tick them.
    </p>
    <ul>
      <li v-for="change in of(open).slice(0, 400)" :key="key(change)">
        <label v-if="open === 'doubtful' && change.row">
          <input
            type="checkbox"
            :checked="take.includes(change.row)"
            @change="take = turn(take, change.row)"
          />
          <b>{{ change.name }}</b>
        </label>
        <label v-else-if="open === 'missing' && change.user">
          <input
            type="checkbox"
            :checked="takeOff.includes(change.user)"
            @change="takeOff = turn(takeOff, change.user)"
          />
          <b>{{ change.name }}</b>
        </label>
        <b v-else>{{ change.name || '(no name)' }}</b>
        <span class="soft">
          <template v-if="change.row"> row {{ change.row }}</template>
          <template v-if="change.number"
            >, <span class="v">{{ change.number }}</span></template
          >
          <template v-if="change.section">, {{ change.section }}</template>
        </span>
        <span v-if="change.why || change.what.length" class="why">{{
          [change.why, ...change.what].filter(Boolean).join('; ')
        }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.kinds button {
  font: 14px var(--text);
  border: 0;
  border-radius: 5px;
  min-height: 34px;
  padding: 5px 12px;
  background: var(--sunk);
  color: var(--ink);
  cursor: pointer;
}
.kinds button[aria-pressed='true'] {
  box-shadow: inset 0 0 0 2px var(--act);
}
.kinds .added b {
  color: var(--good);
}
.kinds .doubtful b,
.kinds .wrong b {
  color: var(--fix);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 260px;
  overflow: auto;
  border-top: 1px solid var(--line);
}
li {
  padding: 6px 4px;
  border-bottom: 1px solid var(--line);
}
.why {
  display: block;
  color: var(--fix);
  font-size: 14px;
}
</style>

<script setup lang="ts">
// What an import would change: counted, and listed where somebody has to look.
import { NButton, NCheckbox } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { listChanges as texts } from '@texts/set-up-people'

type Change = Schemas['ListChangeOut']
const props = defineProps<{ preview: Schemas['PreviewOut'] }>()
const take = defineModel<number[]>('take', { required: true })
const takeOff = defineModel<number[]>('takeOff', { required: true })
const KINDS = [
  ['added', 'added'],
  ['changed', 'changed'],
  ['same', texts.leftAlone],
  ['doubtful', 'doubtful'],
  ['wrong', texts.cannotBeRead],
  ['missing', texts.notInThisFile],
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
    <h3>{{ texts.whatWouldChange }}</h3>
    <p class="kinds" role="group" :aria-label="texts.whichToList">
      <template v-for="[kind, word] in KINDS" :key="kind">
        <NButton
          v-if="of(kind).length"
          text
          :class="kind"
          :aria-pressed="open === kind"
          @click="shown = kind"
        >
          <b>{{ of(kind).length }}</b> {{ word }}
        </NButton>
      </template>
    </p>
    <p v-if="preview.new_sections.length" class="soft">
      {{ texts.new(preview.new_sections.length, preview.new_sections.join(', ')) }}
    </p>
    <p v-if="open === 'doubtful' && of('doubtful').length" class="soft">
      {{ texts.tickThoseThatAreRight }}
    </p>
    <p v-if="open === 'missing' && of('missing').length" class="soft">
      {{ texts.theyStayOnTheList }}
    </p>
    <ul>
      <li v-for="change in of(open).slice(0, 400)" :key="key(change)">
        <NCheckbox
          v-if="open === 'doubtful' && change.row"
          :checked="take.includes(change.row)"
          @update:checked="take = turn(take, change.row!)"
        >
          <b>{{ change.name }}</b>
        </NCheckbox>
        <NCheckbox
          v-else-if="open === 'missing' && change.user"
          :checked="takeOff.includes(change.user)"
          @update:checked="takeOff = turn(takeOff, change.user!)"
        >
          <b>{{ change.name }}</b>
        </NCheckbox>
        <b v-else>{{ change.name || texts.noName }}</b>
        <span class="soft after">
          <template v-if="change.row">{{ texts.row(change.row) }}</template>
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
.after {
  margin-left: 0.4em;
}
section {
  display: grid;
  gap: 8px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.kinds .n-button[aria-pressed='true'] {
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

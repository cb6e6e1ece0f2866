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
  ['missing', texts.missingHeading],
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
  <section class="grid gap-2">
    <h3>{{ texts.whatWouldChange }}</h3>
    <p class="kinds flex flex-wrap gap-1.5" role="group" :aria-label="texts.whichToList">
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
      {{ texts.doubtfulHelp }}
    </p>
    <p v-if="open === 'missing' && of('missing').length" class="soft">
      {{ texts.missingHelp }}
    </p>
    <ul class="list-none m-0 p-0 max-h-65 overflow-auto border-t border-t-line">
      <li
        v-for="change in of(open).slice(0, 400)"
        :key="key(change)"
        class="py-1.5 px-1 border-b border-b-line"
      >
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
        <span class="soft ml-[0.4em]">
          <template v-if="change.row">{{ texts.row(change.row) }}</template>
          <template v-if="change.number"
            >, <span class="v">{{ change.number }}</span></template
          >
          <template v-if="change.section">, {{ change.section }}</template>
        </span>
        <span v-if="change.why || change.what.length" class="block text-fix text-sm">{{
          [change.why, ...change.what].filter(Boolean).join('; ')
        }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
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
</style>

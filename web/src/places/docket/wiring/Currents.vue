<script setup lang="ts">
// Set the outputs, press the buttons: what every net then carries and what flows through every part.
import { NButton, NFlex, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import NetTable from '@/pieces/board/NetTable.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import Callout from '@/pieces/states/Callout.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { said } from '@/shared/units'
import { common } from '@texts/common'
import { currents as texts } from '@texts/docket-wiring'
import { useDocket } from '../use-docket'
import { useSolved, useStudy } from './use-study'

const props = defineProps<{ attempt: number; lit?: Schemas['WhereOut'] | null }>()
const { id, docket } = useDocket()
const stopped = computed(() => [
  ...new Set(
    (docket.value?.wiring?.findings ?? [])
      .filter((f) => f.severity === 'stop')
      .flatMap((f) => f.where.parts ?? []),
  ),
])
const attempt = computed(() => props.attempt)
const study = useStudy(id, attempt)
const settings = ref<Record<string, string>>({})
const solved = useSolved(id, attempt, settings)

const SMALLEST_AMPS = 1e-6
const flows = computed(() =>
  (solved.data.value?.parts ?? []).map((part) => {
    const amps = Object.values(part.amps)
    return { ...part, most: amps.length ? Math.max(...amps.map(Math.abs)) : 0 }
  }),
)
const pins = computed(() =>
  Object.entries(solved.data.value?.pins ?? {}).filter(([, amps]) => Math.abs(amps) > SMALLEST_AMPS),
)
function set(name: string, position: string, rest: string) {
  const next = { ...settings.value }
  if (position === rest) delete next[name]
  else next[name] = position
  settings.value = next
}
function allTo(position: string) {
  const outputs = (study.data.value?.handles ?? []).filter((h) => h.positions.includes('high'))
  settings.value = position === 'low' ? {} : Object.fromEntries(outputs.map((h) => [h.name, 'high']))
}
/** The way the current takes: `anode → cathode`, or what goes in and out where there are more legs. */
function wayOf(amps: Record<string, number>): string[] {
  const legs = Object.entries(amps).filter(([, a]) => Math.abs(a) > SMALLEST_AMPS)
  const [into, out] = [legs.filter(([, a]) => a > 0), legs.filter(([, a]) => a < 0)]
  if (into.length === 1 && out.length === 1) return [`${into[0]![0]} → ${out[0]![0]}`]
  return [
    ...into.map(([leg, a]) => texts.legInA(leg, said(a, 'A'))),
    ...out.map(([leg, a]) => texts.out(leg, said(-a, 'A'))),
  ]
}
</script>

<template>
  <NFlex vertical>
    <Callout v-if="stopped.length" tone="stop">
      {{ texts.stopOpenFor(stopped.join(', ')) }}
    </Callout>
    <fieldset
      v-if="study.data.value?.handles.length"
      class="handles border border-line rounded pt-1.5 pb-2 px-3 m-0"
    >
      <legend class="text-sm text-soft py-0 px-1.5">{{ texts.setOutputs }}</legend>
      <div
        v-for="handle in study.data.value.handles"
        :key="handle.name"
        class="grid grid-cols-[70px_minmax(0,1fr)_auto] gap-2.5 items-center py-1"
      >
        <b class="v">{{ handle.name }}</b>
        <span class="soft overflow-hidden text-ellipsis whitespace-nowrap text-sm">{{
          handle.about || texts.nothingBehindIt
        }}</span>
        <ChoiceBar
          :label="handle.name"
          :choices="handle.positions.map((position) => ({ value: position, word: position }))"
          :model-value="settings[handle.name] ?? handle.positions[0]!"
          @update:model-value="set(handle.name, $event, handle.positions[0]!)"
        />
      </div>
      <NFlex :wrap="false" justify="end" size="small" class="all mt-1">
        <NButton type="primary" quaternary @click="allTo('high')">{{ texts.allOutputsHigh }}</NButton>
        <NButton type="primary" quaternary @click="allTo('low')">{{ texts.everythingAtRest }}</NButton>
      </NFlex>
    </fieldset>
    <p v-else-if="study.data.value" class="soft">
      {{ texts.onlyOneState }}
    </p>
    <ErrorNote v-if="study.error.value" :error="study.error.value" />
    <EmptyNote
      v-if="solved.error.value"
      :title="texts.nothingIsSolved"
      :text="String((solved.error.value as Error).message)"
    />
    <div v-else-if="solved.isPending.value" class="soft" aria-busy="true">{{ texts.solving }}</div>
    <template v-else-if="solved.data.value">
      <Callout v-for="refName in solved.data.value.oscillating" :key="refName" tone="check">
        {{ texts.doesNotSettle(refName) }}
      </Callout>
      <NTable :bordered="false" size="small">
        <thead>
          <tr>
            <th>{{ common.part }}</th>
            <th class="num">{{ texts.current }}</th>
            <th class="num">{{ texts.heat }}</th>
            <th>{{ texts.way }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in flows" :key="part.ref" :class="{ lit: (lit?.parts ?? []).includes(part.ref) }">
            <td>
              <b class="v">{{ part.ref }}</b> <span class="soft">{{ part.title }}</span>
            </td>
            <td class="v num">{{ said(part.most, 'A') }}</td>
            <td class="v num">{{ said(part.watts, 'W') }}</td>
            <td class="v legs text-soft whitespace-pre-wrap text-sm">
              <span v-for="way in wayOf(part.amps)" :key="way" class="whitespace-nowrap mr-3">{{ way }}</span>
            </td>
          </tr>
        </tbody>
      </NTable>
      <NFlex :size="[16, 6]" class="pins">
        <b>{{ texts.pinsGive }}</b>
        <span v-for="[pin, amps] in pins" :key="pin" class="v">{{ pin }} {{ said(amps, 'A') }}</span>
        <span v-if="!pins.length" class="soft">{{ texts.nothingWorthNaming }}</span>
      </NFlex>
      <NetTable :nets="solved.data.value.nets" :lit="lit" />
    </template>
  </NFlex>
</template>

<style scoped>
tr.lit td {
  background: var(--lit);
  color: var(--ink);
}
</style>

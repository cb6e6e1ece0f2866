<script setup lang="ts">
// Set the outputs, press the buttons: what every net then carries and what flows through every part.
import { NButton, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import NetTable from '@/pieces/board/NetTable.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
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
  <div class="currents">
    <p v-if="stopped.length" class="stopped">
      {{ texts.aStopIsOpen(stopped.join(', ')) }}
    </p>
    <fieldset v-if="study.data.value?.handles.length" class="handles">
      <legend>{{ texts.setOutputs }}</legend>
      <div v-for="handle in study.data.value.handles" :key="handle.name" class="handle">
        <b class="v">{{ handle.name }}</b>
        <span class="soft about">{{ handle.about || texts.nothingBehindIt }}</span>
        <ChoiceBar
          :label="handle.name"
          :choices="handle.positions.map((position) => ({ value: position, word: position }))"
          :model-value="settings[handle.name] ?? handle.positions[0]!"
          @update:model-value="set(handle.name, $event, handle.positions[0]!)"
        />
      </div>
      <p class="all">
        <NButton type="primary" quaternary @click="allTo('high')">{{ texts.allOutputsHigh }}</NButton>
        <NButton type="primary" quaternary @click="allTo('low')">{{ texts.everythingAtRest }}</NButton>
      </p>
    </fieldset>
    <p v-else-if="study.data.value" class="soft">
      {{ texts.nothingOnThisBench }}
    </p>
    <ErrorNote v-if="study.error.value" :error="study.error.value" />
    <EmptyNote
      v-if="solved.error.value"
      :title="texts.nothingIsSolved"
      :text="String((solved.error.value as Error).message)"
    />
    <div v-else-if="solved.isPending.value" class="soft" aria-busy="true">{{ texts.solving }}</div>
    <template v-else-if="solved.data.value">
      <p v-for="refName in solved.data.value.oscillating" :key="refName" class="oscillating">
        {{ texts.doesNotSettle(refName) }}
      </p>
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
            <td class="v legs">
              <span v-for="way in wayOf(part.amps)" :key="way">{{ way }}</span>
            </td>
          </tr>
        </tbody>
      </NTable>
      <p class="pins">
        <b>{{ texts.pinsGive }}</b>
        <span v-for="[pin, amps] in pins" :key="pin" class="v">{{ pin }} {{ said(amps, 'A') }}</span>
        <span v-if="!pins.length" class="soft">{{ texts.nothingWorthNaming }}</span>
      </p>
      <NetTable :nets="solved.data.value.nets" :lit="lit" />
    </template>
  </div>
</template>

<style scoped>
.stopped {
  background: var(--stop-bg);
  color: var(--stop);
  border-radius: var(--radius);
  padding: 9px 14px;
}
.currents {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.handles {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 6px 12px 8px;
  margin: 0;
}
legend {
  font-size: 13.5px;
  color: var(--soft);
  padding: 0 6px;
}
.handle {
  display: grid;
  grid-template-columns: 70px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}
.about {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 14px;
}
.all {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
  margin: 4px 0 0;
}
.pins {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  margin: 0;
}
.oscillating {
  background: var(--check-bg);
  color: var(--check);
  border-radius: var(--radius);
  padding: 8px 12px;
}
.legs span {
  white-space: nowrap;
  margin-right: 12px;
}
.legs {
  color: var(--soft);
  white-space: pre-wrap;
  font-size: 13px;
}
tr.lit td {
  background: var(--lit);
  color: var(--ink);
}
</style>

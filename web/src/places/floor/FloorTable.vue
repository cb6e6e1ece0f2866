<script setup lang="ts">
// Pairs by stations: the same as the room, to read across.
import { NTable } from 'naive-ui'
import type { Schemas } from '@/api/client'
import Sheet from '@/pieces/states/Sheet.vue'
import { stationName, STATIONS, waited } from '@/shared/words'
import { common } from '@texts/common'
import { floorTable as texts } from '@texts/floor'
import { stationStates } from '@texts/words'

defineProps<{ benches: Schemas['BenchCardOut'][]; now: number }>()
defineEmits<{ open: [docket: number | null | undefined] }>()
/** The stations of the head with the state of each; undefined where the exercise of this bench has no such station. */
function byStation(bench: Schemas['BenchCardOut']) {
  return STATIONS.map(
    (name) => [name, bench.stations.find((entry) => entry.station === name)?.state] as const,
  )
}
</script>

<template>
  <Sheet pad="none" inner="overflow-auto">
    <NTable :bordered="false" size="small" class="min-w-190">
      <thead>
        <tr>
          <th class="num">{{ common.bench }}</th>
          <th>{{ common.pair }}</th>
          <th v-for="station in STATIONS" :key="station">{{ stationName(station) }}</th>
          <th class="num">{{ texts.since }}</th>
          <th>{{ texts.now }}</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="bench in benches"
          :key="bench.docket ?? `bench-${bench.bench}`"
          tabindex="0"
          @click="$emit('open', bench.docket)"
          @keydown.enter.stop="$emit('open', bench.docket)"
        >
          <td class="num">
            <b>{{ bench.bench ?? '–' }}</b>
          </td>
          <td>{{ bench.pair }}</td>
          <td v-for="[name, state] in byStation(bench)" :key="name" :class="state ?? 'ahead'">
            {{ state === undefined ? texts.none : state ? stationStates[state] : '·' }}
          </td>
          <td class="num">{{ bench.state ? waited(bench.since, now) : '' }}</td>
          <td class="soft">{{ bench.line }}</td>
        </tr>
      </tbody>
    </NTable>
  </Sheet>
</template>

<style scoped>
tbody tr {
  cursor: pointer;
}
tbody tr:hover td {
  background: var(--sunk);
}
.passed {
  color: var(--copper);
}
.asks {
  color: var(--act);
  font-weight: 680;
}
.sent-back,
.voided {
  color: var(--stop);
  font-weight: 640;
}
</style>

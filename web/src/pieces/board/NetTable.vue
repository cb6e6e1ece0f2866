<script setup lang="ts">
// Nets with their volts in one state; those of the chosen finding are lit.
import { NTable } from 'naive-ui'
import type { Schemas } from '@/api/client'
import { fixed } from '@/shared/words'
import { netTable as texts } from '@texts/pieces'

export interface NetRow {
  name: string
  places: string[]
  volts: number | null | undefined
  floats?: boolean
}
const props = defineProps<{ nets: NetRow[]; lit?: Schemas['WhereOut'] | null }>()

function isLit(net: NetRow): boolean {
  const { nets = [], places = [] } = props.lit ?? {}
  return nets.includes(net.name) || places.some((place) => net.places.includes(place))
}
function words(net: NetRow): string {
  if (net.floats) return 'floats'
  return net.volts === null || net.volts === undefined ? '–' : `${fixed(net.volts, 2)} V`
}
</script>

<template>
  <NTable :bordered="false" size="small">
    <thead>
      <tr>
        <th>{{ texts.net }}</th>
        <th class="num">{{ texts.volts }}</th>
        <th>{{ texts.placesOnIt }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="net in nets" :key="net.name" :class="{ lit: isLit(net) }">
        <td class="v name whitespace-nowrap font-semibold">{{ net.name }}</td>
        <td class="v num">{{ words(net) }}</td>
        <td class="v places text-soft whitespace-pre-wrap">{{ net.places.join('  ') }}</td>
      </tr>
    </tbody>
  </NTable>
</template>

<style scoped>
tr.lit td {
  background: var(--lit);
  color: var(--ink);
}
</style>

<script setup lang="ts">
// Every net with its volts in each output state; the nets of the chosen finding are lit.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { fixed } from '@/shared/words'

const props = defineProps<{ nets: Schemas['NetOut'][]; lit?: Schemas['WhereOut'] | null }>()
const states = computed(() => Object.keys(props.nets[0]?.by_state ?? {}))
const chosen = ref<string | null>(null)
const state = computed(() =>
  chosen.value && states.value.includes(chosen.value) ? chosen.value : states.value[0],
)

function isLit(net: Schemas['NetOut']): boolean {
  const lit = props.lit
  if (!lit) return false
  if ((lit.nets ?? []).includes(net.name)) return true
  return (lit.places ?? []).some((place) => net.places.includes(place))
}
</script>

<template>
  <div>
    <label v-if="states.length > 1" class="state">
      Outputs
      <select :value="state" class="field" @change="chosen = ($event.target as HTMLSelectElement).value">
        <option v-for="name in states" :key="name" :value="name">{{ name }}</option>
      </select>
    </label>
    <table class="plain">
      <thead>
        <tr>
          <th>Net</th>
          <th class="num">Volts</th>
          <th>Places on it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="net in nets" :key="net.name" :class="{ lit: isLit(net) }">
          <td class="v name">{{ net.name }}</td>
          <td class="v num">{{ state ? `${fixed(net.by_state[state], 2)} V` : '–' }}</td>
          <td class="v places">{{ net.places.join('  ') }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!states.length" class="soft">
      No voltages: the board is missing, or this circuit has no operating point.
    </p>
  </div>
</template>

<style scoped>
.state {
  display: flex;
  align-items: center;
  gap: 10px;
  color: var(--soft);
  margin-bottom: 8px;
}
.state select {
  width: auto;
  min-height: 32px;
  padding: 3px 8px;
}
.name {
  white-space: nowrap;
  font-weight: 600;
}
.places {
  color: var(--soft);
  white-space: pre-wrap;
}
tr.lit td {
  background: var(--lit);
  color: var(--ink);
}
</style>

<script setup lang="ts">
// The nets of a wiring, in any of the output states that were solved.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import { netList as texts } from '@texts/pieces'
import NetTable from './NetTable.vue'

const props = defineProps<{ nets: Schemas['NetOut'][]; lit?: Schemas['WhereOut'] | null }>()
const states = computed(() => Object.keys(props.nets[0]?.by_state ?? {}))
const chosen = ref<string | null>(null)
const state = computed(() =>
  chosen.value && states.value.includes(chosen.value) ? chosen.value : states.value[0],
)
const rows = computed(() =>
  props.nets.map((net) => ({ ...net, volts: state.value ? net.by_state[state.value] : null })),
)
</script>

<template>
  <div>
    <FormField v-if="states.length > 1" class="state" beside :label="texts.outputs">
      <ChoiceField
        :model-value="state ?? null"
        :options="states.map((name) => ({ value: name, label: name }))"
        @update:model-value="chosen = $event"
      />
    </FormField>
    <NetTable :nets="rows" :lit="lit" />
    <p v-if="!states.length" class="soft">
      {{ texts.noVoltages }}
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
.state .n-select {
  min-width: 120px;
}
</style>

<script setup lang="ts">
// One measured value with its unit. What was typed stays when it is refused.
import { NButton, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { ApiError, type Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import { typedValue } from '@/shared/typed-value'
import { common } from '@texts/common'
import { measureForm as texts } from '@texts/pieces'

const props = defineProps<{
  name: string
  label: string
  unit: string
  known: Schemas['MeasurementOut'][]
  agrees?: boolean | null
  said?: string
  save: (name: string, value: number, instrument: string) => Promise<unknown>
}>()
const entry = computed(() => props.known.find((m) => m.name === props.name))
const typed = ref('')
const wrong = ref('')
const field = computed(() => `measure-${props.name.replace(/\W/g, '-')}`)

async function keep() {
  const value = typedValue(typed.value, props.unit)
  wrong.value = ''
  if (value === null) {
    wrong.value = texts.noNumber(typed.value)
    return
  }
  try {
    await props.save(props.name, value, texts.benchMeter)
    typed.value = ''
  } catch (error) {
    wrong.value = error instanceof ApiError ? error.message : texts.saveFailed
  }
}
</script>

<template>
  <NForm
    class="measure grid grid-cols-[1fr_auto_auto] gap-y-1.5 gap-x-3.5 items-center"
    @submit.prevent="keep"
  >
    <label :for="field">{{ label }}</label>
    <span v-if="entry" class="v now font-semibold text-lg">{{ entry.value }} {{ unit }}</span>
    <span class="entry">
      <TextField
        :id="field"
        v-model="typed"
        inputmode="decimal"
        :placeholder="entry ? texts.anew : ''"
        :aria-invalid="!!wrong"
        figures
      />
      <span class="min-w-7">{{ unit }}</span>
      <NButton type="primary" ghost attr-type="submit" :disabled="!typed.trim()">{{ common.save }}</NButton>
    </span>
    <p
      v-if="said"
      class="said col-span-full -mt-2 mb-1 text-soft"
      :class="{ differs: agrees === false, fits: agrees }"
      role="status"
    >
      <b v-if="agrees === false">{{ texts.differs }}</b> <b v-else-if="agrees">{{ texts.agrees }}</b>
      {{ said }}
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </NForm>
</template>

<style scoped>
.entry {
  display: flex;
  align-items: center;
  gap: 8px;
  grid-column: 3;
}
.entry .n-input {
  width: 92px;
}
.differs {
  color: var(--stop);
}
.fits b {
  color: var(--good);
}
.wrong {
  grid-column: 1 / -1;
  color: var(--stop);
}
@media (max-width: 500px) {
  .measure {
    grid-template-columns: 1fr auto;
  }
  .entry {
    grid-column: 1 / -1;
  }
}
</style>

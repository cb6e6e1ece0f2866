<script setup lang="ts">
// A whole or decimal number; attributes and listeners go to the control itself. A number out of its limits is kept as it was
// typed and reported at the field: the library would put another one in its place.
import { NInputNumber } from 'naive-ui'
import { computed, inject, onMounted, useAttrs, useTemplateRef, watch } from 'vue'
import { numberField as texts } from '@texts/pieces'
import { FIELD } from './field-context'
import { ofControl } from './inner'

defineOptions({ inheritAttrs: false })
const {
  min = undefined,
  max = undefined,
  placeholder = '',
} = defineProps<{
  min?: number
  max?: number
  disabled?: boolean
  placeholder?: string
  bare?: boolean
}>()
const model = defineModel<number | null | undefined>({ required: true })
const attrs = useAttrs()
const label = inject(FIELD, null)
const root = useTemplateRef<InstanceType<typeof NInputNumber>>('root')
const inputProps = computed(() => ({ id: label?.id, inputmode: 'numeric' as const, ...ofControl(attrs) }))
const problem = computed(() => {
  if (model.value == null) return ''
  if (min !== undefined && model.value < min) return texts.atLeast(min)
  return max !== undefined && model.value > max ? texts.atMost(max) : ''
})
const report = () =>
  (root.value?.$el as HTMLElement | undefined)?.querySelector('input')?.setCustomValidity(problem.value)
onMounted(report)
watch(problem, report)
</script>

<template>
  <NInputNumber
    ref="root"
    class="figures"
    :class="attrs.class"
    :value="model ?? null"
    :disabled="disabled"
    :placeholder="placeholder"
    :show-button="false"
    :bordered="!bare"
    :status="problem ? 'error' : undefined"
    :update-value-on-input="true"
    :input-props="inputProps"
    @update:value="model = $event"
  />
</template>

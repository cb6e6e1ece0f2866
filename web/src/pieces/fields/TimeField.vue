<script setup lang="ts">
// A time of the day, as 09:30.
import { NTimePicker } from 'naive-ui'
import { inject, useAttrs, useTemplateRef } from 'vue'
import { FIELD } from './field-context'
import { useInnerAttributes } from './inner'

defineOptions({ inheritAttrs: false })
const model = defineModel<string | null | undefined>({ required: true })
const attrs = useAttrs()
const label = inject(FIELD, null)
const root = useTemplateRef<InstanceType<typeof NTimePicker>>('root')
useInnerAttributes(root, 'input', () => ({
  id: label?.id,
  'aria-label': attrs['aria-label'] as string | undefined,
  required: attrs.required !== undefined && attrs.required !== false ? '' : undefined,
}))
</script>

<template>
  <NTimePicker
    ref="root"
    class="figures"
    :class="attrs.class"
    :formatted-value="model || null"
    value-format="HH:mm"
    format="HH:mm"
    :minutes="5"
    placeholder=""
    :actions="null"
    @update:formatted-value="model = $event ?? ''"
  />
</template>

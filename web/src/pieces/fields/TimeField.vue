<script setup lang="ts">
// A time of the day, as 09:30.
import { NTimePicker } from 'naive-ui'
import { useTemplateRef } from 'vue'
import { usePickerInput } from './inner'

defineOptions({ inheritAttrs: false })
const model = defineModel<string | null | undefined>({ required: true })
const root = useTemplateRef<InstanceType<typeof NTimePicker>>('root')
usePickerInput(root)
</script>

<template>
  <NTimePicker
    ref="root"
    to="body"
    class="figures"
    :class="$attrs.class"
    :formatted-value="model || null"
    value-format="HH:mm"
    format="HH:mm"
    :minutes="5"
    placeholder=""
    :actions="null"
    @update:formatted-value="model = $event ?? ''"
  />
</template>

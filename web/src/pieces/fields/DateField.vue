<script setup lang="ts">
// A day, kept as 2026-09-01 and shown as people write it here.
import { NDatePicker } from 'naive-ui'
import { useTemplateRef } from 'vue'
import { DAY_FORMAT, FIRST_DAY_OF_WEEK } from '@texts/language'
import { dateField as texts } from '@texts/pieces'
import { usePickerInput } from './inner'

defineOptions({ inheritAttrs: false })
defineProps<{ disabled?: boolean }>()
const model = defineModel<string | null | undefined>({ required: true })
const root = useTemplateRef<InstanceType<typeof NDatePicker>>('root')
usePickerInput(root)
</script>

<template>
  <NDatePicker
    ref="root"
    type="date"
    to="body"
    :first-day-of-week="FIRST_DAY_OF_WEEK"
    class="figures"
    :class="$attrs.class"
    :formatted-value="model || null"
    value-format="yyyy-MM-dd"
    :format="DAY_FORMAT"
    :placeholder="texts.dayAsTyped"
    :disabled="disabled"
    :actions="null"
    update-value-on-close
    @update:formatted-value="model = $event ?? ''"
  />
</template>

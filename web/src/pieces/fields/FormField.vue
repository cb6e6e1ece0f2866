<script setup lang="ts">
// A label, its control, and what is wrong with what was typed, shown at the field and while it is typed.
import { NFormItem } from 'naive-ui'
import { provide, ref, useId } from 'vue'
import { formField as texts } from '@texts/pieces'
import { FIELD } from './field-context'

const props = defineProps<{
  label?: string
  hint?: string
  error?: string
  id?: string
  /** The label beside the control, not above it. */
  beside?: boolean
}>()
const own = props.id ?? useId()
provide(FIELD, { id: own, labelId: `${own}-label` })

const problem = ref('')
type Control = HTMLInputElement | HTMLTextAreaElement
const isControl = (target: EventTarget | null): target is Control =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement

function problemOf(control: Control): string {
  const { validity, title } = control
  if (validity.valid) return ''
  if (validity.valueMissing) return texts.needed
  if (validity.customError) return control.validationMessage
  return title || texts.wrongPattern
}
/** A form that is sent with a mistake: each mistake is shown at its field, and the first faulty field gets the focus. */
function onInvalid(event: Event) {
  if (!isControl(event.target)) return
  problem.value = problemOf(event.target)
  const form = event.target.form
  if (form?.querySelector(':invalid:not(fieldset)') === event.target) event.target.focus()
}
/** While typing a mistake only goes away; it appears when the field is left. */
function onInput({ target }: Event) {
  if (problem.value && isControl(target)) problem.value = problemOf(target)
}
function onLeave({ target }: FocusEvent) {
  if (isControl(target) && target.value) problem.value = problemOf(target)
}
</script>

<template>
  <NFormItem
    class="form-field"
    :label-placement="beside ? 'left' : 'top'"
    :label="label"
    :show-label="!!(label || $slots.label)"
    :label-props="{ id: `${own}-label`, for: own }"
    :show-require-mark="false"
    :show-feedback="!!(error || problem)"
    :validation-status="error || problem ? 'error' : undefined"
    :feedback="error || problem"
    @invalid.capture.prevent="onInvalid"
    @input="onInput"
    @focusout="onLeave"
  >
    <template v-if="$slots.label || hint" #label>
      <slot name="label">{{ label }}</slot>
      <span v-if="hint" class="soft hint"> {{ hint }}</span>
    </template>
    <slot />
  </NFormItem>
</template>

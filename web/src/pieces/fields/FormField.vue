<script setup lang="ts">
// A label, its control, and what is wrong with what was typed, shown at the field and while it is typed.
import { NFormItem } from 'naive-ui'
import { computed, provide, ref, useId, useTemplateRef, watch } from 'vue'
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
const shown = computed(() => props.error || problem.value)
const root = useTemplateRef<InstanceType<typeof NFormItem>>('root')
/** Who cannot see the message at the field reads it with the control. */
watch(
  shown,
  (now) => {
    const control = (root.value?.$el as HTMLElement | undefined)?.querySelector(
      'input, textarea, [role=combobox]',
    )
    if (!control) return
    if (now) {
      control.setAttribute('aria-invalid', 'true')
      control.setAttribute('aria-describedby', `${own}-problem`)
    } else {
      control.removeAttribute('aria-invalid')
      control.removeAttribute('aria-describedby')
    }
  },
  { flush: 'post' },
)
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
    ref="root"
    class="form-field"
    :label-placement="beside ? 'left' : 'top'"
    :label="label"
    :show-label="!!(label || $slots.label)"
    :label-props="{ id: `${own}-label`, for: own }"
    :show-require-mark="false"
    :show-feedback="!!shown"
    :validation-status="shown ? 'error' : undefined"
    @invalid.capture.prevent="onInvalid"
    @input="onInput"
    @focusout="onLeave"
  >
    <template v-if="$slots.label || hint" #label>
      <slot name="label">{{ label }}</slot>
      <span v-if="hint" class="soft hint"> {{ hint }}</span>
    </template>
    <slot />
    <template #feedback
      ><span :id="`${own}-problem`">{{ shown }}</span></template
    >
  </NFormItem>
</template>

<script setup lang="ts">
// One line, or some lines, of text. Attributes and listeners go to the control itself, as they would on a native one.
import { NInput } from 'naive-ui'
import { computed, inject, mergeProps, onMounted, type StyleValue, useAttrs, useTemplateRef } from 'vue'
import { FIELD } from './field-context'
import { ofControl } from './inner'

defineOptions({ inheritAttrs: false })
const {
  type = 'text',
  rows = undefined,
  placeholder = '',
  figures,
  invalid,
  autofocus,
  maxlength = undefined,
} = defineProps<{
  type?: 'text' | 'password' | 'textarea' | 'search'
  rows?: number
  placeholder?: string
  /** In the letters of programs and figures. */
  figures?: boolean
  invalid?: boolean
  /** Without a frame, inside something that has one. */
  bare?: boolean
  disabled?: boolean
  readonly?: boolean
  maxlength?: number | string
  autofocus?: boolean
}>()
const model = defineModel<string | number | null | undefined>({ required: true })
const attrs = useAttrs()
const label = inject(FIELD, null)
const inner = useTemplateRef('inner')
const style = computed(() => attrs.style as StyleValue)

/** The model is kept before any other listener runs, as a native control keeps it. */
function keep(event: Event) {
  model.value = (event.target as HTMLInputElement).value
}
const inputProps = computed(() => {
  const own = {
    id: label?.id,
    'aria-invalid': invalid || undefined,
    onInput: keep,
    // Only where it is said: without a value it would take the kind of a password field away.
    ...(type === 'search' ? { type } : {}),
  }
  return mergeProps(own, ofControl(attrs))
})
const element = () => inner.value?.inputElRef ?? inner.value?.textareaElRef ?? null
defineExpose({
  focus: (options?: FocusOptions) => element()?.focus(options),
  select: () => element()?.select(),
  element,
})
onMounted(() => autofocus && element()?.focus())
</script>

<template>
  <NInput
    ref="inner"
    :class="[attrs.class, { figures }]"
    :style="style"
    :type="type === 'search' ? 'text' : type"
    :value="model == null ? '' : String(model)"
    :rows="rows"
    :placeholder="placeholder"
    :disabled="disabled"
    :readonly="readonly"
    :maxlength="maxlength"
    :bordered="!bare"
    :status="invalid ? 'error' : undefined"
    :input-props="inputProps"
    @update:value="model = $event"
  />
</template>

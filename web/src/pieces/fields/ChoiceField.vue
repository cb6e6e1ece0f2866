<script setup lang="ts" generic="T extends string | number | null">
// One of several; Naive UI's selection with the roles of a combobox and its list.
import { NSelect, type SelectOption } from 'naive-ui'
import { computed, inject, useAttrs, useId, useTemplateRef, ref } from 'vue'
import { pointAtOption } from './active-option'
import { FIELD } from './field-context'
import { useInnerAttributes } from './inner'

export interface Choice<V> {
  value: V
  label: string
  disabled?: boolean
}
defineOptions({ inheritAttrs: false })
const {
  options,
  disabled,
  placeholder = '',
} = defineProps<{
  options: readonly Choice<T>[]
  disabled?: boolean
  placeholder?: string
  figures?: boolean
}>()
const model = defineModel<T>({ required: true })
const attrs = useAttrs()
const label = inject(FIELD, null)
const open = ref(false)
const list = useId()
const root = useTemplateRef<InstanceType<typeof NSelect>>('root')
/** The library takes null for nothing chosen; an option whose value is null has a stand-in. */
const NOTHING = '\u0000'
const shown = computed(() =>
  options.map((one) => ({ ...one, value: one.value === null ? NOTHING : one.value }) as SelectOption),
)
/** Nothing at all where the model is none of the options: then the field says what is asked for. */
const chosen = computed(() => {
  const one = options.find((option) => option.value === model.value)
  return one && (one.value ?? NOTHING)
})
function choose(value: string | number) {
  model.value = (value === NOTHING ? null : value) as T
}
useInnerAttributes(root, '.n-base-selection-label', () => ({
  id: (attrs.id as string | undefined) ?? label?.id,
  role: 'combobox',
  'aria-haspopup': 'listbox',
  'aria-expanded': String(open.value),
  'aria-controls': open.value ? list : undefined,
  'aria-label': attrs['aria-label'] as string | undefined,
  'aria-labelledby': attrs['aria-label'] ? undefined : label?.labelId,
  'aria-disabled': disabled ? 'true' : undefined,
}))
// The library's sign of loading is there while nothing loads.
useInnerAttributes(root, '.n-base-loading', () => ({ 'aria-label': undefined, 'aria-hidden': 'true' }))
/** Letters that are typed one after the other choose the option that begins with them, as a native control does. */
let letters = ''
let since = 0
function onKey(event: KeyboardEvent) {
  void pointAtOption(control(), list)
  if (event.key.length > 1 || event.key === ' ' || event.ctrlKey || event.metaKey || event.altKey || disabled)
    return
  letters = (event.timeStamp - since < 700 ? letters : '') + event.key.toLowerCase()
  since = event.timeStamp
  const found = options.find((one) => !one.disabled && one.label.toLowerCase().startsWith(letters))
  if (found) model.value = found.value
}
const control = () => (root.value?.$el as HTMLElement | undefined)?.querySelector('[role=combobox]')
defineExpose({ focus: () => root.value?.focus() })
</script>

<template>
  <NSelect
    ref="root"
    v-model:show="open"
    to="body"
    :class="[attrs.class, { figures }]"
    :value="chosen ?? null"
    :options="shown"
    :disabled="disabled"
    :placeholder="placeholder"
    :consistent-menu-width="false"
    :virtual-scroll="options.length > 100"
    :menu-props="{ id: list, role: 'listbox' }"
    :node-props="
      (option) => ({
        id: `${list}-${shown.findIndex((one) => one.value === option.value)}`,
        role: 'option',
        'aria-selected': option.value === chosen,
      })
    "
    @keydown="onKey"
    @update:value="choose"
  />
</template>

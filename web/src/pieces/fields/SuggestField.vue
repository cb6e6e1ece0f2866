<script setup lang="ts">
// A line of text with what fits it offered below: Naive UI's auto-complete with the roles of a combobox and its list.
import { NAutoComplete } from 'naive-ui'
import { computed, inject, mergeProps, ref, useAttrs, useId, useTemplateRef } from 'vue'
import { pointAtOption } from './active-option'
import { FIELD } from './field-context'
import { ofControl } from './inner'

const MOST_OFFERED = 50
defineOptions({ inheritAttrs: false })
const { offers, placeholder = '' } = defineProps<{
  /** All that can be offered; what holds every typed word is. */
  offers: readonly string[]
  placeholder?: string
  figures?: boolean
}>()
const model = defineModel<string>({ required: true })
const attrs = useAttrs()
const label = inject(FIELD, null)
const list = useId()
const open = ref(false)
/** What was there when the field was entered is no search: all are offered until something is typed. */
const typed = ref('')
const root = useTemplateRef<InstanceType<typeof NAutoComplete>>('root')

const options = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return offers
    .filter((one) => words.every((word) => one.toLowerCase().includes(word)))
    .slice(0, MOST_OFFERED)
    .map((one) => ({ label: one, value: one }))
})
const inputProps = computed(() =>
  mergeProps(
    {
      id: label?.id,
      role: 'combobox',
      autocomplete: 'off',
      'aria-expanded': open.value && options.value.length > 0,
      'aria-controls': open.value && options.value.length ? list : undefined,
    },
    ofControl(attrs),
  ),
)
const menu = computed(() => ({
  id: list,
  role: 'listbox',
  virtualScroll: false,
  nodeProps: (option: { value: string }) => ({
    id: `${list}-${options.value.findIndex((one) => one.value === option.value)}`,
    role: 'option',
  }),
}))
function keep(value: string | null) {
  model.value = value ?? ''
  typed.value = model.value
}
function enter() {
  typed.value = ''
  open.value = true
}
const control = () => (root.value?.$el as HTMLElement | undefined)?.querySelector('input')
</script>

<template>
  <NAutoComplete
    ref="root"
    to="body"
    :class="[attrs.class, { figures }]"
    :value="model"
    :options="options"
    :get-show="() => options.length > 0"
    :placeholder="placeholder"
    :input-props="inputProps"
    :menu-props="menu as object"
    @update:value="keep"
    @focus="enter"
    @blur="open = false"
    @keydown="pointAtOption(control(), list)"
  />
</template>

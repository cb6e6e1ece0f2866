<script setup lang="ts">
// A button that opens a menu: acts, and choices of which one is on.
import { NButton, NDropdown, type DropdownOption } from 'naive-ui'
import { computed, h, type HTMLAttributes, ref, useId, useTemplateRef, type VNodeChild } from 'vue'
import { pointAtOption } from '@/pieces/fields/active-option'

export interface MenuEntry {
  key: string
  word: string
  about?: string
  /** Of a choice: whether it is the one that is on. */
  isOn?: boolean
}
/** Entries in groups, of which each may have a heading. */
export interface MenuGroup {
  heading?: string
  entries: MenuEntry[]
}
// The library gives attributes to the menu; they are for the button.
defineOptions({ inheritAttrs: false })
const { label, groups } = defineProps<{ label: string; groups: MenuGroup[] }>()
const emit = defineEmits<{ choose: [key: string] }>()
const open = ref(false)
const list = useId()
const button = useTemplateRef<InstanceType<typeof NButton>>('button')

const options = computed((): DropdownOption[] =>
  groups.flatMap((group, index) => [
    ...(index ? [{ type: 'divider', key: `rule-${index}` }] : []),
    ...(group.heading
      ? [
          {
            type: 'render',
            key: `head-${index}`,
            render: () => h('div', { class: 'menu-heading' }, group.heading),
          },
        ]
      : []),
    ...group.entries.map((entry) => ({ ...entry, label: entry.word })),
  ]),
)
const menu = computed(() => ({ id: list, role: 'menu', 'aria-label': label }))
const roles = (option?: unknown): HTMLAttributes & Record<string, string | number | undefined> => {
  const { key, isOn } = option as unknown as MenuEntry
  return {
    id: `${list}-${key}`,
    role: isOn === undefined ? 'menuitem' : 'menuitemradio',
    'aria-checked': isOn === undefined ? undefined : isOn ? 'true' : 'false',
  }
}
function worded(option: unknown): VNodeChild {
  const { word, about, isOn } = option as unknown as MenuEntry
  return [
    isOn === undefined ? null : h('span', { class: 'menu-tick', 'aria-hidden': true }, isOn ? '✓' : ''),
    h('span', [word, about ? h('span', { class: ['soft', 'menu-about'] }, about) : null]),
  ]
}
const choose = (key: string | number) => emit('choose', String(key))
function onKey(event: KeyboardEvent) {
  if (!open.value && event.key === 'ArrowDown') open.value = true
  if (open.value && event.key === ' ') event.preventDefault()
  void pointAtOption(button.value?.$el as HTMLElement, list)
}
</script>

<template>
  <NDropdown
    v-model:show="open"
    trigger="click"
    placement="bottom-end"
    to="#bar"
    :options="options"
    :menu-props="() => menu"
    :node-props="roles"
    :render-label="worded"
    @select="choose"
  >
    <NButton
      ref="button"
      v-bind="$attrs"
      text
      aria-haspopup="menu"
      :aria-label="label"
      :aria-expanded="open"
      :aria-controls="open ? list : undefined"
      @keydown="onKey"
    >
      <slot />
      <svg class="down" viewBox="0 0 12 12" width="10" height="10" aria-hidden="true">
        <path d="M2 4l4 4 4-4" />
      </svg>
    </NButton>
  </NDropdown>
</template>

<style>
.n-dropdown-menu .n-dropdown-option-body {
  min-height: 36px;
  padding: 4px 0;
}
@media (pointer: coarse) {
  .n-dropdown-menu .n-dropdown-option-body {
    min-height: 44px;
  }
}
.menu-heading {
  padding: 4px 14px 2px;
  font-size: 13px;
  font-weight: 620;
  color: var(--soft);
}
.menu-tick {
  display: inline-block;
  width: 1.4em;
}
.menu-about {
  display: block;
}
.down {
  flex: none;
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
}
</style>

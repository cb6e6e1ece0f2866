<script setup lang="ts" generic="T extends string">
// The views of one thing, one of them shown in the panel below. Arrow keys move between the tabs, Enter opens one.
import { NFlex, NTab, NTabs } from 'naive-ui'
import { computed, useId } from 'vue'

const props = defineProps<{ tabs: Record<T, string>; label: string }>()
const tab = defineModel<T>({ required: true })
const named = computed(() => Object.entries(props.tabs) as [T, string][])
const panel = useId()

/** The keys that tabs have by custom; the library gives them to the pointer alone. */
function onKey(event: KeyboardEvent, name: T) {
  const all = [
    ...(event.currentTarget as HTMLElement)
      .closest('[role=tablist]')!
      .querySelectorAll<HTMLElement>('[role=tab]'),
  ]
  const here = all.indexOf(event.currentTarget as HTMLElement)
  const to = { ArrowRight: here + 1, ArrowLeft: here - 1, Home: 0, End: all.length - 1 }[event.key]
  if (to !== undefined) all[(to + all.length) % all.length]!.focus()
  else if (event.key === 'Enter' || event.key === ' ') tab.value = name
  else return
  event.preventDefault()
}
</script>

<template>
  <div class="min-w-0 flex flex-col min-h-0 flex-1">
    <NFlex align="center" :size="[18, 0]" class="bar px-4.5 border-b border-b-line">
      <NTabs
        class="tabs"
        role="tablist"
        :aria-label="label"
        :value="tab"
        type="line"
        @update:value="tab = $event"
      >
        <NTab
          v-for="[name, word] in named"
          :id="`${panel}-${name}`"
          :key="name"
          :name="name"
          role="tab"
          :tabindex="name === tab ? 0 : -1"
          :aria-selected="name === tab"
          :aria-controls="name === tab ? panel : undefined"
          @keydown="onKey($event, name)"
          >{{ word }}</NTab
        >
      </NTabs>
      <span class="ml-auto text-soft text-sm overflow-hidden text-ellipsis whitespace-nowrap"
        ><slot name="side"
      /></span>
    </NFlex>
    <div
      :id="panel"
      class="panel flex-1 min-h-0 overflow-auto py-3 px-4.5"
      role="tabpanel"
      tabindex="0"
      :aria-labelledby="`${panel}-${tab}`"
    >
      <slot />
    </div>
  </div>
</template>

<style scoped>
.tabs {
  width: auto;
  min-width: 0;
  max-width: 100%;
}
.n-tabs-tab:focus-visible,
.panel:focus-visible {
  outline-offset: -3px;
}
/* On paper the view that is printed has its name, and no other. */
@media print {
  .tabs :deep(.n-tabs-tab:not(.n-tabs-tab--active)),
  .tabs :deep(.n-tabs-bar) {
    display: none;
  }
}
</style>

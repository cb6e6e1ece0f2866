<script setup lang="ts" generic="T extends string">
// The views of one thing, one of them shown in the panel below. Arrow keys move between the tabs.
import { TabsContent, TabsList, TabsRoot, TabsTrigger } from 'reka-ui'
import { computed } from 'vue'

const props = defineProps<{ tabs: Record<T, string>; label: string }>()
const tab = defineModel<T>({ required: true })
const named = computed(() => Object.entries(props.tabs) as [T, string][])
</script>

<template>
  <TabsRoot v-model="tab" class="root" activation-mode="manual">
    <div class="bar">
      <TabsList class="tabs" :aria-label="label">
        <TabsTrigger v-for="[name, said] in named" :key="name" :value="name" class="tab">{{
          said
        }}</TabsTrigger>
      </TabsList>
      <span class="side"><slot name="side" /></span>
    </div>
    <TabsContent v-for="[name] in named" :key="name" :value="name" class="panel">
      <slot v-if="name === tab" />
    </TabsContent>
  </TabsRoot>
</template>

<style scoped>
.root {
  min-width: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.bar {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0 18px;
  padding: 6px 18px 0;
  border-bottom: 1px solid var(--line);
}
.tabs {
  display: flex;
  gap: 18px;
  min-width: 0;
  overflow-x: auto;
}
.tab {
  font: 15px var(--text);
  color: var(--soft);
  background: none;
  border: 0;
  padding: 8px 0;
  white-space: nowrap;
  cursor: pointer;
}
.tab:focus-visible {
  outline-offset: -3px;
}
.tab[data-state='active'] {
  color: var(--ink);
  font-weight: 660;
  box-shadow: inset 0 -2.5px 0 var(--copper);
}
.side {
  margin-left: auto;
  color: var(--soft);
  font-size: 14px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.panel {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 12px 18px;
}
.panel[data-state='inactive'] {
  display: none;
}
.panel:focus-visible {
  outline-offset: -3px;
}
</style>

<script setup lang="ts" generic="T extends string">
// The frame every station shares: evidence left, findings or decisions right, the decision bar at the foot.
import { NButton } from 'naive-ui'
import DecisionBar from '@/pieces/stations/DecisionBar.vue'
import { keyHelp } from '@/shared/keys'
import TabBar from '@/pieces/controls/TabBar.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { stationFrame as texts } from '@texts/docket'

defineProps<{ tabs?: Record<T, string> }>()
const tab = defineModel<T>('tab')
defineEmits<{ next: [] }>()
</script>

<template>
  <div class="min-w-0 flex flex-col min-h-0">
    <div
      class="columns flex-1 min-h-0 grid grid-cols-[minmax(0,1.13fr)_minmax(0,1fr)] gap-5 pt-1 pb-3.5 px-5"
    >
      <Sheet
        tag="section"
        pad="none"
        class="min-w-0 min-h-0"
        inner="flex flex-col min-h-0"
        :aria-label="texts.evidence"
      >
        <TabBar v-if="tabs && tab" v-model="tab" :tabs="tabs" :label="texts.viewsLabel">
          <template #side><slot name="side" /></template>
          <slot name="evidence" />
        </TabBar>
        <div v-else class="inside flex-1 min-h-0 overflow-auto py-3 px-4.5"><slot name="evidence" /></div>
      </Sheet>
      <div class="right min-h-0 overflow-auto py-0.5 px-1"><slot name="findings" /></div>
    </div>
    <DecisionBar>
      <slot name="decisions" />
      <template #keys>
        <slot name="keys" />
        <NButton type="primary" quaternary @click="$emit('next')">{{ texts.nextBench }} <kbd>N</kbd></NButton>
        <NButton type="primary" quaternary class="soft" @click="keyHelp = true"
          >{{ texts.keys }} <kbd>?</kbd></NButton
        >
      </template>
    </DecisionBar>
  </div>
</template>

<style scoped>
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

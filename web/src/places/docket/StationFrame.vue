<script setup lang="ts" generic="T extends string">
// The frame every station shares: evidence left, findings or decisions right, the decision bar at the foot.
import { NButton } from 'naive-ui'
import DecisionBar from '@/pieces/stations/DecisionBar.vue'
import { keyHelp } from '@/shared/keys'
import TabBar from '@/pieces/controls/TabBar.vue'
import { stationFrame as texts } from '@texts/docket'

defineProps<{ tabs?: Record<T, string> }>()
const tab = defineModel<T>('tab')
defineEmits<{ next: [] }>()
</script>

<template>
  <div class="frame">
    <div class="columns">
      <section class="sheet evidence" :aria-label="texts.evidence">
        <TabBar v-if="tabs && tab" v-model="tab" :tabs="tabs" :label="texts.viewsOfThisStation">
          <template #side><slot name="side" /></template>
          <slot name="evidence" />
        </TabBar>
        <div v-else class="inside"><slot name="evidence" /></div>
      </section>
      <div class="right"><slot name="findings" /></div>
    </div>
    <DecisionBar>
      <slot name="decisions" />
      <template #keys>
        <slot name="keys" />
        <NButton type="primary" quaternary @click="$emit('next')"
          >{{ texts.nextInTheRound }} <kbd>N</kbd></NButton
        >
        <NButton type="primary" quaternary class="soft" @click="keyHelp = true"
          >{{ texts.keys }} <kbd>?</kbd></NButton
        >
      </template>
    </DecisionBar>
  </div>
</template>

<style scoped>
.frame {
  min-width: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.columns {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1.13fr) minmax(0, 1fr);
  gap: 20px;
  padding: 4px 20px 14px;
}
.evidence {
  min-width: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.inside {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 12px 18px;
}
.right {
  min-height: 0;
  overflow: auto;
  padding: 2px 3px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import MeasureForm from '@/pieces/MeasureForm.vue'
import Callout from '@/pieces/states/Callout.vue'
import { myPower as texts } from '@texts/my-bench'
import type { MyDocket } from './use-my-docket'
import { useMyDocket } from './use-my-docket'

const props = defineProps<{ docket: MyDocket }>()
const { ask, withdraw, measure, busy } = useMyDocket()
const state = computed(() => props.docket.stations.find((s) => s.station === 'power')?.state ?? null)
</script>

<template>
  <section class="power">
    <Callout v-if="docket.cleared" tone="good" class="w-full">
      <b>{{ texts.cleared }}</b> {{ texts.switchOn }}
    </Callout>
    <p v-else-if="!state" class="soft">{{ texts.wiringFirst }}</p>
    <NButton
      v-if="state === 'working' || state === 'voided'"
      type="primary"
      :disabled="busy"
      @click="ask('power')"
    >
      {{ texts.askForPower }}
    </NButton>
    <NButton v-if="state === 'asks'" type="primary" ghost :disabled="busy" @click="withdraw('power')">
      {{ texts.withdrawTheRequest }}
    </NButton>
    <ul class="pl-4.5 m-0">
      <li v-for="caution in docket.exercise.cautions" :key="caution">{{ caution }}</li>
    </ul>
    <template v-if="docket.cleared">
      <h3>{{ texts.worthMeasuring }}</h3>
      <MeasureForm
        v-for="what in docket.measurables.filter((m) => !m.name.startsWith('step:'))"
        :key="what.name"
        :name="what.name"
        :label="what.label"
        :unit="what.unit"
        :agrees="what.agrees"
        :said="what.said"
        :known="docket.measurements"
        :save="measure"
      />
    </template>
  </section>
</template>

<style scoped>
.power {
  display: grid;
  gap: 12px;
  justify-items: start;
}
</style>

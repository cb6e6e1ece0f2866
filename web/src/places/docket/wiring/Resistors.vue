<script setup lang="ts">
// Each resistor's job, the window that follows from it, and how the one on the bench stands to it.
import { NFlex } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { said } from '@/shared/units'
import { resistors as texts } from '@texts/docket-wiring'
import { useDocket } from '../use-docket'
import { useStudy } from './use-study'
import WindowBar from './WindowBar.vue'

const props = defineProps<{ attempt: number; lit?: Schemas['WhereOut'] | null }>()
const { id } = useDocket()
const study = useStudy(
  id,
  computed(() => props.attempt),
)
type Job = Schemas['ResistorJobOut']
const JOBS: Record<string, string> = {
  'led-series': texts.jobSeries,
  base: texts.jobBase,
  'pull-up': texts.pullsUp,
  'pull-down': texts.pullsDown,
  divider: texts.dividesWith,
  'level-divider': texts.jobLevel,
  series: texts.jobSeries,
  contrast: texts.contrastOf,
}
function jobWords(job: Job): string {
  return job.about ? `${JOBS[job.job] ?? 'beside'} ${job.about}` : texts.jobUnknown
}
function fitWords(job: Job): string {
  if (job.ohms === null) return texts.valueMissing
  if (job.fits === null) return texts.anyValue
  if (job.fits) return texts.fitsItsWindow
  return job.ohms < (job.low_ohms ?? 0) ? texts.tooSmall : texts.tooLarge
}
const isHot = (job: Job) => job.rated_watts !== null && job.watts > job.rated_watts
const readsLess = (job: Job) =>
  job.in_circuit_ohms !== null && job.ohms !== null && job.in_circuit_ohms < job.ohms * 0.98
</script>

<template>
  <ErrorNote v-if="study.error.value" :error="study.error.value" />
  <p v-else-if="study.isPending.value" class="soft" aria-busy="true">{{ texts.loading }}</p>
  <EmptyNote v-else-if="!study.data.value?.resistors.length" :title="texts.none" :text="texts.noneHint" />
  <ul v-else class="list-none m-0 p-0">
    <li
      v-for="job in study.data.value.resistors"
      :key="job.ref"
      class="border-b border-b-line py-3 px-1.5 grid grid-cols-1 gap-2"
      :class="{ lit: (lit?.parts ?? []).includes(job.ref), wrong: job.fits === false }"
    >
      <header class="flex gap-2.5 items-baseline">
        <b class="v">{{ job.ref }}</b>
        <span>{{ jobWords(job) }}</span>
        <span class="v value ml-auto text-lg font-semibold">{{
          job.ohms === null ? '?' : said(job.ohms, 'Ω')
        }}</span>
      </header>
      <p class="fit flex flex-wrap gap-y-1 gap-x-3.5 text-good">
        <b>{{ fitWords(job) }}</b>
        <span v-if="job.formula" class="v soft">{{ job.formula }}</span>
      </p>
      <WindowBar
        v-if="job.low_ohms !== null && job.high_ohms !== null"
        :low="job.low_ohms"
        :high="job.high_ohms"
        :ohms="job.ohms"
        :nominal="job.nominal_ohms"
      />
      <p v-if="job.low_because" class="soft grid text-sm">
        <span v-if="job.low_because === job.high_because">{{ job.low_because }}</span>
        <template v-else>
          <span>{{ texts.lowBecauseLeast(job.low_because) }}</span>
          <span>{{ texts.highBecauseMost(job.high_because) }}</span>
        </template>
      </p>
      <NFlex :size="[18, 4]" class="soft text-sm">
        <span>{{ texts.ampsAtMost(said(job.amps, 'A')) }}</span>
        <span :class="{ hot: isHot(job) }">
          {{
            job.rated_watts
              ? texts.wattsOf(said(job.watts, 'W'), said(job.rated_watts, 'W'))
              : said(job.watts, 'W')
          }}
        </span>
        <span v-if="job.in_circuit_ohms !== null">
          {{ texts.meterReads(said(job.in_circuit_ohms, 'Ω'), readsLess(job)) }}
        </span>
      </NFlex>
      <NFlex v-if="job.fits === false" align="baseline" :size="[14, 6]">
        <b>{{ texts.stockHeading }}</b>
        <span
          v-for="offer in job.offers"
          :key="offer.said"
          class="bg-sunk rounded-[4px] py-1 px-2 inline-flex gap-2"
        >
          <span class="v">{{ offer.said }}</span>
          <span class="soft">{{ texts.left(offer.drawers.join(', '), offer.count) }}</span>
        </span>
        <span v-if="!job.offers.length" class="soft">{{ texts.nothingThatFits }}</span>
      </NFlex>
    </li>
  </ul>
</template>

<style scoped>
li.lit {
  background: var(--lit);
}
.wrong .fit {
  color: var(--fix);
}
.hot {
  color: var(--stop);
  font-weight: 640;
}
</style>

<script setup lang="ts">
// Each resistor's job, the window that follows from it, and how the one on the bench stands to it.
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
  'led-series': texts.inSeriesWith,
  base: texts.intoTheBaseOf,
  'pull-up': texts.pullsUp,
  'pull-down': texts.pullsDown,
  divider: texts.dividesWith,
  'level-divider': texts.bringsDownTheLevel,
  series: texts.inSeriesWith,
  contrast: texts.contrastOf,
}
function jobWords(job: Job): string {
  return job.about ? `${JOBS[job.job] ?? 'beside'} ${job.about}` : texts.noJobTheRulesKnow
}
function fitWords(job: Job): string {
  if (job.ohms === null) return texts.noValueIsGiven
  if (job.fits === null) return texts.anyValueWillDo
  if (job.fits) return texts.fitsItsWindow
  return job.ohms < (job.low_ohms ?? 0) ? texts.tooSmallForItsWindow : texts.tooLargeForItsWindow
}
const isHot = (job: Job) => job.rated_watts !== null && job.watts > job.rated_watts
const readsLess = (job: Job) =>
  job.in_circuit_ohms !== null && job.ohms !== null && job.in_circuit_ohms < job.ohms * 0.98
</script>

<template>
  <ErrorNote v-if="study.error.value" :error="study.error.value" />
  <p v-else-if="study.isPending.value" class="soft" aria-busy="true">{{ texts.workingOutTheWindows }}</p>
  <EmptyNote
    v-else-if="!study.data.value?.resistors.length"
    :title="texts.noResistorOnThisBench"
    :text="texts.whenOneIsHanded"
  />
  <ul v-else class="jobs">
    <li
      v-for="job in study.data.value.resistors"
      :key="job.ref"
      :class="{ lit: (lit?.parts ?? []).includes(job.ref), wrong: job.fits === false }"
    >
      <header>
        <b class="v">{{ job.ref }}</b>
        <span>{{ jobWords(job) }}</span>
        <span class="v value">{{ job.ohms === null ? '?' : said(job.ohms, 'Ω') }}</span>
      </header>
      <p class="fit">
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
      <p v-if="job.low_because" class="reasons soft">
        <span v-if="job.low_because === job.high_because">{{ job.low_because }}</span>
        <template v-else>
          <span>{{ texts.lowBecauseLeast(job.low_because) }}</span>
          <span>{{ texts.highBecauseMost(job.high_because) }}</span>
        </template>
      </p>
      <p class="facts soft">
        <span>{{ texts.ampsAtMost(said(job.amps, 'A')) }}</span>
        <span :class="{ hot: isHot(job) }">
          {{
            job.rated_watts
              ? texts.wattsOf(said(job.watts, 'W'), said(job.rated_watts, 'W'))
              : said(job.watts, 'W')
          }}
        </span>
        <span v-if="job.in_circuit_ohms !== null">
          {{ texts.aMeterAcrossItReads(said(job.in_circuit_ohms, 'Ω'), readsLess(job)) }}
        </span>
      </p>
      <div v-if="job.fits === false" class="offers">
        <b>{{ texts.inTheDrawers }}</b>
        <span v-for="offer in job.offers" :key="offer.said" class="offer">
          <span class="v">{{ offer.said }}</span>
          <span class="soft">{{ texts.left(offer.drawers.join(', '), offer.count) }}</span>
        </span>
        <span v-if="!job.offers.length" class="soft">{{ texts.nothingThatFits }}</span>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.jobs {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--line);
  padding: 12px 6px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 7px;
}
li.lit {
  background: var(--lit);
}
header {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.value {
  margin-left: auto;
  font-size: 17px;
  font-weight: 640;
}
.fit {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 0;
  color: var(--good);
}
.wrong .fit {
  color: var(--fix);
}
.reasons {
  display: grid;
  margin: 0;
  font-size: 13.5px;
}
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 0;
  font-size: 14px;
}
.hot {
  color: var(--stop);
  font-weight: 640;
}
.offers {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
}
.offer {
  background: var(--sunk);
  border-radius: 4px;
  padding: 3px 9px;
  display: inline-flex;
  gap: 8px;
}
</style>

<script setup lang="ts">
// Each resistor's job, the window that follows from it, and how the one on the bench stands to it.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { said } from '@/shared/units'
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
  'led-series': 'in series with',
  base: 'into the base of',
  'pull-up': 'pulls up',
  'pull-down': 'pulls down',
  divider: 'divides with',
  'level-divider': 'brings down the level of',
  series: 'in series with',
  contrast: 'contrast of',
}
function jobWords(job: Job): string {
  return job.about ? `${JOBS[job.job] ?? 'beside'} ${job.about}` : 'no job the rules know'
}
function fitWords(job: Job): string {
  if (job.ohms === null) return 'no value is given'
  if (job.fits === null) return 'any value will do here'
  if (job.fits) return 'fits its window'
  return job.ohms < (job.low_ohms ?? 0) ? 'too small for its window' : 'too large for its window'
}
const isHot = (job: Job) => job.rated_watts !== null && job.watts > job.rated_watts
const readsLess = (job: Job) =>
  job.in_circuit_ohms !== null && job.ohms !== null && job.in_circuit_ohms < job.ohms * 0.98
</script>

<template>
  <ErrorNote v-if="study.error.value" :error="study.error.value" />
  <p v-else-if="study.isPending.value" class="soft" aria-busy="true">Working out the windows…</p>
  <EmptyNote
    v-else-if="!study.data.value?.resistors.length"
    title="No resistor on this bench"
    text="When one is handed in, its job and the values it may have stand here."
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
          <span>least: {{ job.low_because }}</span>
          <span>most: {{ job.high_because }}</span>
        </template>
      </p>
      <p class="facts soft">
        <span>at most {{ said(job.amps, 'A') }}</span>
        <span :class="{ hot: isHot(job) }">
          {{ said(job.watts, 'W')
          }}<template v-if="job.rated_watts"> of {{ said(job.rated_watts, 'W') }}</template>
        </span>
        <span v-if="job.in_circuit_ohms !== null">
          a meter across it reads {{ said(job.in_circuit_ohms, 'Ω')
          }}<template v-if="readsLess(job)"> as it sits: something lies beside it</template>
        </span>
      </p>
      <div v-if="job.fits === false" class="offers">
        <b>In the drawers</b>
        <span v-for="offer in job.offers" :key="offer.said" class="offer">
          <span class="v">{{ offer.said }}</span>
          <span class="soft">{{ offer.drawers.join(', ') }}, {{ offer.count }} left</span>
        </span>
        <span v-if="!job.offers.length" class="soft">nothing that fits this window</span>
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

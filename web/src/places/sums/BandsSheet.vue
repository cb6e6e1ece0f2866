<script setup lang="ts">
// Bands both ways: colours to a value with its limits, and a value to its colours; a meter may disagree.
import { NButton, NFlex } from 'naive-ui'
import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import Callout from '@/pieces/states/Callout.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useBands, useValue } from '@/queries/sums'
import { said } from '@/shared/units'
import Sentence from '@/pieces/Sentence.vue'
import { bandsSheet as texts } from '@texts/sums'
import BandPicture from './BandPicture.vue'
import { roleOf } from './bands'

const props = defineProps<{ lists: Schemas['SumsOut'] }>()
const colours = useStorage('verifex-sum-bands', ['orange', 'orange', 'brown', 'gold'])
const measured = useStorage('verifex-sum-measured', '')
const value = useStorage('verifex-sum-value', '4k7')
const series = useStorage('verifex-sum-series', 'E12')
const tolerance = useStorage('verifex-sum-tolerance', 5)

const reading = useBands(computed(() => ({ colours: [...colours.value], measured: measured.value })))
const found = useValue(
  computed(() => ({ value: value.value, series: series.value, tolerance_percent: Number(tolerance.value) })),
)

function offered(index: number): string[] {
  const role = roleOf(index, colours.value.length)
  if (role === 'tolerance') return props.lists.tolerance_colours
  if (role === 'drift') return props.lists.drift_colours
  return role === 'times' ? props.lists.band_colours : props.lists.band_colours.slice(0, 10)
}
function count(to: number) {
  const now = colours.value
  if (to < now.length) colours.value = to === 3 ? now.slice(0, 3) : [...now.slice(0, to - 1), now.at(-1)!]
  else {
    const next = [...now]
    while (next.length < to) {
      if (next.length === 3) next.push('gold')
      else if (next.length === 4) next.splice(2, 0, 'black')
      else next.push('brown')
    }
    colours.value = next
  }
}
</script>

<template>
  <article>
    <h1>{{ texts.colourBands }}</h1>
    <div class="two grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] gap-10 mt-3.5">
      <section :aria-label="texts.decodeHeading">
        <NFlex :size="4">
          <ChoiceBar
            :label="texts.howManyBands"
            :choices="[3, 4, 5, 6].map((n) => ({ value: n, word: texts.bands(n) }))"
            :model-value="colours.length"
            @update:model-value="count"
          />
          <NButton type="primary" quaternary @click="colours = [...colours].reverse()">
            {{ texts.readBackwards }}
          </NButton>
        </NFlex>
        <BandPicture :colours="colours" />
        <div class="selects">
          <FormField v-for="(colour, index) in colours" :key="index" :label="roleOf(index, colours.length)">
            <ChoiceField
              :model-value="colour"
              :options="[
                ...offered(index).map((name) => ({ value: name, label: name })),
                ...(!offered(index).includes(colour) ? [{ value: colour, label: colour }] : []),
              ]"
              @update:model-value="colours[index] = $event"
            />
          </FormField>
        </div>
        <ErrorNote v-if="reading.error.value" :error="reading.error.value" />
        <template v-else-if="reading.data.value">
          <NFlex :wrap="false" align="baseline" class="answer -mb-2">
            <span class="v text-2xl font-bold text-copper">{{ said(reading.data.value.ohms, 'Ω') }}</span>
            <span>± {{ reading.data.value.tolerance_percent }} %</span>
            <span v-if="reading.data.value.ppm_per_kelvin" class="soft">
              {{ texts.ppmPerKelvin(reading.data.value.ppm_per_kelvin!) }}
            </span>
          </NFlex>
          <p class="soft">
            <Sentence :text="texts.betweenAnd">
              <template #lowOhms
                ><span class="v">{{ said(reading.data.value.low_ohms, 'Ω', 4) }}</span></template
              >
              <template #highOhms
                ><span class="v">{{ said(reading.data.value.high_ohms, 'Ω', 4) }}</span></template
              ></Sentence
            >
          </p>
          <Callout v-if="reading.data.value.order_doubt" tone="check">
            {{ texts.readBackwardsDoubt(reading.data.value.order_doubt) }}
          </Callout>
          <label class="meter flex gap-2.5 items-center">
            <span>{{ texts.meterLabel }}</span>
            <TextField v-model="measured" :placeholder="texts.nothingYet" autocomplete="off" figures />
            <span>Ω</span>
          </label>
          <Callout v-if="reading.data.value.measured_fits" tone="good">
            {{ texts.fits }}
          </Callout>
          <Callout v-else-if="reading.data.value.measured_fits === false" tone="fix" plain>
            <p>{{ texts.doesNotFit }}</p>
            <p v-for="other in reading.data.value.misreadings" :key="other.bands.join()">
              <Sentence :text="texts.perhaps(other.bands.join(', '))">
                <template #ohms
                  ><b class="v">{{ said(other.ohms, 'Ω') }}</b></template
                >
                <template #link
                  ><NButton type="primary" quaternary @click="colours = [...other.bands]">
                    {{ texts.useThese }}
                  </NButton></template
                ></Sentence
              >
            </p>
            <p v-if="!reading.data.value.misreadings.length" class="soft">
              {{ texts.noUsualMisreading }}
            </p>
          </Callout>
        </template>
      </section>
      <section :aria-label="texts.encodeHeading" class="other border-l border-l-line pl-7.5">
        <h2>{{ texts.fromAValue }}</h2>
        <div class="ask">
          <FormField :label="texts.value"><TextField v-model="value" autocomplete="off" figures /></FormField>
          <FormField :label="texts.series">
            <ChoiceField
              v-model="series"
              :options="lists.series.map((name) => ({ value: name, label: name }))"
            />
          </FormField>
          <FormField :label="texts.tolerance">
            <ChoiceField
              v-model="tolerance"
              :options="
                [10, 5, 2, 1, 0.5, 0.25, 0.1].map((percent) => ({ value: percent, label: String(percent) }))
              "
            />
          </FormField>
        </div>
        <ErrorNote v-if="found.error.value" :error="found.error.value" />
        <template v-else-if="found.data.value">
          <BandPicture :colours="found.data.value.bands" />
          <NFlex :wrap="false" align="baseline" class="answer -mb-2">
            <span class="v font-bold text-copper text-2xl">{{ said(found.data.value.nearest, 'Ω') }}</span>
            <span class="soft">{{ texts.nearestIn(found.data.value.series) }}</span>
          </NFlex>
          <p v-if="found.data.value.down === found.data.value.up" class="soft">
            {{ texts.inSeries }}
          </p>
          <p v-else class="soft">
            <Sentence :text="texts.neighbours">
              <template #down
                ><span class="v">{{ said(found.data.value.down, 'Ω') }}</span></template
              >
              <template #up
                ><span class="v">{{ said(found.data.value.up, 'Ω') }}</span></template
              ></Sentence
            >
          </p>
        </template>
      </section>
    </div>
  </article>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  align-content: start;
}
.selects,
.ask {
  display: grid;
  grid-auto-columns: minmax(0, 1fr);
  grid-auto-flow: column;
  gap: 8px;
}
.meter .n-input {
  width: 130px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .other {
    border-left: 0;
    padding-left: 0;
  }
}
</style>

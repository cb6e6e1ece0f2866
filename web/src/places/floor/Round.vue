<script setup lang="ts">
// Who to visit next, in order, each with the reason.
import { NButton, NFlex } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { stationName, waited } from '@/shared/words'
import { common } from '@texts/common'
import { round as texts } from '@texts/floor'

const props = defineProps<{ visits: Schemas['VisitOut'][]; now: number; hatch: string[]; loading: boolean }>()
defineEmits<{ open: [docket: number]; later: [docket: number] }>()
const first = computed(() => props.visits[0])
const rest = computed(() => props.visits.slice(1))
</script>

<template>
  <section :aria-label="texts.round">
    <header class="flex items-baseline justify-between mb-3">
      <h1>{{ texts.round }}</h1>
      <span class="soft">{{ visits.length ? texts.pairsWait(visits.length) : '' }}</span>
    </header>
    <Sheet v-if="!first && !loading" inner="grid grid-cols-1 gap-2.5">
      <h2>{{ texts.nobodyWaits }}</h2>
      <p class="soft">{{ texts.pairsAppearHere }}</p>
    </Sheet>
    <Sheet v-if="first" tag="article" class="first" inner="grid grid-cols-1 gap-2.5">
      <NFlex :wrap="false" align="center" class="who">
        <span class="bench font-bold text-2xl leading-none text-[46px]">{{ first.bench ?? '–' }}</span>
        <div>
          <h2>{{ first.pair }}</h2>
          <span class="soft">{{ texts.waits(stationName(first.station), waited(first.since, now)) }}</span>
        </div>
      </NFlex>
      <div
        v-if="first.severity"
        class="seen rounded py-2.5 px-3 grid grid-cols-1 gap-1"
        :class="first.severity"
      >
        <SeverityTag :severity="first.severity" />
        <p>{{ first.seen || first.reason }}</p>
        <p v-if="first.severity === 'stop'">
          <b>{{ texts.keepPowerOff }}</b>
        </p>
      </div>
      <p v-else>{{ first.reason }}</p>
      <p v-if="first.claimed_by && !first.mine" class="soft">{{ texts.onTheWay(first.claimed_by) }}</p>
      <NFlex size="small" class="acts">
        <NButton type="primary" @click="$emit('open', first.docket)">
          {{ first.bench ? texts.openBench(first.bench) : texts.openTheDocket }} <kbd>{{ common.enter }}</kbd>
        </NButton>
        <NButton type="primary" ghost @click="$emit('later', first.docket)"
          >{{ texts.later }} <kbd>L</kbd></NButton
        >
      </NFlex>
    </Sheet>
    <ol class="list-none mt-1.5 mb-0 mx-0 p-0">
      <li v-for="visit in rest" :key="visit.docket" class="border-b border-b-line">
        <NButton class="whole" text @click="$emit('open', visit.docket)">
          <span class="bench font-bold text-2xl leading-none text-xl pt-0.5">{{ visit.bench ?? '–' }}</span>
          <span>
            <b>{{ visit.pair }}</b>
            <span class="block text-soft">
              <SeverityTag v-if="visit.severity" :severity="visit.severity" />
              {{ (visit.severity === 'stop' && visit.seen) || visit.reason }}
            </span>
            <span v-if="visit.claimed_by && !visit.mine" class="block text-soft">{{
              texts.onTheWay(visit.claimed_by)
            }}</span>
          </span>
          <span class="soft wait whitespace-nowrap">{{ waited(visit.since, now) }}</span>
        </NButton>
      </li>
    </ol>
    <aside v-if="hatch.length" class="mt-3.5 bg-copper-soft rounded py-3 px-3.5 text-sm">
      <h3 class="text-ink">{{ common.hatch }}</h3>
      <p v-for="line in hatch" :key="line">{{ line }}</p>
    </aside>
  </section>
</template>

<style scoped>
.first {
  border: 1.5px solid var(--act);
}
.seen.stop {
  background: var(--stop-bg);
}
.seen.fix {
  background: var(--fix-bg);
}
li .n-button {
  display: grid;
  grid-template-columns: 40px 1fr auto;
  gap: 8px;
  width: 100%;
  padding: 10px 4px 10px 8px;
  align-items: start;
}
li .n-button:hover {
  background: var(--sheet);
}
</style>

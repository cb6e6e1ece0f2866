<script setup lang="ts">
// Who to visit next, in order, each with the reason.
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
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
    <header>
      <h1>{{ texts.round }}</h1>
      <span class="soft">{{ visits.length ? texts.pairsWait(visits.length) : '' }}</span>
    </header>
    <div v-if="!first && !loading" class="sheet calm">
      <h2>{{ texts.nobodyWaits }}</h2>
      <p class="soft">{{ texts.pairsAppearHere }}</p>
    </div>
    <article v-if="first" class="first">
      <div class="who">
        <span class="bench">{{ first.bench ?? '–' }}</span>
        <div>
          <h2>{{ first.pair }}</h2>
          <span class="soft">{{ texts.waits(stationName(first.station), waited(first.since, now)) }}</span>
        </div>
      </div>
      <div v-if="first.severity" class="seen" :class="first.severity">
        <SeverityTag :severity="first.severity" />
        <p>{{ first.seen || first.reason }}</p>
        <p v-if="first.severity === 'stop'">
          <b>{{ texts.keepThePowerOff }}</b>
        </p>
      </div>
      <p v-else>{{ first.reason }}</p>
      <p v-if="first.claimed_by && !first.mine" class="soft">{{ texts.isOnTheWay(first.claimed_by) }}</p>
      <div class="acts">
        <NButton type="primary" @click="$emit('open', first.docket)">
          {{ first.bench ? texts.openBench(first.bench) : texts.openTheDocket }} <kbd>{{ common.enter }}</kbd>
        </NButton>
        <NButton type="primary" ghost @click="$emit('later', first.docket)"
          >{{ texts.later }} <kbd>L</kbd></NButton
        >
      </div>
    </article>
    <ol>
      <li v-for="visit in rest" :key="visit.docket">
        <NButton class="whole" text @click="$emit('open', visit.docket)">
          <span class="bench">{{ visit.bench ?? '–' }}</span>
          <span>
            <b>{{ visit.pair }}</b>
            <span class="reason">
              <SeverityTag v-if="visit.severity" :severity="visit.severity" />
              {{ (visit.severity === 'stop' && visit.seen) || visit.reason }}
            </span>
            <span v-if="visit.claimed_by && !visit.mine" class="reason">{{
              texts.isOnTheWay(visit.claimed_by)
            }}</span>
          </span>
          <span class="soft wait">{{ waited(visit.since, now) }}</span>
        </NButton>
      </li>
    </ol>
    <aside v-if="hatch.length" class="hatch">
      <h3>{{ common.hatch }}</h3>
      <p v-for="line in hatch" :key="line">{{ line }}</p>
    </aside>
  </section>
</template>

<style scoped>
header {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  margin-bottom: 12px;
}
.first,
.calm {
  background: var(--sheet);
  border: 1.5px solid var(--act);
  border-radius: 8px;
  padding: 14px 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 11px;
}
.calm {
  border-color: var(--line);
}
.who {
  display: flex;
  gap: 14px;
  align-items: center;
}
.bench {
  font-weight: 700;
  font-size: 26px;
  line-height: 1;
}
.first .bench {
  font-size: 46px;
}
.seen {
  border-radius: var(--radius);
  padding: 10px 12px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
}
.seen.stop {
  background: var(--stop-bg);
}
.seen.fix {
  background: var(--fix-bg);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
ol {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--line);
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
li .bench {
  font-size: 22px;
  padding-top: 2px;
}
.reason {
  display: block;
  color: var(--soft);
}
.wait {
  white-space: nowrap;
}
.hatch {
  margin-top: 14px;
  background: var(--copper-soft);
  border-radius: var(--radius);
  padding: 11px 14px;
  font-size: 14px;
}
.hatch h3 {
  color: var(--ink);
}
</style>

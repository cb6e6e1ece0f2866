<script setup lang="ts">
// The tolerance budget: each contributor's half width, the largest first, what measuring it would leave, and the sums.
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { fixed } from '@/shared/words'
import { budgetBars as texts } from '@texts/plots'

const props = defineProps<{
  budget: Schemas['BudgetOut']
  step: string
  decimals?: number
  sampled?: boolean
}>()
const digits = computed(() => (props.decimals ?? 1) + 1)
const rows = computed(() =>
  [...props.budget.contributions].sort((a, b) => b.half_width - a.half_width).filter((r) => r.half_width > 0),
)
const most = computed(() => Math.max(...rows.value.map((r) => r.half_width), 1e-9))
</script>

<template>
  <section>
    <h2>{{ texts.whatWidensTheLimits(step) }}</h2>
    <p v-if="budget.advice" class="advice">{{ budget.advice }}</p>
    <p v-if="!rows.length" class="soft">{{ texts.nothingDoes }}</p>
    <NTable v-else :bordered="false" size="small">
      <tbody>
        <tr v-for="row in rows" :key="row.key || row.name">
          <td class="name">
            {{ row.name }}<br /><span class="soft small">{{ row.source }}</span>
          </td>
          <td class="bar">
            <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
              <rect :width="(100 * row.half_width) / most" height="10" />
              <rect
                v-if="row.once_measured !== null"
                class="left"
                :width="(100 * row.once_measured) / most"
                height="10"
              />
            </svg>
          </td>
          <td class="num v">± {{ fixed(row.half_width, digits) }} {{ budget.unit }}</td>
          <td class="num v soft">{{ Math.round(row.share * 100) }} %</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td colspan="2">{{ texts.allAtTheirWorstAdded }}</td>
          <td class="num v">± {{ fixed(budget.worst_case, digits) }} {{ budget.unit }}</td>
          <td />
        </tr>
        <tr>
          <td colspan="2">
            {{ texts.combined }}
            <span v-if="sampled" class="soft small">{{ texts.theChainBendsHere }}</span>
          </td>
          <td class="num v">± {{ fixed(budget.combined, digits) }} {{ budget.unit }}</td>
          <td class="num soft">{{ texts.share }}</td>
        </tr>
      </tfoot>
    </NTable>
    <p v-if="rows.some((r) => r.once_measured !== null)" class="soft small key">
      <span class="dark" /> {{ texts.isWhatWouldBeLeft }}
    </p>
  </section>
</template>

<style scoped>
h2 {
  font-size: 15px;
}
.advice {
  background: var(--act-bg);
  color: var(--act);
  border-radius: var(--radius);
  padding: 8px 12px;
  margin: 8px 0;
  font-weight: 600;
}
.name {
  min-width: 150px;
}
.bar {
  width: 40%;
}
svg {
  width: 100%;
  height: 14px;
  display: block;
}
rect {
  fill: var(--copper-soft);
  stroke: var(--copper);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
rect.left {
  fill: var(--copper);
}
.small {
  font-size: 13.5px;
}
.key {
  margin-top: 6px;
}
.dark {
  display: inline-block;
  width: 18px;
  height: 10px;
  background: var(--copper);
}
tfoot td {
  font-weight: 600;
}
</style>

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
    <h2 class="text-base">{{ texts.label(step) }}</h2>
    <p v-if="budget.advice" class="bg-act-bg text-act rounded py-2 px-3 my-2 font-semibold">
      {{ budget.advice }}
    </p>
    <p v-if="!rows.length" class="soft">{{ texts.nothingDoes }}</p>
    <NTable v-else :bordered="false" size="small">
      <tbody>
        <tr v-for="row in rows" :key="row.key || row.name">
          <td class="name min-w-37.5">
            {{ row.name }}<br /><span class="soft text-sm">{{ row.source }}</span>
          </td>
          <td class="bar w-[40%]">
            <svg
              class="w-full h-3.5 block"
              viewBox="0 0 100 10"
              preserveAspectRatio="none"
              aria-hidden="true"
            >
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
          <td class="font-semibold" colspan="2">{{ texts.worstSum }}</td>
          <td class="num v font-semibold">± {{ fixed(budget.worst_case, digits) }} {{ budget.unit }}</td>
          <td class="font-semibold" />
        </tr>
        <tr>
          <td class="font-semibold" colspan="2">
            {{ texts.combined }}
            <span v-if="sampled" class="soft text-sm">{{ texts.nonLinear }}</span>
          </td>
          <td class="num v font-semibold">± {{ fixed(budget.combined, digits) }} {{ budget.unit }}</td>
          <td class="num soft font-semibold">{{ texts.share }}</td>
        </tr>
      </tfoot>
    </NTable>
    <p v-if="rows.some((r) => r.once_measured !== null)" class="soft key text-sm mt-1.5">
      <span class="inline-block w-4.5 h-2.5 bg-copper" /> {{ texts.remainingShare }}
    </p>
  </section>
</template>

<style scoped>
rect {
  fill: var(--copper-soft);
  stroke: var(--copper);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
rect.left {
  fill: var(--copper);
}
</style>

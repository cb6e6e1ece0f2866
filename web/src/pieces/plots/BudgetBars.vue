<script setup lang="ts">
// The tolerance budget: each contributor's half width, the largest first, and what they come to.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { fixed } from '@/shared/words'

const props = defineProps<{ budget: Schemas['BudgetOut']; step: string }>()
const rows = computed(() => [...props.budget.contributions].sort((a, b) => b.half_width - a.half_width))
const most = computed(() => Math.max(...rows.value.map((r) => r.half_width), 0.001))
</script>

<template>
  <section>
    <h3>What widens the limits at “{{ step }}”</h3>
    <table class="plain">
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <td>
            {{ row.name }}<br /><span class="soft small">{{ row.source }}</span>
          </td>
          <td class="bar">
            <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
              <rect :width="(100 * row.half_width) / most" height="10" />
            </svg>
          </td>
          <td class="num v">± {{ fixed(row.half_width, 2) }} {{ budget.unit }}</td>
          <td class="num v soft">{{ Math.round(row.share * 100) }} %</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td colspan="2">All at their worst, added: the limits</td>
          <td class="num v">± {{ fixed(budget.worst_case, 2) }} {{ budget.unit }}</td>
          <td />
        </tr>
        <tr>
          <td colspan="2">Combined, k = 2: what is likely</td>
          <td class="num v">± {{ fixed(budget.combined, 2) }} {{ budget.unit }}</td>
          <td class="num soft">share</td>
        </tr>
      </tfoot>
    </table>
  </section>
</template>

<style scoped>
.bar {
  width: 38%;
}
svg {
  width: 100%;
  height: 14px;
}
rect {
  fill: var(--copper);
}
.small {
  font-size: 13.5px;
}
tfoot td {
  font-weight: 600;
}
</style>

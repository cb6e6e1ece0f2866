<script setup lang="ts">
// What to order by when: from how fast it is used, what the coming sessions lack, and how long the supplier takes.
import { NTable } from 'naive-ui'
import Asked from '@/pieces/states/Asked.vue'
import { useOrders } from '@/queries/stores'
import { dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { orderList as texts } from '@texts/stores'

const orders = useOrders()
</script>

<template>
  <section :aria-label="texts.toOrder">
    <header class="flex gap-3.5 items-baseline justify-between mb-3">
      <h2>{{ texts.toOrder }}</h2>
      <a href="/api/stores/orders.csv" download>{{ texts.asATableCsv }}</a>
    </header>
    <Asked v-slot="{ data }" :query="orders" :what="texts.theOrders">
      <p v-if="!data.length" class="soft">{{ texts.nothingEverySmallest }}</p>
      <div v-else class="sheet wrap overflow-auto">
        <NTable :bordered="false" size="small">
          <thead>
            <tr>
              <th>{{ common.what }}</th>
              <th class="num">{{ common.howMany }}</th>
              <th>{{ texts.orderBy }}</th>
              <th>{{ common.from }}</th>
              <th>{{ common.why }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in data" :key="row.title">
              <td>
                <b>{{ row.title }}</b>
              </td>
              <td class="num v">{{ row.count }}</td>
              <td class="by whitespace-nowrap" :class="{ bad: !row.by }">
                {{ row.by ? dayOf(row.by) : texts.atOnce }}
              </td>
              <td>
                {{ row.supplier }} <span class="soft">{{ texts.days(row.lead_days) }}</span>
              </td>
              <td class="soft">{{ row.because }}</td>
            </tr>
          </tbody>
        </NTable>
      </div>
    </Asked>
  </section>
</template>

<style scoped>
section {
  margin-top: 26px;
}
.bad {
  color: var(--stop);
  font-weight: 620;
}
</style>

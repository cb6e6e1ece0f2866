<script setup lang="ts">
// What to order by when: from how fast it is used, what the coming sessions lack, and how long the supplier takes.
import type { Schemas } from '@/api/client'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import Asked from '@/pieces/states/Asked.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useOrders } from '@/queries/stores'
import { dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { orderList as texts } from '@texts/stores'

const orders = useOrders()
const columns: ListColumn<Schemas['OrderOut']>[] = [
  { key: 'title', title: common.what, by: (row) => row.title },
  { key: 'count', title: common.howMany, by: (row) => row.count, isNumber: true },
  // What is wanted at once comes before every day.
  { key: 'by', title: texts.orderBy, by: (row) => row.by ?? '0' },
  { key: 'supplier', title: common.from, by: (row) => row.supplier },
  { key: 'because', title: common.why, mayHide: true },
]
</script>

<template>
  <section :aria-label="texts.heading">
    <header class="flex gap-3.5 items-baseline justify-between mb-3">
      <h2>{{ texts.heading }}</h2>
      <a href="/api/stores/orders.csv" download>{{ texts.tableLink }}</a>
    </header>
    <Asked v-slot="{ data }" :query="orders" :what="texts.subject">
      <p v-if="!data.length" class="soft">{{ texts.nothingEverySmallest }}</p>
      <Sheet v-else pad="none">
        <ListTable
          name="orders"
          :rows="data"
          :columns="columns"
          :row-key="(row) => row.title"
          :caption="texts.heading"
        >
          <template #title="{ row }"
            ><b>{{ row.title }}</b></template
          >
          <template #by="{ row }"
            ><span class="whitespace-nowrap" :class="{ bad: !row.by }">{{
              row.by ? dayOf(row.by) : texts.immediately
            }}</span></template
          >
          <template #supplier="{ row }">
            {{ row.supplier }} <span class="soft">{{ texts.days(row.lead_days) }}</span>
          </template>
          <template #because="{ row }"
            ><span class="soft">{{ row.because }}</span></template
          >
        </ListTable>
      </Sheet>
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

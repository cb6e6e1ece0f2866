<script setup lang="ts">
// What to order by when: from how fast it is used, what the coming sessions lack, and how long the supplier takes.
import Asked from '@/pieces/Asked.vue'
import { useOrders } from '@/queries/stores'
import { dayOf } from '@/shared/words'

const orders = useOrders()
</script>

<template>
  <section aria-label="To order">
    <header>
      <h2>To order</h2>
      <a href="/api/stores/orders.csv" download>As a table (CSV)</a>
    </header>
    <Asked v-slot="{ data }" :query="orders" what="the orders">
      <p v-if="!data.length" class="soft">Nothing: every smallest stock lasts through the coming sessions.</p>
      <div v-else class="sheet wrap">
        <table class="plain">
          <thead>
            <tr>
              <th>What</th>
              <th class="num">How many</th>
              <th>Order by</th>
              <th>From</th>
              <th>Why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in data" :key="row.title">
              <td>
                <b>{{ row.title }}</b>
              </td>
              <td class="num v">{{ row.count }}</td>
              <td class="by" :class="{ bad: !row.by }">
                {{ row.by ? dayOf(row.by) : 'at once' }}
              </td>
              <td>
                {{ row.supplier }} <span class="soft">{{ row.lead_days }} days</span>
              </td>
              <td class="soft">{{ row.because }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </Asked>
  </section>
</template>

<style scoped>
section {
  margin-top: 26px;
}
header {
  display: flex;
  gap: 14px;
  align-items: baseline;
  justify-content: space-between;
  margin-bottom: 12px;
}
.wrap {
  overflow: auto;
}
.by {
  white-space: nowrap;
}
.bad {
  color: var(--stop);
  font-weight: 620;
}
</style>

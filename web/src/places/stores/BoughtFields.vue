<script setup lang="ts">
// Where something is bought, how long that takes, and what a piece costs.
const bought = defineModel<{ supplier: string; lead_days: number; price: string }>({ required: true })
</script>

<template>
  <label
    ><span class="field-label">Supplier</span><input v-model="bought.supplier" class="field" maxlength="80"
  /></label>
  <label
    ><span class="field-label">Lead time, days</span
    ><input v-model.number="bought.lead_days" class="field v" type="number" min="0" max="1000"
  /></label>
  <label
    ><span class="field-label">Price a piece</span
    ><input
      v-model="bought.price"
      class="field v"
      inputmode="decimal"
      pattern="\d+([.,]\d{1,2})?"
      title="an amount such as 1.20, without the currency"
  /></label>
</template>

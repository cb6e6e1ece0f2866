<script setup lang="ts">
// Where something is bought, how long that takes, and what a piece costs.
import { boughtFields as texts } from '@texts/stores-modules'
const bought = defineModel<{ supplier: string; lead_days: number; price: string }>({ required: true })
</script>

<template>
  <label
    ><span class="field-label">{{ texts.supplier }}</span
    ><input v-model="bought.supplier" class="field" maxlength="80"
  /></label>
  <label
    ><span class="field-label">{{ texts.leadTimeDays }}</span
    ><input v-model.number="bought.lead_days" class="field v" type="number" min="0" max="1000"
  /></label>
  <label
    ><span class="field-label">{{ texts.priceAPiece }}</span
    ><input
      v-model="bought.price"
      class="field v"
      inputmode="decimal"
      pattern="\d+([.,]\d{1,2})?"
      :title="texts.amountWithoutCurrency"
  /></label>
</template>

<script setup lang="ts">
// Where something is bought, how long that takes, and what a piece costs.
import FormField from '@/pieces/fields/FormField.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import { boughtFields as texts } from '@texts/stores-modules'
const bought = defineModel<{ supplier: string; lead_days: number; price: string }>({ required: true })
</script>

<template>
  <FormField :label="texts.supplier"><TextField v-model="bought.supplier" maxlength="80" /></FormField>
  <FormField :label="texts.leadTimeDays"
    ><NumberField v-model="bought.lead_days" :min="0" :max="1000"
  /></FormField>
  <FormField :label="texts.priceAPiece"
    ><TextField
      v-model="bought.price"
      inputmode="decimal"
      pattern="\d+([.,]\d{1,2})?"
      :title="texts.amountWithoutCurrency"
      figures
  /></FormField>
</template>

<script setup lang="ts">
// A resistor given in place of the recipe's: the window of its job, and what lies in the drawers inside it.
import { NButton, NFlex } from 'naive-ui'
import { computed, watch } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import { useAdvice } from '@/queries/stores'
import { said } from '@/shared/units'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { substitute as texts } from '@texts/hatch'

const props = defineProps<{ tag: string }>()
const part = defineModel<string>('part', { required: true })
const value = defineModel<string>('value', { required: true })
const reason = defineModel<string>('reason', { required: true })

const { data: resistors } = useAdvice(computed(() => props.tag))
const chosen = computed(
  () => resistors.value?.find((r) => r.ref.toLowerCase() === part.value.trim().toLowerCase()) ?? null,
)
watch(resistors, (rows) => {
  if (rows?.length && !chosen.value) part.value = rows[0]!.ref
})
function take(offer: Schemas['OfferOut']) {
  value.value = String(Number(offer.ohms.toPrecision(6)))
  if (reason.value.trim() || !chosen.value) return
  const joined = offer.how === 'single' ? '' : `; ${offer.said}`
  reason.value = texts.noLeft(said(chosen.value.nominal_ohms, 'Ω'), joined)
}
</script>

<template>
  <div class="grid grid-cols-[1fr_1fr] gap-3">
    <div>
      <label class="field-label" for="ref">{{ texts.whichResistor }}</label>
      <ChoiceField
        v-if="resistors?.length"
        id="ref"
        v-model="part"
        :options="resistors.map((row) => ({ value: row.ref, label: row.ref }))"
        figures
      />
      <TextField v-else id="ref" v-model="part" required figures />
    </div>
    <FormField id="value" :label="texts.valueGiven"
      ><TextField v-model="value" placeholder="390" autocomplete="off" required figures
    /></FormField>
  </div>
  <NFlex v-if="chosen" vertical size="small">
    <p>
      <Sentence :text="chosen.window ? texts.recipeWindow(chosen.title) : texts.recipeValue(chosen.title)">
        <template #ohms
          ><b class="v">{{ said(chosen.nominal_ohms, 'Ω') }}</b></template
        >
        <template #window
          ><span class="v">{{ chosen.window }}</span></template
        >
      </Sentence>
    </p>
    <p v-if="chosen.offers.length" class="offers grid grid-cols-[1fr_1fr] gap-1.5">
      <NButton v-for="offer in chosen.offers" :key="offer.said" class="whole" text @click="take(offer)">
        <b class="v text-ink text-lg">{{ offer.said }}</b>
        <span>{{ texts.drawerLeft(offer.drawers.join(', '), offer.count) }}</span>
      </NButton>
    </p>
    <p v-else class="soft">{{ texts.noneInWindow }}</p>
  </NFlex>
  <FormField id="why" :label="common.why"
    ><TextField v-model="reason" :placeholder="texts.reasonExample" required
  /></FormField>
</template>

<style scoped>
.offers .n-button {
  display: grid;
  text-align: left;
  color: var(--soft);
  background: var(--sunk);
  border-radius: 5px;
  padding: 8px 11px;
  min-height: 44px;
  font-size: 13px;
}
</style>

<script setup lang="ts">
// What explains the readings, the likeliest first: what speaks for it, what against, and what it would print.
import { NButton } from 'naive-ui'
import type { Schemas } from '@/api/client'
import Unfold from '@/pieces/controls/Unfold.vue'
import { explanations as texts } from '@texts/docket-readings'
import { likelihoods } from '@texts/words'

defineProps<{ explanations: Schemas['ExplanationOut'][]; docket: number }>()
/** The explanation that is drawn over the readings. */
const drawn = defineModel<string | null>('drawn', { required: true })
const FEW = 3
const idOf = (one: Schemas['ExplanationOut'], index: number) => `${index}:${one.title}`
</script>

<template>
  <section class="my-3 grid grid-cols-1 gap-2" :aria-label="texts.whatExplainsIt">
    <h3>{{ texts.whatExplainsIt }}</h3>
    <article
      v-for="(fault, index) in explanations"
      :key="idOf(fault, index)"
      class="border-b border-b-line py-2 px-1 grid grid-cols-1 gap-1"
      :class="{ first: index === 0 }"
    >
      <p class="head">
        <b>{{ fault.title }}</b>
        <span
          class="likely bg-act-bg text-act rounded py-px px-2 text-sm font-semibold ml-1.5 whitespace-nowrap"
          :class="{ less: fault.likelihood === 'unlikely' }"
          >{{
            fault.ties.length && fault.likelihood === 'fits best'
              ? texts.tiedBest(fault.ties.length + 1)
              : (likelihoods[fault.likelihood] ?? fault.likelihood)
          }}</span
        >
      </p>
      <p v-if="fault.evidence">{{ fault.evidence }}</p>
      <p v-if="fault.against" class="text-fix">{{ fault.against }}</p>
      <p v-if="fault.program_says">
        <b>{{ texts.foundByProgramCheck }}</b> {{ fault.program_says }}
        <RouterLink :to="`/dockets/${docket}/program`">{{
          fault.program_line ? texts.line(fault.program_line) : texts.programLink
        }}</RouterLink>
      </p>
      <p v-else-if="index === 0">
        <b>{{ texts.measureHeading }}</b> {{ fault.look_at }}
      </p>
      <template v-if="fault.ties.length">
        <p class="text-soft">{{ texts.sameLogAs }}</p>
        <ul class="m-0 pl-4.5">
          <li v-for="tie in fault.ties.slice(0, FEW)" :key="tie.title">{{ tie.title }}</li>
        </ul>
        <Unfold v-if="fault.ties.length > FEW" :title="texts.tiesAndMore(fault.ties.length - FEW)">
          <ul class="m-0 pl-4.5">
            <li v-for="tie in fault.ties.slice(FEW)" :key="tie.title">{{ tie.title }}</li>
          </ul>
        </Unfold>
      </template>
      <NButton
        v-if="fault.printed.length"
        type="primary"
        quaternary
        class="draw justify-self-start"
        :aria-pressed="drawn === idOf(fault, index)"
        @click="drawn = drawn === idOf(fault, index) ? null : idOf(fault, index)"
      >
        {{ drawn === idOf(fault, index) ? texts.removeFromPlot : texts.drawOnPlot }}
      </NButton>
    </article>
  </section>
</template>

<style scoped>
article.first {
  border: 1.5px solid var(--act);
  border-radius: 8px;
  background: var(--sheet);
  padding: 13px 16px;
}
.likely.less {
  background: var(--sunk);
  color: var(--soft);
}
</style>

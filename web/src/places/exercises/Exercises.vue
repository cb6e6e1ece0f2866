<script setup lang="ts">
// An exercise and what follows from it: steps, sheet as intended, limits, criteria, cautions.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watchEffect } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceBar from '@/pieces/ChoiceBar.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import BudgetBars from '@/pieces/plots/BudgetBars.vue'
import TransferPlot from '@/pieces/plots/TransferPlot.vue'
import SheetTable from '@/pieces/SheetTable.vue'

const {
  data: exercises,
  error,
  isPending,
} = useQuery({ queryKey: ['exercises'], queryFn: () => ask(client.GET('/api/exercises')) })
const chosen = ref<number | null>(null)
const variant = ref('')
const exercise = computed(
  () => exercises.value?.find((e) => e.id === chosen.value) ?? exercises.value?.at(-1) ?? null,
)
watchEffect(() => {
  if (exercise.value && !exercise.value.variants.some((v) => v.id === variant.value))
    variant.value = exercise.value.variants[0]!.id
})
const { data: sheet } = useQuery({
  queryKey: ['exercise-sheet', computed(() => exercise.value?.id), variant],
  queryFn: () =>
    ask(
      client.GET('/api/exercises/{version_id}/sheet', {
        params: { path: { version_id: exercise.value!.id }, query: { variant: variant.value } },
      }),
    ),
  enabled: computed(() => !!exercise.value && !!variant.value),
})
</script>

<template>
  <div class="page">
    <ErrorNote :error="error" />
    <EmptyNote
      v-if="!isPending && !exercise"
      title="No exercises yet"
      text="An exercise is a file; the demo course brings one."
    />
    <template v-if="exercise">
      <header>
        <h1>{{ exercise.title }}</h1>
        <span class="soft">
          version {{ exercise.version }}, {{ exercise.released ? 'released' : 'draft' }} ·
          {{ exercise.board }} · {{ exercise.minutes }} min · {{ exercise.total }} marks
        </span>
        <span class="gap" />
        <select v-if="(exercises?.length ?? 0) > 1" v-model="chosen" class="field pick" aria-label="Exercise">
          <option v-for="e in exercises" :key="e.id" :value="e.id">
            {{ e.title }}, version {{ e.version }}
          </option>
        </select>
      </header>
      <div class="columns">
        <section class="sheet main">
          <ChoiceBar
            v-model="variant"
            label="Variant"
            :choices="exercise.variants.map((v) => ({ value: v.id, word: v.title }))"
          />
          <template v-if="sheet">
            <TransferPlot :sheet="sheet" :thresholds="exercise.thresholds" />
            <SheetTable :sheet="sheet" />
            <p v-for="note in sheet.notes" :key="note" class="soft">{{ note }}</p>
          </template>
          <p v-else class="soft" aria-busy="true">Working out the sheet…</p>
        </section>
        <section class="side">
          <p>{{ exercise.summary }}</p>
          <p v-for="statement in exercise.behaviour" :key="statement">{{ statement }}</p>
          <BudgetBars v-if="sheet?.budget" :budget="sheet.budget" :step="sheet.steps.at(-1)?.name ?? ''" />
          <div>
            <h3>Criteria</h3>
            <p class="criteria">
              <span v-for="c in exercise.criteria" :key="c.name"
                >{{ c.title }} <b>{{ c.of }}</b></span
              >
            </p>
          </div>
          <div>
            <h3>Take care</h3>
            <ul>
              <li v-for="caution in exercise.cautions" :key="caution">{{ caution }}</li>
            </ul>
          </div>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.page {
  padding: 18px 20px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 12px;
}
.gap {
  flex: 1;
}
.pick {
  width: auto;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 22px;
}
.main {
  padding: 14px 18px;
  display: grid;
  gap: 12px;
  align-content: start;
}
.side {
  display: grid;
  gap: 14px;
  align-content: start;
}
.criteria {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>

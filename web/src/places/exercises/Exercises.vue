<script setup lang="ts">
// The exercises of the course, and what follows from one: its sheet, what drives it, its plan, what it is.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import Asked from '@/pieces/states/Asked.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import TabBar from '@/pieces/controls/TabBar.vue'
import BudgetBars from '@/pieces/plots/BudgetBars.vue'
import SheetStudy from '@/pieces/sheet/SheetStudy.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useExercises } from '@/queries/exercises'
import { useKeys } from '@/shared/keys'
import { useTab } from '@/shared/tabs'
import { common } from '@texts/common'
import { exercises as texts } from '@texts/exercises'
import AboutView from './AboutView.vue'
import BoardChoice from './BoardChoice.vue'
import ImportExercise from './ImportExercise.vue'
import PlanView from './PlanView.vue'
import ReleaseNote from './ReleaseNote.vue'
import { downloadFile, useSheet } from './use-exercise'

const route = useRoute()
const router = useRouter()
const exercises = useExercises()
const data = exercises.data
/** The last version of each exercise stands for it; older ones are a choice inside. */
const listed = computed(() => {
  const last = new Map((data.value ?? []).map((e) => [e.slug, e]))
  return [...last.values()].sort((a, b) => a.title.localeCompare(b.title))
})
const exercise = computed(() => {
  if (!route.params.version) return listed.value[0] ?? null
  return data.value?.find((e) => e.id === Number(route.params.version)) ?? null
})
const versions = computed(() => (data.value ?? []).filter((e) => e.slug === exercise.value?.slug))
const TABS = { sheet: texts.sheet, budget: texts.budget, plan: texts.plan, about: texts.about }
const { tab } = useTab(TABS)
const board = ref('')
const variant = ref('')
const step = ref('')
const reading = ref('')
watch(
  exercise,
  (now, before) => {
    if (!now || now.id === before?.id) return
    board.value = now.board
    variant.value = now.variants[0]!.id
    step.value = now.steps.at(-1)!.name
    reading.value = ''
  },
  { immediate: true },
)
const id = computed(() => exercise.value?.id ?? 0)
const { sheet, source, error: sheetError } = useSheet(id, board, variant)
const readings = computed(() => sheet.value?.steps.find((s) => s.name === step.value)?.readings ?? [])
const budgeted = computed(
  () => readings.value.find((r) => `${r.ref}.${r.quantity}` === reading.value) ?? readings.value[0] ?? null,
)
const importing = ref(false)
const go = (version: number) => router.replace({ path: `/exercises/${version}`, query: route.query })
function turn(by: number) {
  const at = listed.value.findIndex((e) => e.slug === exercise.value?.slug)
  const next = listed.value[(at + by + listed.value.length) % listed.value.length]
  if (next) void go(next.id)
}
useKeys({
  ArrowDown: { does: texts.nextExercise, act: () => turn(1) },
  ArrowUp: { does: texts.exerciseBefore, act: () => turn(-1) },
})
</script>

<template>
  <div class="page grid grid-cols-[210px_minmax(0,1fr)] gap-5 py-4.5 px-5 items-start">
    <nav :aria-label="common.exercises">
      <RouterLink
        v-for="e in listed"
        :key="e.slug"
        :to="{ path: `/exercises/${e.id}`, query: route.query }"
        :aria-current="e.slug === exercise?.slug ? 'page' : undefined"
      >
        {{ e.title }}
        <span v-if="!e.released" class="text-fix text-sm font-semibold">{{ texts.draft }}</span>
      </RouterLink>
      <NButton type="primary" ghost @click="importing = true">{{ texts.importAFile }}</NButton>
    </nav>
    <div class="min-w-0">
      <Asked v-if="!data" :query="exercises" :what="texts.subject" />
      <EmptyNote v-else-if="!listed.length" :title="texts.noExercisesYet" :text="texts.noneHint">
        <NButton type="primary" @click="importing = true">{{ texts.importAFile }}</NButton>
      </EmptyNote>
      <EmptyNote v-else-if="!exercise" :title="texts.unknown" :text="texts.unknownHint" />
      <template v-else>
        <header class="flex items-baseline gap-3.5 mb-2.5 flex-wrap">
          <h1>{{ exercise.title }}</h1>
          <span class="soft">
            {{ texts.summary(exercise.minutes, exercise.total, exercise.released) }}
          </span>
          <ChoiceField
            v-if="versions.length > 1"
            class="pick"
            :aria-label="texts.version"
            :model-value="exercise.id"
            :options="
              versions.map((v) => ({ value: v.id, label: texts.versionAndState(v.version, v.released) }))
            "
            @update:model-value="go(Number($event))"
          />
          <span v-else class="soft">{{ texts.versionNumber(exercise.version) }}</span>
          <NButton type="primary" quaternary @click="downloadFile(exercise.id)">{{
            texts.downloadTheFile
          }}</NButton>
        </header>
        <ReleaseNote v-if="!exercise.released" :key="exercise.id" :exercise="exercise" />
        <Sheet tag="section" pad="none">
          <TabBar v-model="tab" :tabs="TABS" :label="texts.whatIsShown">
            <AboutView v-if="tab === 'about'" :exercise="exercise" />
            <PlanView v-else-if="tab === 'plan'" :exercise="exercise" :sheet="sheet" />
            <template v-else>
              <ErrorNote v-if="sheetError" :error="sheetError" />
              <p v-else-if="!sheet" class="soft" aria-busy="true">{{ texts.sheetLoading }}</p>
              <EmptyNote v-else-if="sheet.reason" :title="texts.noSheet" :text="sheet.reason" />
              <template v-else-if="tab === 'budget'">
                <NFlex :size="[22, 8]" class="mb-2.5">
                  <BoardChoice v-model:board="board" v-model:variant="variant" :exercise="exercise" />
                  <ChoiceBar
                    v-model="step"
                    :label="common.step"
                    :choices="exercise.steps.map((s) => ({ value: s.name, word: s.name }))"
                  />
                  <ChoiceBar
                    v-if="readings.length > 1"
                    :model-value="budgeted ? `${budgeted.ref}.${budgeted.quantity}` : ''"
                    :label="texts.reading"
                    :choices="readings.map((r) => ({ value: `${r.ref}.${r.quantity}`, word: r.name }))"
                    @update:model-value="reading = $event"
                  />
                </NFlex>
                <BudgetBars
                  v-if="budgeted"
                  :budget="budgeted.budget"
                  :step="step"
                  :decimals="budgeted.decimals"
                  :sampled="budgeted.sampled"
                />
              </template>
              <SheetStudy v-else :sheet="sheet" :source="source">
                <BoardChoice v-model:board="board" v-model:variant="variant" :exercise="exercise" />
              </SheetStudy>
            </template>
          </TabBar>
        </Sheet>
      </template>
    </div>
    <ImportExercise v-model:show="importing" @done="go" />
  </div>
</template>

<style scoped>
nav {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
}
nav a {
  padding: 8px 12px;
  color: var(--ink);
  text-decoration: none;
  border-radius: 5px;
}
nav a:hover {
  background: var(--sunk);
}
nav a[aria-current] {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--copper);
  font-weight: 640;
}
nav .n-button {
  margin-top: 10px;
  justify-content: center;
}
header .n-button {
  margin-left: auto;
}
.pick {
  width: auto;
}
.inside {
  padding: 14px 18px;
}
@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  nav {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>

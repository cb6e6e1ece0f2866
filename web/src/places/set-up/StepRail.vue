<script setup lang="ts">
// The line of steps: copper up to where the course has come, the next act beside the step that is open.
import { computed, useTemplateRef } from 'vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import { keepCurrentInView } from '@/shared/keep-in-view'
import { stepRail as texts } from '@texts/set-up'
import { setUpParts } from '@texts/words'
import { type Course, type Part, useSetUp } from './use-set-up'

const props = defineProps<{ course: Course; part: Part }>()
const { courses, choose } = useSetUp()
const next = computed(() => props.course.steps.find((step) => !step.done)?.name)
const ready = computed(() => !next.value)
keepCurrentInView(useTemplateRef<HTMLElement>('steps'), () => props.part)
</script>

<template>
  <nav class="rail grid grid-cols-1 gap-1 sticky top-4.5" :aria-label="texts.settingUp">
    <ChoiceField
      v-if="(courses.data.value?.length ?? 0) > 1"
      :aria-label="texts.course"
      :model-value="course.id"
      :options="
        courses.data.value!.map((one) => ({
          value: one.id,
          label: `${one.title}${one.closed ? texts.closed : ''}`,
        }))
      "
      @update:model-value="choose($event)"
    />
    <h1 v-else class="text-xl wrap-anywhere">{{ course.title }}</h1>
    <p class="state text-soft mb-2.5" :class="{ ready }">
      {{ ready ? texts.ready : texts.notReady }}
    </p>
    <ol ref="steps" class="list-none m-0 p-0">
      <li
        v-for="step in course.steps"
        :key="step.name"
        class="relative"
        :class="{ done: step.done, next: step.name === next }"
      >
        <RouterLink
          :to="`/set-up/${step.name}`"
          :aria-current="step.name === part ? 'step' : undefined"
          :class="{ here: step.name === part }"
        >
          <svg class="flex-none mt-[1px]" viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
            <circle cx="10" cy="10" r="7" />
            <path v-if="step.done" d="M6.4 10.3l2.5 2.5 4.8-5.4" />
          </svg>
          <span class="text grid min-w-0">
            <b class="font-semibold"
              >{{ setUpParts[step.name]
              }}<span v-if="step.done" class="visually-hidden">{{ texts.done }}</span></b
            >
            <span class="said text-soft text-sm">{{ step.said }}</span>
            <span
              v-if="step.name === next && step.name !== part"
              class="act text-act font-semibold text-sm"
              >{{ step.next }}</span
            >
          </span>
        </RouterLink>
      </li>
    </ol>
    <p class="more grid gap-0.5 mt-3 pt-3 border-t border-t-line">
      <RouterLink to="/set-up/course" :class="{ here: part === 'course' }">{{
        setUpParts.course
      }}</RouterLink>
      <RouterLink to="/set-up/records" :class="{ here: part === 'records' }">
        {{ setUpParts.records }}
        <span v-if="course.backup_is_old" class="block text-fix text-sm">{{
          course.last_backup ? texts.copyIsOld : texts.neverCopied
        }}</span>
      </RouterLink>
    </p>
  </nav>
</template>

<style scoped>
.state.ready {
  color: var(--good);
  font-weight: 620;
}
li:not(:last-child)::before {
  content: '';
  position: absolute;
  left: 19px;
  top: 30px;
  bottom: -12px;
  width: 2.5px;
  background: var(--line);
}
li.done:not(:last-child)::before {
  background: var(--copper);
}
ol a {
  position: relative;
  display: flex;
  gap: 11px;
  padding: 8px 10px;
  border-radius: 7px;
  color: var(--ink);
  text-decoration: none;
}
ol a.here {
  background: var(--sheet);
  box-shadow: inset 0 0 0 1px var(--line);
}
circle {
  fill: var(--ground);
  stroke: var(--pad);
  stroke-width: 2.2;
}
.here circle {
  fill: var(--sheet);
}
.next circle {
  stroke: var(--act);
  stroke-width: 3;
}
.done circle {
  fill: var(--copper);
  stroke: var(--copper);
}
path {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.more a {
  padding: 7px 10px;
  border-radius: 6px;
  text-decoration: none;
}
.more a.here {
  background: var(--sheet);
  box-shadow: inset 0 0 0 1px var(--line);
  color: var(--ink);
}
@media (max-width: 860px) {
  .rail {
    position: static;
  }
  ol {
    display: flex;
    overflow-x: auto;
  }
  ol a {
    padding-inline: 8px;
  }
  li::before {
    display: none;
  }
  .said,
  .act {
    white-space: nowrap;
  }
  .more {
    display: flex;
    flex-wrap: wrap;
    margin-top: 4px;
    padding-top: 4px;
  }
}
</style>

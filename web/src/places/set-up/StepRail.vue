<script setup lang="ts">
// The line of steps: copper up to where the course has come, the next act beside the step that is open.
import { computed } from 'vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import { stepRail as texts } from '@texts/set-up'
import { setUpParts } from '@texts/words'
import { type Course, type Part, useSetUp } from './use-set-up'

const props = defineProps<{ course: Course; part: Part }>()
const { courses, choose } = useSetUp()
const next = computed(() => props.course.steps.find((step) => !step.done)?.name)
const ready = computed(() => !next.value)
</script>

<template>
  <nav class="rail" :aria-label="texts.settingUp">
    <ChoiceField
      v-if="(courses.data.value?.length ?? 0) > 1"
      class="course"
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
    <h1 v-else>{{ course.title }}</h1>
    <p class="state" :class="{ ready }">
      {{ ready ? texts.readyForTheFirst : texts.beforeTheFirstLab }}
    </p>
    <ol>
      <li
        v-for="step in course.steps"
        :key="step.name"
        :class="{ done: step.done, next: step.name === next }"
      >
        <RouterLink
          :to="`/set-up/${step.name}`"
          :aria-current="step.name === part ? 'step' : undefined"
          :class="{ here: step.name === part }"
        >
          <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
            <circle cx="10" cy="10" r="7" />
            <path v-if="step.done" d="M6.4 10.3l2.5 2.5 4.8-5.4" />
          </svg>
          <span class="text">
            <b
              >{{ setUpParts[step.name]
              }}<span v-if="step.done" class="visually-hidden">{{ texts.done }}</span></b
            >
            <span class="said">{{ step.said }}</span>
            <span v-if="step.name === next && step.name !== part" class="act">{{ step.next }}</span>
          </span>
        </RouterLink>
      </li>
    </ol>
    <p class="more">
      <RouterLink to="/set-up/course" :class="{ here: part === 'course' }">{{
        setUpParts.course
      }}</RouterLink>
      <RouterLink to="/set-up/records" :class="{ here: part === 'records' }">
        {{ setUpParts.records }}
        <span v-if="course.backup_is_old" class="old">{{
          course.last_backup ? texts.theLastCopy : texts.noCopyOfTheData
        }}</span>
      </RouterLink>
    </p>
  </nav>
</template>

<style scoped>
.rail {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
  position: sticky;
  top: 18px;
}
h1 {
  font-size: 19px;
  overflow-wrap: anywhere;
}
.state {
  color: var(--soft);
  margin-bottom: 10px;
}
.state.ready {
  color: var(--good);
  font-weight: 620;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  position: relative;
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
svg {
  flex: none;
  margin-top: 1px;
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
.text {
  display: grid;
  min-width: 0;
}
b {
  font-weight: 620;
}
.said {
  color: var(--soft);
  font-size: 13.5px;
}
.act {
  color: var(--act);
  font-weight: 620;
  font-size: 14px;
}
.more {
  display: grid;
  gap: 2px;
  margin-top: 12px;
  padding-top: 12px;
  border-top: 1px solid var(--line);
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
.old {
  display: block;
  color: var(--fix);
  font-size: 13px;
}
@media (max-width: 860px) {
  .rail {
    position: static;
  }
  ol {
    display: flex;
    overflow-x: auto;
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

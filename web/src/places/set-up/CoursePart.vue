<script setup lang="ts">
// The course itself: its name and term, its sections and who staffs them.
import { computed, reactive, ref } from 'vue'
import { ask, client } from '@/api/client'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { coursePart as texts } from '@texts/set-up'
import FoundCourse from './FoundCourse.vue'
import PartHead from './PartHead.vue'
import SectionStaff from './SectionStaff.vue'
import { type Course, STALE, useSetUp } from './use-set-up'

const props = defineProps<{ course: Course }>()
const form = reactive({
  title: props.course.title,
  zone: props.course.zone,
  starts_on: props.course.starts_on ?? '',
  ends_on: props.course.ends_on ?? '',
  holidays: props.course.holidays.join(', '),
})
const { choose } = useSetUp()
const section = ref('')
const founding = ref(false)
const { busy, error, said, run } = useAct(STALE)
const path = computed(() => ({ course_id: props.course.id }))
const days = computed(() => form.holidays.split(/[\s,;]+/).filter(Boolean))
const wrongDay = computed(() =>
  days.value.find((day) => !/^\d{4}-\d{2}-\d{2}$/.test(day) || isNaN(Date.parse(day))),
)

function save() {
  const body = {
    ...form,
    starts_on: form.starts_on || null,
    ends_on: form.ends_on || null,
    holidays: days.value,
  }
  void run(() => ask(client.PUT('/api/set-up/courses/{course_id}', { params: { path: path.value }, body })))
}
async function addSection() {
  const body = { name: section.value }
  if (
    await run(() =>
      ask(client.POST('/api/set-up/courses/{course_id}/sections', { params: { path: path.value }, body })),
    )
  )
    section.value = ''
}
const copying = ref(false)
const copyTitle = ref('')
async function copy() {
  const body = { title: copyTitle.value }
  const call = () =>
    client.POST('/api/set-up/courses/{course_id}/copy', { params: { path: path.value }, body })
  const made = await run(() => ask(call()))
  if (!made) return
  copying.value = false
  choose(made.id)
}
function close(closed: boolean) {
  void run(() =>
    ask(
      client.POST('/api/set-up/courses/{course_id}/closed', {
        params: { path: path.value },
        body: { closed },
      }),
    ),
  )
}
</script>

<template>
  <PartHead :title="texts.courseSections" :text="texts.accessFollowsTheSection">
    <button class="btn line" @click="((copying = true), (copyTitle = texts.nextYear(course.title)))">
      {{ texts.copyForAnother }}
    </button>
    <button class="btn line" @click="founding = true">{{ texts.anotherCourse }}</button>
  </PartHead>
  <form class="fields" @submit.prevent="save">
    <label class="long"
      ><span class="field-label">{{ texts.title }}</span
      ><input v-model="form.title" class="field" maxlength="120" required
    /></label>
    <label
      ><span class="field-label">{{ texts.timeZone }}</span
      ><input v-model="form.zone" class="field" required
    /></label>
    <label
      ><span class="field-label">{{ texts.termBegins }}</span
      ><input v-model="form.starts_on" class="field" type="date"
    /></label>
    <label
      ><span class="field-label">{{ texts.termEnds }}</span
      ><input v-model="form.ends_on" class="field" type="date"
    /></label>
    <label class="long">
      <span class="field-label"
        >{{ texts.daysWithoutASession }} <span class="soft">{{ texts.as20261224Separated }}</span></span
      >
      <input v-model="form.holidays" class="field v" />
      <span v-if="wrongDay" class="wrong">{{ texts.isNoDayWrite(wrongDay) }}</span>
    </label>
    <p class="acts">
      <button class="btn" :disabled="busy || !!wrongDay">{{ common.save }}</button>
      <button v-if="!course.closed" type="button" class="btn quiet" :disabled="busy" @click="close(true)">
        {{ texts.closeTheCourse }}
      </button>
      <button v-else type="button" class="btn line" :disabled="busy" @click="close(false)">
        {{ texts.openItAgain }}
      </button>
      <span class="good" role="status">{{ said }}</span>
    </p>
  </form>
  <ErrorNote :error="error" />
  <h3>{{ texts.sectionsAndStaff }}</h3>
  <SectionStaff v-for="one in course.sections" :key="one.id" :section="one" />
  <form class="add" @submit.prevent="addSection">
    <input
      v-model="section"
      class="field"
      :placeholder="texts.anotherSection"
      :aria-label="texts.nameOfAnotherSection"
      maxlength="60"
    />
    <button class="btn line" :disabled="busy || !section.trim()">{{ texts.addTheSection }}</button>
  </form>
  <Dialog v-model:show="copying" :title="texts.copyForAnother" width="480px">
    <form class="copy" @submit.prevent="copy">
      <p class="soft">
        {{ texts.theCopyHasTheExercises }}
      </p>
      <label>
        <span class="field-label">{{ texts.whatTheCopyIsCalled }}</span>
        <input v-model="copyTitle" class="field" maxlength="120" required />
      </label>
      <ErrorNote :error="error" />
      <p>
        <button class="btn" :disabled="busy || !copyTitle.trim()">{{ texts.copyTheCourse }}</button>
      </p>
    </form>
  </Dialog>
  <Dialog v-model:show="founding" :title="texts.anotherCourse"
    ><FoundCourse @done="founding = false"
  /></Dialog>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1.6fr 1fr 1fr;
  gap: 14px;
  margin-bottom: 22px;
}
.long,
.acts {
  grid-column: 1 / -1;
}
.acts,
.add {
  display: flex;
  gap: 8px;
  align-items: center;
}
.add {
  max-width: 460px;
  margin-top: 14px;
}
.good {
  color: var(--good);
}
.wrong {
  color: var(--fix);
  font-size: 14px;
}
h3 {
  margin-bottom: 6px;
}
@media (max-width: 700px) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
.copy {
  display: grid;
  gap: 12px;
}
</style>

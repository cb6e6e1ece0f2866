<script setup lang="ts">
// The course itself: its name and term, its sections and who staffs them.
import { computed, reactive, ref } from 'vue'
import { ask, client } from '@/api/client'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
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
  <PartHead
    title="Course, sections and staff"
    text="Access follows the section: staff see their own sections only."
  >
    <button class="btn line" @click="((copying = true), (copyTitle = `${course.title}, next year`))">
      Copy for another year
    </button>
    <button class="btn line" @click="founding = true">Another course</button>
  </PartHead>
  <form class="fields" @submit.prevent="save">
    <label class="long"
      ><span class="field-label">Title</span
      ><input v-model="form.title" class="field" maxlength="120" required
    /></label>
    <label
      ><span class="field-label">Time zone</span><input v-model="form.zone" class="field" required
    /></label>
    <label
      ><span class="field-label">Term begins</span><input v-model="form.starts_on" class="field" type="date"
    /></label>
    <label
      ><span class="field-label">Term ends</span><input v-model="form.ends_on" class="field" type="date"
    /></label>
    <label class="long">
      <span class="field-label"
        >Days without a session <span class="soft">as 2026-12-24, separated by commas</span></span
      >
      <input v-model="form.holidays" class="field v" />
      <span v-if="wrongDay" class="wrong">“{{ wrongDay }}” is no day; write it as 2026-12-24.</span>
    </label>
    <p class="acts">
      <button class="btn" :disabled="busy || !!wrongDay">Save</button>
      <button v-if="!course.closed" type="button" class="btn quiet" :disabled="busy" @click="close(true)">
        Close the course
      </button>
      <button v-else type="button" class="btn line" :disabled="busy" @click="close(false)">
        Open it again
      </button>
      <span class="good" role="status">{{ said }}</span>
    </p>
  </form>
  <ErrorNote :error="error" />
  <h3>Sections and staff</h3>
  <SectionStaff v-for="one in course.sections" :key="one.id" :section="one" />
  <form class="add" @submit.prevent="addSection">
    <input
      v-model="section"
      class="field"
      placeholder="Another section, such as Thursday"
      aria-label="Name of another section"
      maxlength="60"
    />
    <button class="btn line" :disabled="busy || !section.trim()">Add the section</button>
  </form>
  <Dialog v-model:show="copying" title="Copy for another year" width="480px">
    <form class="copy" @submit.prevent="copy">
      <p class="soft">
        The copy has the exercises with all their versions, the rooms and the sections, and nobody in them.
        Kits stay with this course.
      </p>
      <label>
        <span class="field-label">What the copy is called</span>
        <input v-model="copyTitle" class="field" maxlength="120" required />
      </label>
      <ErrorNote :error="error" />
      <p><button class="btn" :disabled="busy || !copyTitle.trim()">Copy the course</button></p>
    </form>
  </Dialog>
  <Dialog v-model:show="founding" title="Another course"><FoundCourse @done="founding = false" /></Dialog>
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

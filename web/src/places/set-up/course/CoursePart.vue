<script setup lang="ts">
// The course itself: its name and term, its sections and who staffs them.
import { NButton, NFlex, NForm } from 'naive-ui'
import { computed, reactive, ref } from 'vue'
import { ask, client } from '@/api/client'
import DateField from '@/pieces/fields/DateField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import SuggestField from '@/pieces/fields/SuggestField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { lazy } from '@/pieces/lazy'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { coursePart as texts } from '@texts/set-up'
import PartHead from '../PartHead.vue'
import SectionStaff from '@/places/set-up/people/SectionStaff.vue'
import { type Course, STALE, useSetUp } from '../use-set-up'

const zones = Intl.supportedValuesOf('timeZone')
const FoundCourse = lazy(() => import('./FoundCourse.vue'))
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
  <PartHead :title="texts.courseSections" :text="texts.help">
    <NButton type="primary" ghost @click="((copying = true), (copyTitle = texts.nextYear(course.title)))">
      {{ texts.copyForAnother }}
    </NButton>
    <NButton type="primary" ghost @click="founding = true">{{ texts.anotherCourse }}</NButton>
  </PartHead>
  <NForm class="fields grid grid-cols-[1.6fr_1fr_1fr] gap-3.5 mb-5.5" @submit.prevent="save">
    <FormField class="col-span-full" :label="texts.title"
      ><TextField v-model="form.title" maxlength="120" required
    /></FormField>
    <FormField :label="texts.timeZone"
      ><SuggestField v-model="form.zone" :offers="zones" required
    /></FormField>
    <FormField :label="texts.termBegins"><DateField v-model="form.starts_on" /></FormField>
    <FormField :label="texts.termEnds"><DateField v-model="form.ends_on" /></FormField>
    <FormField class="col-span-full"
      ><template #label
        >{{ texts.holidaysLabel }} <span class="soft">{{ texts.as20261224Separated }}</span></template
      ><TextField v-model="form.holidays" figures />
      <span v-if="wrongDay" class="wrong text-fix text-sm">{{ texts.noDay(wrongDay) }}</span></FormField
    >
    <NFlex :wrap="false" align="center" size="small" class="acts col-span-full">
      <NButton type="primary" attr-type="submit" :disabled="busy || !!wrongDay">{{ common.save }}</NButton>
      <NButton v-if="!course.closed" type="primary" quaternary :disabled="busy" @click="close(true)">
        {{ texts.closeTheCourse }}
      </NButton>
      <NButton v-else type="primary" ghost :disabled="busy" @click="close(false)">
        {{ texts.openItAgain }}
      </NButton>
      <span class="text-good" role="status">{{ said }}</span>
    </NFlex>
  </NForm>
  <ErrorNote :error="error" />
  <h3 class="mb-1.5">{{ texts.sectionsAndStaff }}</h3>
  <SectionStaff v-for="one in course.sections" :key="one.id" :section="one" />
  <NForm class="add flex gap-2 items-center max-w-115 mt-3.5" @submit.prevent="addSection">
    <TextField
      v-model="section"
      :placeholder="texts.anotherSection"
      :aria-label="texts.newSectionLabel"
      maxlength="60"
    />
    <NButton type="primary" ghost attr-type="submit" :disabled="busy || !section.trim()">{{
      texts.addTheSection
    }}</NButton>
  </NForm>
  <Dialog v-model:show="copying" :title="texts.copyForAnother" width="480px">
    <NForm class="grid gap-3" @submit.prevent="copy">
      <p class="soft">
        {{ texts.copyHelp }}
      </p>
      <FormField :label="texts.copyTitleLabel"
        ><TextField v-model="copyTitle" maxlength="120" required
      /></FormField>
      <ErrorNote :error="error" />
      <p>
        <NButton type="primary" attr-type="submit" :disabled="busy || !copyTitle.trim()">{{
          texts.copyTheCourse
        }}</NButton>
      </p>
    </NForm>
  </Dialog>
  <Dialog v-model:show="founding" :title="texts.anotherCourse"
    ><FoundCourse @done="founding = false"
  /></Dialog>
</template>

<style scoped>
@media (max-width: 700px) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

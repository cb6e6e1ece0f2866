<script setup lang="ts">
// A new course: its title, its time zone, its sections.
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ApiError, ask, client } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { base64Of } from '@/shared/files'
import { foundCourse as texts } from '@texts/set-up-people'
import { STALE, useSetUp } from './use-set-up'

defineProps<{ first?: boolean }>()
const emit = defineEmits<{ done: [] }>()
const { choose } = useSetUp()
const router = useRouter()
const title = ref('')
const zone = ref(Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC')
const sections = ref('')
const withoutKits = ref(false)
const zones = Intl.supportedValuesOf('timeZone')
const { busy, error, run } = useAct(STALE)
const data = ref('')
const isThere = computed(() => error.value instanceof ApiError && error.value.status === 409)

async function bringIn(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  data.value = await base64Of(file)
  input.value = ''
  await put(false)
}
/** `again` although there is a course of that title: the server asks before it makes a second one. */
async function put(again: boolean) {
  const body = { data: data.value, without_kits: withoutKits.value, again }
  const made = await run(() => ask(client.POST('/api/set-up/import', { body })))
  if (!made) return
  choose(made.id)
  emit('done')
}
async function found() {
  const body = { title: title.value, zone: zone.value, sections: sections.value.split(/[\n,;]/) }
  const made = await run(() => ask(client.POST('/api/set-up/courses', { body })))
  if (!made) return
  choose(made.id)
  emit('done')
  void router.push('/set-up/people')
}
</script>

<template>
  <form class="found" :class="{ sheet: first }" @submit.prevent="found">
    <template v-if="first">
      <h1>{{ texts.setUpYourCourse }}</h1>
      <p class="soft">
        {{ texts.sixStepsLead }}
      </p>
    </template>
    <div>
      <label class="field-label" for="title">{{ texts.whatTheCourseIsCalled }}</label>
      <input
        id="title"
        v-model="title"
        class="field"
        maxlength="120"
        required
        :placeholder="texts.courseExample"
      />
    </div>
    <div>
      <label class="field-label" for="zone">{{ texts.timeZoneOfItsClock }}</label>
      <input id="zone" v-model="zone" class="field" list="zones" required autocomplete="off" />
      <datalist id="zones"><option v-for="one in zones" :key="one" :value="one" /></datalist>
    </div>
    <div>
      <label class="field-label" for="sections">{{ texts.sectionsIfThereAreSeveral }}</label>
      <input
        id="sections"
        v-model="sections"
        class="field"
        :placeholder="texts.sectionsExample"
        autocomplete="off"
      />
      <p class="soft">{{ texts.separatedByCommas }}</p>
    </div>
    <ErrorNote :error="error" />
    <p v-if="isThere">
      <button type="button" class="btn line" :disabled="busy" @click="put(true)">
        {{ texts.putItInOnceMore }}
      </button>
    </p>
    <p>
      <button class="btn" :disabled="busy || !title.trim()">{{ texts.setUpTheCourse }}</button>
    </p>
    <div class="zip">
      <p class="soft">{{ texts.orImportACourse }}</p>
      <p class="acts">
        <label class="file btn line">
          {{ texts.chooseItsZip }}
          <input type="file" accept=".zip" @change="bringIn" />
        </label>
        <label><input v-model="withoutKits" type="checkbox" /> {{ texts.withoutItsKits }}</label>
      </p>
    </div>
  </form>
</template>

<style scoped>
.found {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
}
.found.sheet {
  max-width: 560px;
  margin: 4vh auto 0;
  padding: 28px 32px;
}
.zip {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding-top: 14px;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
.file {
  position: relative;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 2.5px solid var(--act);
  outline-offset: 2px;
}
</style>

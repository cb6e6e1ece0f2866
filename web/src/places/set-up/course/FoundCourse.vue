<script setup lang="ts">
// A new course: its title, its time zone, its sections.
import { NButton, NCheckbox, NFlex, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ApiError, ask, client } from '@/api/client'
import FileField from '@/pieces/fields/FileField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import SuggestField from '@/pieces/fields/SuggestField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { base64Of } from '@/shared/files'
import { foundCourse as texts } from '@texts/set-up-people'
import { STALE, useSetUp } from '../use-set-up'

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

async function bringIn(file: File) {
  data.value = await base64Of(file)
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
  <NForm class="found grid grid-cols-1 gap-4" @submit.prevent="found">
    <template v-if="first">
      <h1>{{ texts.firstHeading }}</h1>
      <p class="soft">
        {{ texts.sixStepsLead }}
      </p>
    </template>
    <FormField id="title" :label="texts.titleLabel"
      ><TextField v-model="title" maxlength="120" required :placeholder="texts.courseExample"
    /></FormField>
    <FormField id="zone" :label="texts.zoneLabel"
      ><SuggestField v-model="zone" :offers="zones" required
    /></FormField>
    <FormField id="sections" :label="texts.sectionsLabel"
      ><TextField v-model="sections" :placeholder="texts.sectionsExample" autocomplete="off" />
      <p class="soft">{{ texts.separatedByCommas }}</p></FormField
    >
    <ErrorNote :error="error" />
    <p v-if="isThere">
      <NButton type="primary" ghost :disabled="busy" @click="put(true)">
        {{ texts.importAgain }}
      </NButton>
    </p>
    <p>
      <NButton type="primary" attr-type="submit" :disabled="busy">{{ texts.create }}</NButton>
    </p>
    <div class="grid gap-2 border-t border-t-line pt-3.5">
      <p class="soft">{{ texts.importHelp }}</p>
      <NFlex :wrap="false" align="center" class="acts">
        <FileField accept=".zip" :aria-label="texts.chooseItsZip" @choose="bringIn"
          ><NButton type="primary" ghost>{{ texts.chooseItsZip }}</NButton></FileField
        >
        <NCheckbox v-model:checked="withoutKits">{{ texts.withoutItsKits }}</NCheckbox>
      </NFlex>
    </div>
  </NForm>
</template>

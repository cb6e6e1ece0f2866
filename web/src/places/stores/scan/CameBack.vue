<script setup lang="ts">
// A kit that has just come back, looked at: what to test, what to reset, cool or dry, and how each part of it is.
import { NButton, NFlex, NForm, NRadio, NRadioGroup } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { ApiError, ask, client } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useInspection } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { cameBack as texts } from '@texts/hatch'
import PictureButton from '@/places/stores/faults/PictureButton.vue'
import { sendPictures } from '@/places/stores/faults/pictures'

const tag = defineModel<string>('tag', { required: true })
const emit = defineEmits<{ said: [text: string]; closed: [] }>()
const show = computed({ get: () => !!tag.value, set: (on) => (tag.value = on ? tag.value : '') })
const query = useInspection(tag)
const STATES = [
  { value: 'there', word: texts.present },
  { value: 'missing', word: texts.missing },
  { value: 'used', word: texts.usedUp },
  { value: 'faulty', word: texts.faulty },
] as const
type State = (typeof STATES)[number]['value']
const states = reactive<Record<string, State>>({})
const faults = reactive<Record<string, string>>({})
const pictures = reactive<Record<string, File>>({})
const whole = ref('')
/** The tag stays in the heading while the dialog goes. */
const shown = ref('')
const { busy, error, run } = useAct(STORES_STALE)
watch(tag, (now) => {
  if (now) shown.value = now
  for (const held of [states, faults, pictures]) for (const ref of Object.keys(held)) delete held[ref]
  whole.value = ''
  error.value = null
})
const refsIn = (state: State) => Object.keys(states).filter((ref) => states[ref] === state)
const unsaid = computed(() => refsIn('faulty').filter((ref) => !faults[ref]?.trim()))
const pictureWords = (ref: string) =>
  pictures[ref] ? texts.pictureTakeAnother(pictures[ref].name) : texts.addAPicture
async function save() {
  if (unsaid.value.length) {
    error.value = new ApiError(texts.faultMissing(unsaid.value.join(', ')), 422)
    return
  }
  const said = Object.fromEntries(refsIn('faulty').map((ref) => [ref, faults[ref]!.trim()]))
  const body = {
    tag: tag.value,
    missing: refsIn('missing'),
    used_up: refsIn('used'),
    faults: whole.value.trim() ? { ...said, '': whole.value.trim() } : said,
  }
  const done = await run(async () => {
    const saved = await ask(client.POST('/api/hatch/came-back', { body }))
    const refused = await sendPictures(saved.faults, pictures)
    return { message: [saved.message, ...refused].join(' ') }
  })
  if (!done) return
  emit('said', done.message)
  show.value = false
}
</script>

<template>
  <Dialog v-model:show="show" :title="texts.returned(shown)" width="680px" @closed="emit('closed')">
    <Asked v-slot="{ data }" :query="query" :what="texts.subject">
      <section v-if="data.looks.length" :aria-label="texts.heading">
        <ul class="looks list-none mt-0 mb-1.5 mx-0 p-0 grid gap-1.5">
          <li
            v-for="look in data.looks"
            :key="look.ref + look.how"
            class="grid gap-0.5 py-2 px-3 bg-sunk rounded"
            :class="{ must: look.must }"
          >
            <b>{{ look.must ? texts.test(look.title) : look.title }}</b><span
              >{{ look.because }}. {{ look.how }}{{ look.well ? ` ${texts.well(look.well)}` : '' }}</span
            >
          </li>
        </ul>
      </section>
      <NForm @submit.prevent="save">
        <fieldset
          v-for="part in data.parts"
          :key="part.ref"
          class="border-0 border-t border-t-line m-0 pt-2 pb-0 px-0 flex flex-wrap gap-y-1 gap-x-4 items-center"
        >
          <legend>
            <b class="v">{{ part.ref }}</b> {{ part.title }} <span class="v soft">{{ part.module }}</span>
          </legend>
          <NRadioGroup
            :value="states[part.ref] ?? 'there'"
            :name="`state-${part.ref}`"
            @update:value="states[part.ref] = $event"
          >
            <NRadio v-for="state in STATES" :key="state.value" :value="state.value">{{ state.word }}</NRadio>
          </NRadioGroup>
          <TextField
            v-if="states[part.ref] === 'faulty'"
            v-model="faults[part.ref]"
            :aria-label="texts.faultOf(part.title)"
            :placeholder="texts.faultLabel"
            maxlength="200"
          />
          <PictureButton v-if="states[part.ref] === 'faulty'" @chosen="pictures[part.ref] = $event">{{
            pictureWords(part.ref)
          }}</PictureButton>
        </fieldset>
        <FormField :label="texts.wholeKit"
          ><TextField v-model="whole" :placeholder="texts.kitFaultExample" maxlength="200"
        /></FormField>
        <p v-if="whole.trim()">
          <PictureButton @chosen="pictures[''] = $event">{{ pictureWords('') }}</PictureButton>
        </p>
        <ErrorNote :error="error" />
        <NFlex :wrap="false" align="center" class="acts">
          <NButton type="primary" attr-type="submit" :disabled="busy">{{ texts.save }}</NButton>
        </NFlex>
      </NForm>
    </Asked>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
legend {
  float: left;
  flex: 1 1 260px;
  padding: 0;
}
fieldset .n-input {
  flex: 1 0 100%;
}
.looks .must {
  background: var(--stop-bg);
}
.looks .must b {
  color: var(--stop);
}
</style>

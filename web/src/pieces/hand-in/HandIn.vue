<script setup lang="ts">
// Writing a hand-in: text or table for wiring, a file or pasted text for program and log. The draft stays in
// the browser until it is handed in; while typing, the wiring is checked and nothing is stored.
import { NButton, NFlex } from 'naive-ui'
import { useDebounceFn, useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { ApiError, type Schemas } from '@/api/client'
import FileField from '@/pieces/fields/FileField.vue'
import { handIn as texts } from '@texts/hand-in'
import type { RecipePart } from './entry/words'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import type { Mark } from '@/pieces/code/finding-marks'
import { CodeView } from '@/pieces/lazy'
import Callout from '@/pieces/states/Callout.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { textOf } from '@/shared/files'
import { forgetDraft, newToken, useDraft } from '@/shared/drafts'
import LeadTable from './LeadTable.vue'
import LiveCheck from './LiveCheck.vue'
import { PARTS_OF_KIND } from './words'

type Check = Schemas['WiringCheckOut'] | Schemas['PairCheckOut']
const props = defineProps<{
  docket: number
  kind: 'wiring' | 'program' | 'readings'
  given: { number: number; text: string; cut: boolean } | null
  board: string
  language?: 'cpp' | 'python'
  recipe: RecipePart[]
  steps: string[]
  check?: (text: string) => Promise<Check>
  /** What was found in the attempt that is here, by line. */
  found?: Mark[]
  send: (text: string, token: string, basedOn: number) => Promise<void>
}>()

const emit = defineEmits<{ checked: [check: Check] }>()

/** Python has no line that ends in `;` and no block in braces; a text that has is C++, whatever the board. */
const language = computed(() =>
  /;\s*(\/\/.*)?$|^\s*#(include|define)/m.test(text.value) ? 'cpp' : (props.language ?? 'cpp'),
)
const words = computed(() => PARTS_OF_KIND[props.kind])
const { draft, lost: draftLost } = useDraft(props.docket, props.kind)
const mode = ref<'table' | 'text'>('table')
const error = ref<unknown>(null)
const busy = ref(false)
const checked = ref<Check | null>(null)
const checkLost = ref(false)

const START = `board B1 ${props.board}\nbase half\n`
// Of a very long log only the beginning is here: that is no text to go on from.
const before = props.given?.cut ? '' : props.given?.text
const text = ref(draft.value?.text ?? before ?? (props.kind === 'wiring' ? START : ''))
const marks = computed<Mark[]>(() =>
  props.kind === 'wiring'
    ? (checked.value?.problems ?? []).map((p) => ({
        line: Number(p.line),
        text: String(p.message),
        severity: 'stop',
      }))
    : // A line of the attempt before is not this line any more once something was changed.
      text.value === before
      ? (props.found ?? [])
      : [],
)
onMounted(() => void runCheck())
const changed = computed(() => text.value !== (before ?? '') && text.value !== START)
const outdated = computed(() => !!draft.value && draft.value.basedOn !== (props.given?.number ?? 0))

watch(text, (now) => {
  waiting.value = false
  if (!changed.value) {
    draft.value = null
  } else {
    draft.value = {
      text: now,
      token: draft.value?.text === now ? draft.value.token : newToken(),
      basedOn: draft.value?.basedOn ?? props.given?.number ?? 0,
    }
  }
  void runCheck()
})

let asked = 0
const runCheck = useDebounceFn(async () => {
  if (!props.check) return
  const mine = ++asked
  try {
    const answer = await props.check(text.value)
    if (mine !== asked) return
    ;[checked.value, checkLost.value] = [answer, false]
    emit('checked', answer)
  } catch (wrong) {
    if (mine !== asked) return
    if (!(wrong instanceof ApiError) || wrong.status === 0) checkLost.value = true
    else if (wrong.status === 503)
      void runCheck() // many are typing just now
    else if (wrong.status !== 409) error.value = wrong // a newer check of this editor takes its place
  }
}, 120)

// Without a connection a hand-in waits here, under the same mark, so that sending it twice stores it once.
const waiting = ref(false)
let again = 0
useEventListener('online', () => waiting.value && void handIn())
onBeforeUnmount(() => window.clearTimeout(again))

async function handIn() {
  if (busy.value || !text.value.trim()) return
  busy.value = true
  error.value = null
  window.clearTimeout(again)
  try {
    const token = draft.value?.token ?? newToken()
    await props.send(text.value, token, draft.value?.basedOn ?? props.given?.number ?? 0)
    draft.value = null
    forgetDraft(props.docket, props.kind) // what was sent may have taken this form off the page
    waiting.value = false
  } catch (wrong) {
    waiting.value = wrong instanceof ApiError && wrong.status === 0
    if (waiting.value) again = window.setTimeout(() => void handIn(), 5000)
    else error.value = wrong
  } finally {
    busy.value = false
  }
}
function rebase() {
  if (draft.value) draft.value = { ...draft.value, basedOn: props.given?.number ?? 0, token: newToken() }
  error.value = null
}

async function readFile(file: File) {
  error.value = null
  // Refused by name and size before a byte of it is read.
  const ending = file.name.toLowerCase().slice(file.name.lastIndexOf('.'))
  if (!words.value.endings.includes(ending)) {
    error.value = new ApiError(
      texts.wrongFileKind(file.name, words.value.noun, words.value.endings.join(', ')),
      422,
    )
  } else if (file.size > words.value.mostBytes) {
    error.value = new ApiError(texts.fileTooLarge(file.name, words.value.most), 413)
  } else {
    text.value = await textOf(file)
  }
}
</script>

<template>
  <NFlex vertical>
    <NFlex align="center" class="text-sm">
      <ChoiceBar
        v-if="kind === 'wiring'"
        v-model="mode"
        :label="texts.howToEnter"
        :choices="[
          { value: 'table', word: texts.tableOfLeads },
          { value: 'text', word: texts.text },
        ]"
      />
      <FileField :accept="words.endings.join(',')" :aria-label="texts.fromAFile" @choose="readFile"
        ><NButton type="primary" quaternary>{{ texts.fromAFile }}</NButton></FileField
      >
      <span v-if="draftLost" class="soft">{{ texts.draftNotKept }}</span>
      <span v-else-if="draft" class="soft">{{ texts.draftKept }}</span>
    </NFlex>
    <p v-if="kind === 'readings'" class="soft">
      {{ texts.logHelp }}
      <span v-for="step in steps" :key="step" class="v bg-sunk rounded py-px px-1.5 mr-1.5 whitespace-nowrap"
        ># {{ step }}</span
      >
    </p>
    <Callout v-if="outdated" tone="check" role="status">
      {{ texts.attemptWasHanded(given!.number) }}
      <NButton type="primary" quaternary @click="rebase">{{ texts.keepDraft }}</NButton>
      <NButton type="primary" quaternary @click="((text = given?.text ?? ''), (draft = null))">
        {{ texts.useNewer }}
      </NButton>
    </Callout>

    <LeadTable
      v-if="kind === 'wiring' && mode === 'table'"
      v-model="text"
      :board="board"
      :recipe="recipe"
      :marks="checked?.problems ?? []"
      @submit="handIn"
    />
    <CodeView
      v-else
      v-model="text"
      editable
      :language="kind === 'program' ? language : 'plain'"
      :label="words.label"
      :marks="marks"
      @submit="handIn"
    />

    <LiveCheck v-if="kind === 'wiring' && checked" :check="checked" :lost="checkLost" />
    <ErrorNote :error="error" />
    <Callout v-if="waiting" tone="check" role="status">
      {{ texts.waitingForConnection }}
      <NButton type="primary" quaternary @click="waiting = false">{{ texts.doNotSend }}</NButton>
    </Callout>
    <NFlex size="small" class="acts">
      <NButton type="primary" :disabled="busy || !text.trim()" @click="handIn">
        {{ given ? texts.handInAttempt(given.number + 1) : texts.handIn }} <kbd>{{ texts.ctrlEnter }}</kbd>
      </NButton>
      <NButton v-if="changed && given" type="primary" quaternary @click="text = given?.text ?? ''">
        {{ texts.backToAttempt(given.number) }}
      </NButton>
    </NFlex>
  </NFlex>
</template>

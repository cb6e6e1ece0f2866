<script setup lang="ts">
// One criterion: proposed mark, evidence, and the instructor's own mark with its reason.
import { NButton, NFlex, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { criterionRow as texts } from '@texts/docket'
import { useDocket } from '../use-docket'

const props = defineProps<{ row: Schemas['MarkRowOut']; editable: boolean }>()
const { give, busy } = useDocket()
const editing = ref(false)
const marks = ref('')
const reason = ref('')
const changed = computed(() => props.row.given !== null)

function begin() {
  marks.value = props.row.counts ?? ''
  reason.value = props.row.reason
  editing.value = true
}
async function keep() {
  if (await give(props.row.name, marks.value, reason.value)) editing.value = false
}
async function takeBack() {
  if (await give(props.row.name, null, '')) editing.value = false
}
</script>

<template>
  <article class="border-b border-b-line py-2">
    <NFlex :wrap="false" align="baseline" class="head">
      <h2 class="text-base flex-1">{{ row.title }}</h2>
      <span class="mark" :class="{ changed }"
        ><Sentence :text="texts.countsOf(row.of)"
          ><template #counts
            ><b class="text-xl">{{ row.counts ?? '–' }}</b></template
          >
        </Sentence></span
      >
      <NButton
        v-if="editable && !editing"
        type="primary"
        quaternary
        :aria-label="texts.change(row.title)"
        @click="begin"
      >
        {{ common.change }}
      </NButton>
    </NFlex>
    <p v-for="sentence in row.evidence" :key="sentence" class="soft">{{ sentence }}</p>
    <p v-if="changed" class="given text-act">
      {{ texts.wasProposed(row.proposed, row.by, row.reason) }}
    </p>
    <NForm v-if="editing" class="edit flex gap-2 items-center flex-wrap mt-2" @submit.prevent="keep">
      <TextField v-model="marks" :aria-label="texts.marksFor(row.title)" inputmode="decimal" figures />
      <span>{{ texts.outOf(row.of) }}</span>
      <TextField
        v-model="reason"
        class="why"
        :aria-label="texts.reason"
        :placeholder="texts.reasonHint"
        required
      />
      <NButton type="primary" attr-type="submit" :disabled="busy || !reason.trim()">{{
        common.save
      }}</NButton>
      <NButton v-if="changed" type="primary" quaternary @click="takeBack">{{ texts.asProposed }}</NButton>
      <NButton type="primary" quaternary @click="editing = false">{{ common.notNow }}</NButton>
    </NForm>
  </article>
</template>

<style scoped>
.mark.changed b {
  color: var(--act);
}
.edit .figures {
  width: 74px;
}
.why {
  flex: 1;
  min-width: 220px;
}
</style>

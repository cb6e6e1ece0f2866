<script setup lang="ts">
// One criterion: proposed mark, evidence, and the instructor's own mark with its reason.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { criterionRow as texts } from '@texts/docket'
import { useDocket } from './use-docket'

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
  <article>
    <div class="head">
      <h2>{{ row.title }}</h2>
      <span class="mark" :class="{ changed }"
        ><Sentence :text="texts.countsOf(row.of)"
          ><template #counts
            ><b>{{ row.counts ?? '–' }}</b></template
          >
        </Sentence></span
      >
      <button
        v-if="editable && !editing"
        class="btn quiet"
        :aria-label="texts.change(row.title)"
        @click="begin"
      >
        {{ common.change }}
      </button>
    </div>
    <p v-for="sentence in row.evidence" :key="sentence" class="soft">{{ sentence }}</p>
    <p v-if="changed" class="given">
      {{ texts.wasProposed(row.proposed, row.by, row.reason) }}
    </p>
    <form v-if="editing" class="edit" @submit.prevent="keep">
      <label>
        <span class="visually-hidden">{{ texts.marksFor(row.title) }}</span>
        <input v-model="marks" class="field v" inputmode="decimal" />
      </label>
      <span>{{ texts.outOf(row.of) }}</span>
      <label class="why">
        <span class="visually-hidden">{{ texts.reason }}</span>
        <input v-model="reason" class="field" :placeholder="texts.theReasonItStays" required />
      </label>
      <button class="btn" :disabled="busy || !reason.trim()">{{ common.save }}</button>
      <button v-if="changed" type="button" class="btn quiet" @click="takeBack">{{ texts.asProposed }}</button>
      <button type="button" class="btn quiet" @click="editing = false">{{ common.notNow }}</button>
    </form>
  </article>
</template>

<style scoped>
article {
  border-bottom: 1px solid var(--line);
  padding: 9px 0;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
.head h2 {
  font-size: 15.5px;
  flex: 1;
}
.mark b {
  font-size: 19px;
}
.mark.changed b {
  color: var(--act);
}
.head .btn {
  min-height: 28px;
  padding: 2px 8px;
}
.given {
  color: var(--act);
}
.edit {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 8px;
}
.edit input.v {
  width: 74px;
}
.why {
  flex: 1;
  min-width: 220px;
}
</style>

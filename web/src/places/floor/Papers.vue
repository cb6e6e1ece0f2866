<script setup lang="ts">
// Papers for the whole class, one page a pair: answer keys for staff, or pages to predict on.
import { ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceBar from '@/pieces/ChoiceBar.vue'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { count } from '@/shared/language'
import { useWork } from '@/pieces/work/use-work'
import WorkNote from '@/pieces/work/WorkNote.vue'

const props = defineProps<{ session: number; pairs: number }>()
const show = defineModel<boolean>('show', { required: true })
const kind = ref<'answers' | 'predictions'>('answers')
const { work, refused, begin, cancel, isGoing, forget } = useWork()
watch(kind, () => {
  if (!isGoing.value) forget()
})
const print = () =>
  begin(() =>
    ask(
      client.POST('/api/sessions/{session_id}/papers', {
        params: { path: { session_id: props.session } },
        body: { answers: kind.value === 'answers' },
      }),
    ),
  )
</script>

<template>
  <Dialog v-model:show="show" title="Papers for the class">
    <div class="stack">
      <ChoiceBar
        v-model="kind"
        label="Which papers"
        :choices="[
          { value: 'answers', word: 'Answer keys' },
          { value: 'predictions', word: 'Pages to predict on' },
        ]"
      />
      <p class="soft">
        {{
          kind === 'answers'
            ? 'One page a pair: what its own bench should read, with limits. For staff.'
            : 'One page a pair without any answer: the steps, and room for a prediction.'
        }}
      </p>
      <ErrorNote v-if="refused" :error="refused" />
      <WorkNote
        v-if="isGoing || work"
        :work="work"
        :is-going="isGoing"
        doing="Laying out the pages"
        @cancel="cancel"
      />
      <p v-if="!pairs">
        No kit is out yet, and each page follows its pair's own kit and wiring. They can be printed as soon as
        kits are handed out; until then the sheet of the exercise is under Exercises.
      </p>
      <button v-else-if="!isGoing && work?.state !== 'done'" class="btn" @click="print">
        Make {{ count(pairs, 'page') }}
      </button>
    </div>
  </Dialog>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 14px;
  justify-items: start;
}
.stack > :deep(.note) {
  width: 100%;
}
</style>

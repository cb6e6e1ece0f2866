<script setup lang="ts">
// Papers for the whole class, one page a pair: answer keys for staff, or pages to predict on.
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useWork } from '@/pieces/work/use-work'
import WorkNote from '@/pieces/work/WorkNote.vue'
import { papers as texts } from '@texts/floor'

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
  <Dialog v-model:show="show" :title="texts.heading">
    <div class="stack grid gap-3.5 justify-items-start">
      <ChoiceBar
        v-model="kind"
        :label="texts.whichPapers"
        :choices="[
          { value: 'answers', word: texts.answerKeys },
          { value: 'predictions', word: texts.pagesToPredict },
        ]"
      />
      <p class="soft">
        {{ kind === 'answers' ? texts.sheetsHint : texts.predictionHint }}
      </p>
      <ErrorNote v-if="refused" :error="refused" />
      <WorkNote
        v-if="isGoing || work"
        :work="work"
        :is-going="isGoing"
        :doing="texts.running"
        @cancel="cancel"
      />
      <p v-if="!pairs">
        {{ texts.noKits }}
      </p>
      <NButton v-else-if="!isGoing && work?.state !== 'done'" type="primary" @click="print">
        {{ texts.make(pairs) }}
      </NButton>
    </div>
  </Dialog>
</template>

<style scoped>
.stack > :deep(.note) {
  width: 100%;
}
</style>

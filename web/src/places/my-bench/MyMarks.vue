<script setup lang="ts">
import { computed } from 'vue'
import Asked from '@/pieces/states/Asked.vue'
import { useMyMarks } from '@/queries/marks'
import Sentence from '@/pieces/Sentence.vue'
import { myMarks as texts } from '@texts/my-bench'
import type { MyDocket } from './use-my-docket'

const props = defineProps<{ docket: MyDocket }>()
const closed = computed(() => props.docket.stations.find((s) => s.station === 'mark')?.state === 'passed')
const marks = useMyMarks(
  computed(() => props.docket.id),
  closed,
)
</script>

<template>
  <p v-if="!closed" class="soft">{{ texts.noneHint }}</p>
  <Asked v-else v-slot="{ data }" :query="marks" :what="texts.yourMark">
    <p class="total">
      <Sentence :text="texts.mineOf(data.of)"
        ><template #mine
          ><b class="text-[34px]">{{ data.mine || texts.noMark }}</b></template
        >
      </Sentence>
    </p>
    <article v-for="line in data.lines" :key="line.title" class="border-t border-t-line py-2">
      <h3>{{ texts.criterionCounts(line.title, line.counts, line.of) }}</h3>
      <p v-for="sentence in line.evidence" :key="sentence">{{ sentence }}</p>
      <p v-if="line.reason" class="soft">{{ line.reason }}</p>
    </article>
  </Asked>
</template>

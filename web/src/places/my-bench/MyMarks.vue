<script setup lang="ts">
import { computed } from 'vue'
import Asked from '@/pieces/Asked.vue'
import { useMyMarks } from '@/queries/marks'
import type { MyDocket } from './use-my-docket'

const props = defineProps<{ docket: MyDocket }>()
const closed = computed(() => props.docket.stations.find((s) => s.station === 'mark')?.state === 'passed')
const marks = useMyMarks(
  computed(() => props.docket.id),
  closed,
)
</script>

<template>
  <p v-if="!closed" class="soft">Your mark and the reasons for it appear here when the marking is closed.</p>
  <Asked v-else v-slot="{ data }" :query="marks" what="your mark">
    <p class="total">
      <b>{{ data.mine || 'no mark' }}</b> of {{ data.of }}
    </p>
    <article v-for="line in data.lines" :key="line.title">
      <h3>{{ line.title }}: {{ line.counts }} of {{ line.of }}</h3>
      <p v-for="sentence in line.evidence" :key="sentence">{{ sentence }}</p>
      <p v-if="line.reason" class="soft">{{ line.reason }}</p>
    </article>
  </Asked>
</template>

<style scoped>
.total b {
  font-size: 34px;
}
article {
  border-top: 1px solid var(--line);
  padding: 9px 0;
}
</style>

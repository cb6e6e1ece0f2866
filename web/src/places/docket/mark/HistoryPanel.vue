<script setup lang="ts">
// The docket's event log, the newest entry first: who did what, when.
import { computed } from 'vue'
import Asked from '@/pieces/states/Asked.vue'
import { useHistory } from '@/queries/docket'
import { clockTime } from '@/shared/words'
import { historyPanel as texts } from '@texts/docket'
import { useDocket } from '../use-docket'

const { id, docket } = useDocket()
const history = useHistory(
  id,
  computed(() => docket.value?.revision),
)
</script>

<template>
  <Asked v-slot="{ data }" :query="history" :what="texts.theHistory">
    <ol class="log">
      <li v-for="(entry, index) in data" :key="index">
        <time class="v" :datetime="entry.at">{{ clockTime(entry.at) }}</time>
        <span
          ><b>{{ entry.by }}</b> {{ entry.what }}</span
        >
      </li>
    </ol>
  </Asked>
</template>

<style scoped>
.log {
  list-style: none;
  padding: 0;
  margin: 6px 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
}
li {
  display: grid;
  grid-template-columns: 52px 1fr;
  gap: 8px;
}
time {
  color: var(--soft);
}
</style>

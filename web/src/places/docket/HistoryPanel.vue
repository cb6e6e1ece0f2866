<script setup lang="ts">
// The docket's event log, the newest entry first: who did what, when.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { ask, client } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { clockTime } from '@/shared/words'
import { useDocket } from './use-docket'

const { id, docket } = useDocket()
const { data, error, isPending } = useQuery({
  queryKey: ['history', id, computed(() => docket.value?.revision)],
  queryFn: () =>
    ask(client.GET('/api/dockets/{docket_id}/history', { params: { path: { docket_id: id.value } } })),
})
</script>

<template>
  <ErrorNote v-if="error" :error="error" />
  <p v-else-if="isPending" class="soft" aria-busy="true">Reading the log…</p>
  <ol v-else class="log">
    <li v-for="(entry, index) in data" :key="index">
      <time class="v" :datetime="entry.at">{{ clockTime(entry.at) }}</time>
      <span
        ><b>{{ entry.by }}</b> {{ entry.what }}</span
      >
    </li>
  </ol>
</template>

<style scoped>
.log {
  list-style: none;
  padding: 0;
  margin: 6px 0;
  display: grid;
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

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
  <Asked v-slot="{ data }" :query="history" :what="texts.subject">
    <ol class="log list-none p-0 my-1.5 mx-0 grid grid-cols-1 gap-1">
      <li v-for="(entry, index) in data" :key="index" class="grid grid-cols-[52px_1fr] gap-2">
        <time class="v text-soft" :datetime="entry.at">{{ clockTime(entry.at) }}</time>
        <span
          ><b>{{ entry.by }}</b> {{ entry.what }}</span
        >
      </li>
    </ol>
  </Asked>
</template>

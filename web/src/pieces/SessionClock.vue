<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { useSession } from '@/shared/me'
import { clockTime } from '@/shared/words'

const { session } = useSession()
const now = useNow({ interval: 10_000 })
const left = computed(() =>
  session.value ? Math.round((Date.parse(session.value.ends_at) - now.value.getTime()) / 60_000) : 0,
)
</script>

<template>
  <span v-if="session" class="clock">
    {{ clockTime(now, session.zone) }} · {{ left > 0 ? `${left} min left` : 'session over' }}
  </span>
</template>

<style scoped>
.clock {
  color: #e9c7a9;
  margin: 0 8px 0 14px;
  white-space: nowrap;
}
</style>

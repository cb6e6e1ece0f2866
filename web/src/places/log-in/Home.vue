<script setup lang="ts">
// Sends everyone to their own place.
import { watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useMe } from '@/shared/me'

const { data: me, error } = useMe()
const router = useRouter()
watchEffect(() => {
  if (!me.value) return
  if (me.value.kind === 'instructor' && !me.value.sections.length) {
    void router.replace({ name: 'set-up' })
    return
  }
  const place = { instructor: 'floor', assistant: 'hatch', pair: 'my-bench' }[me.value.kind] ?? 'log-in'
  void router.replace({ name: place })
})
</script>

<template>
  <div class="wait p-5"><ErrorNote :error="error" /></div>
</template>

<script setup lang="ts">
// The notices at the foot of the screen; the library's notifications are loaded with the first of them.
import { ref, watchEffect } from 'vue'
import { lazy } from '@/pieces/lazy'
import { notices } from '@/shared/notices'

const NoticeList = lazy(() => import('./NoticeList.vue'))
const begun = ref(false)
watchEffect(() => {
  if (notices.value.length) begun.value = true
})
</script>

<template>
  <NoticeList v-if="begun" />
</template>

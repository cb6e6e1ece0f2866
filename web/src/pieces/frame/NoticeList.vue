<script setup lang="ts">
import { NNotificationProvider } from 'naive-ui'
import NoticeFeed from './NoticeFeed.vue'

/** The acts of a docket are at the foot of its screen. */
const ABOVE_THE_BAR = '62px'
</script>

<template>
  <NNotificationProvider
    placement="bottom-left"
    container-class="no-print"
    :container-style="{ bottom: ABOVE_THE_BAR }"
    :max="4"
  >
    <NoticeFeed />
  </NNotificationProvider>
</template>

<script setup lang="ts">
import { NNotificationProvider } from 'naive-ui'
import NoticeFeed from './NoticeFeed.vue'
</script>

<template>
  <NNotificationProvider placement="bottom-left" container-class="notices no-print" :max="4">
    <NoticeFeed />
  </NNotificationProvider>
</template>

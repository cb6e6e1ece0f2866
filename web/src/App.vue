<script setup lang="ts">
import { dateEnGB, NConfigProvider, NMessageProvider } from 'naive-ui'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { naiveOverrides, naiveTheme } from './look/theme'
import TopBar from './pieces/TopBar.vue'

const route = useRoute()
const bare = computed(() => route.name === 'log-in' || route.name === 'feedback')
</script>

<template>
  <NConfigProvider :theme="naiveTheme" :theme-overrides="naiveOverrides" :date-locale="dateEnGB" class="app">
    <NMessageProvider>
      <a class="skip" href="#main">To the content</a>
      <TopBar v-if="!bare" />
      <main id="main" tabindex="-1"><RouterView /></main>
    </NMessageProvider>
  </NConfigProvider>
</template>

<style scoped>
.app {
  height: 100%;
  display: flex;
  flex-direction: column;
}
main {
  flex: 1;
  min-height: 0;
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 12px;
  top: 12px;
  z-index: 10;
  background: var(--sheet);
  padding: 8px;
}
@media print {
  .app,
  main {
    height: auto;
  }
}
</style>

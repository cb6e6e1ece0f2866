<script setup lang="ts">
import { NButton } from 'naive-ui'
import { notices, putAway } from '@/shared/notices'
import { notices as texts } from '@texts/pieces'

const reload = () => window.location.reload()
</script>

<template>
  <div class="notices no-print">
    <p v-for="notice in notices" :key="notice.id" class="sheet" role="alert">
      {{ notice.text }}
      <NButton v-if="notice.reload" type="primary" ghost @click="reload">{{ texts.loadAgain }}</NButton>
      <NButton type="primary" quaternary @click="putAway(notice.id)">{{ texts.close }}</NButton>
    </p>
  </div>
</template>

<style scoped>
.notices {
  position: fixed;
  left: 16px;
  bottom: 70px;
  z-index: 40;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  max-width: min(520px, 92vw);
}
p {
  display: flex;
  align-items: center;
  gap: 10px;
  flex-wrap: wrap;
  padding: 8px 14px;
  border-left: 4px solid var(--stop);
  box-shadow: 0 6px 20px rgb(20 22 30 / 22%);
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { notLoaded as texts } from '@texts/pieces'
const reload = () => window.location.reload()
</script>

<template>
  <div role="alert">
    <p>{{ texts.message }}</p>
    <NButton type="primary" ghost @click="reload">{{ texts.reload }}</NButton>
  </div>
</template>

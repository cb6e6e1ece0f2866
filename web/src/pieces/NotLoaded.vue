<script setup lang="ts">
import { notLoaded as texts } from '@texts/pieces'
const reload = () => window.location.reload()
</script>

<template>
  <div role="alert">
    <p>{{ texts.thisPart }}</p>
    <button class="btn line" @click="reload">{{ texts.loadThePageAgain }}</button>
  </div>
</template>

<script setup lang="ts">
import { loading as texts } from '@texts/pieces'
</script>

<template>
  <p class="soft" aria-busy="true" role="status">{{ texts.loading }}</p>
</template>

<script setup lang="ts">
import EmptyNote from '@/pieces/EmptyNote.vue'
import { nowhere as texts } from '@texts/log-in'
</script>

<template>
  <EmptyNote :title="texts.thereIsNoSuchPlace" :text="texts.theAddressMayBeMistyped">
    <RouterLink class="btn" to="/">{{ texts.toYourOwnPlace }}</RouterLink>
  </EmptyNote>
</template>

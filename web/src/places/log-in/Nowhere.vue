<script setup lang="ts">
import LinkButton from '@/pieces/controls/LinkButton.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import { nowhere as texts } from '@texts/log-in'
</script>

<template>
  <EmptyNote :title="texts.heading" :text="texts.hint">
    <LinkButton to="/">{{ texts.homeLink }}</LinkButton>
  </EmptyNote>
</template>

<script setup lang="ts">
import LinkButton from '@/pieces/LinkButton.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import { nowhere as texts } from '@texts/log-in'
</script>

<template>
  <EmptyNote :title="texts.thereIsNoSuchPlace" :text="texts.theAddressMayBeMistyped">
    <LinkButton to="/">{{ texts.toYourOwnPlace }}</LinkButton>
  </EmptyNote>
</template>

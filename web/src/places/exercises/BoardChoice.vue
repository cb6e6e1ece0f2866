<script setup lang="ts">
// The board and the way of feeding that a sheet is asked for; what leaves no choice is not shown.
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import { boardChoice as texts } from '@texts/exercises'
import type { Exercise } from './use-exercise'

defineProps<{ exercise: Exercise }>()
const board = defineModel<string>('board', { required: true })
const variant = defineModel<string>('variant', { required: true })
</script>

<template>
  <ChoiceBar
    v-if="exercise.boards.length > 1"
    v-model="board"
    :label="texts.board"
    :choices="exercise.boards.map((b) => ({ value: b.id, word: b.title }))"
  />
  <ChoiceBar
    v-if="exercise.variants.length > 1"
    v-model="variant"
    :label="texts.variant"
    :choices="exercise.variants.map((v) => ({ value: v.id, word: v.title }))"
  />
</template>

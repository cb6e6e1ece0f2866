<script setup lang="ts">
// The parts of the recipe, and which of them are in the wiring already.
import { recipeList as texts } from '@texts/my-bench'
import type { MyDocket } from './use-my-docket'

defineProps<{ recipe: MyDocket['exercise']['recipe']; placed: string[] }>()
</script>

<template>
  <ul class="recipe" :aria-label="texts.label">
    <li v-for="part in recipe" :key="part.ref" :class="{ placed: placed.includes(part.ref) }">
      <b class="v">{{ part.ref }}</b> {{ part.title || part.part }}
      <span class="visually-hidden">{{
        placed.includes(part.ref) ? texts.entered : texts.notEnteredYet
      }}</span>
      <svg v-if="placed.includes(part.ref)" viewBox="0 0 12 12" width="11" height="11" aria-hidden="true">
        <path d="M2 6.5l3 3 5-7" />
      </svg>
    </li>
  </ul>
</template>

<style scoped>
.recipe {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  font-size: 14px;
}
li {
  border: 1px dashed var(--pad);
  border-radius: var(--radius);
  padding: 3px 9px;
}
li.placed {
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--soft);
}
path {
  fill: none;
  stroke: var(--copper);
  stroke-width: 2;
}
</style>

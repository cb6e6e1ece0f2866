<script setup lang="ts">
import { NFlex } from 'naive-ui'
import Sentence from '@/pieces/Sentence.vue'
import { myKit as texts } from '@texts/my-bench'
import type { MyDocket } from './use-my-docket'

defineProps<{ docket: MyDocket }>()
</script>

<template>
  <section>
    <p>{{ docket.exercise.summary }}</p>
    <h3>{{ texts.heading }}</h3>
    <ul class="m-0 pl-4.5">
      <li v-for="part in docket.exercise.recipe" :key="String(part.ref)">
        <b class="v">{{ part.ref }}</b> {{ part.title }} <span class="v soft">{{ part.part }}</span>
        <template v-for="given in docket.substitutions.filter((s) => s.ref === part.ref)" :key="given.ohms">
          <Sentence :text="texts.given(given.reason)">
            <template #ohms
              ><b>{{ given.ohms }} Ω</b></template
            >
          </Sentence>
        </template>
      </li>
    </ul>
    <template v-if="docket.exercise.variants.length > 1">
      <h3>{{ texts.feedingHeading }}</h3>
      <ul class="m-0 pl-4.5">
        <li v-for="variant in docket.exercise.variants" :key="variant">{{ variant }}</li>
      </ul>
    </template>
    <h3>{{ texts.markedFor }}</h3>
    <NFlex :size="4" class="criteria">
      <span v-for="c in docket.exercise.criteria" :key="c.title" class="mr-4 whitespace-nowrap"
        >{{ c.title }} <b>{{ c.of }}</b></span
      >
    </NFlex>
  </section>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
</style>

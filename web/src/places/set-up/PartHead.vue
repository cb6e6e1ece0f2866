<script setup lang="ts">
// The head of a part: its title, one sentence on what it is for, and which section is looked at where there are several.
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import { partHead as texts } from '@texts/set-up'
import { useSetUp } from './use-set-up'

defineProps<{ title: string; text: string; sections?: boolean }>()
const { own, sectionId } = useSetUp()
</script>

<template>
  <header class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-2.5 gap-x-4 items-start mb-4">
    <div>
      <h2 class="text-xl">{{ title }}</h2>
      <p class="soft">{{ text }}</p>
    </div>
    <span class="acts flex flex-wrap gap-2"><slot /></span>
    <ChoiceBar
      v-if="sections && own.length > 1 && sectionId !== null"
      v-model="sectionId"
      class="col-span-full"
      :label="texts.section"
      :choices="own.map((s) => ({ value: s.id, word: s.name }))"
    />
  </header>
</template>

<style scoped>
@media (max-width: 700px) {
  header {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
// The head of a part: its title, one sentence on what it is for, and which section is looked at where there are several.
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import { partHead as texts } from '@texts/set-up'
import { useSetUp } from './use-set-up'

defineProps<{ title: string; text: string; sections?: boolean }>()
const { own, sectionId } = useSetUp()
</script>

<template>
  <header>
    <div>
      <h2>{{ title }}</h2>
      <p class="soft">{{ text }}</p>
    </div>
    <span class="acts"><slot /></span>
    <ChoiceBar
      v-if="sections && own.length > 1 && sectionId !== null"
      v-model="sectionId"
      class="sections"
      :label="texts.section"
      :choices="own.map((s) => ({ value: s.id, word: s.name }))"
    />
  </header>
</template>

<style scoped>
header {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px 16px;
  align-items: start;
  margin-bottom: 16px;
}
h2 {
  font-size: 19px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.sections {
  grid-column: 1 / -1;
}
@media (max-width: 700px) {
  header {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

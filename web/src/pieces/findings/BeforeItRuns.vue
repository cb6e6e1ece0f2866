<script setup lang="ts">
// The few things that go wrong at every bench before a program runs; what is known not to be right stands first and lit.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { beforeItRuns as texts } from '@texts/pieces'

const props = defineProps<{ checks: Schemas['CheckOut'][] }>()
const inOrder = computed(() => [...props.checks].sort((a, b) => Number(b.needs) - Number(a.needs)))
</script>

<template>
  <section v-if="checks.length" class="before">
    <h3>{{ texts.beforeItRuns }}</h3>
    <ul>
      <li v-for="check in inOrder" :key="check.text" :class="{ needs: check.needs }">
        <span v-if="check.needs" class="visually-hidden">{{ texts.toBeDone }}</span>
        {{ check.text }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.before {
  margin-top: 18px;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  font-size: 14.5px;
}
li {
  padding-left: 18px;
  position: relative;
}
li::before {
  content: '';
  position: absolute;
  left: 1px;
  top: 10px;
  width: 9px;
  height: 2px;
  background: var(--copper);
}
li.needs {
  color: var(--check);
  font-weight: 560;
}
li.needs::before {
  background: var(--check);
}
</style>

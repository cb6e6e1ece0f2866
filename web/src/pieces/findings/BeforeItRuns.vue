<script setup lang="ts">
// The few things that go wrong at every bench before a program runs; what is known not to be right stands first and lit.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { beforeItRuns as texts } from '@texts/pieces'

const props = defineProps<{ checks: Schemas['CheckOut'][] }>()
const inOrder = computed(() => [...props.checks].sort((a, b) => Number(b.needs) - Number(a.needs)))
</script>

<template>
  <section v-if="checks.length" class="mt-4.5">
    <h3>{{ texts.beforeItRuns }}</h3>
    <ul class="list-none mt-1.5 mb-0 mx-0 p-0 grid grid-cols-1 gap-1.5 text-base">
      <li v-for="check in inOrder" :key="check.text" class="pl-4.5 relative" :class="{ needs: check.needs }">
        <span v-if="check.needs" class="visually-hidden">{{ texts.openItem }}</span>
        {{ check.text }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
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

<script setup lang="ts">
// A refusal in plain words: the sentence, located problems, what changed meanwhile.
import { computed } from 'vue'
import { ApiError } from '@/api/client'

const props = defineProps<{ error: unknown }>()
const said = computed(() => (props.error instanceof ApiError ? props.error : null))
const problems = computed(() => (said.value && said.value.problems.length > 1 ? said.value.problems : []))
</script>

<template>
  <div v-if="error" class="error" role="alert">
    <p>{{ said?.message ?? 'Something went wrong here. Nothing was lost; try again.' }}</p>
    <ul v-if="problems.length">
      <li v-for="problem in problems" :key="`${problem.line}:${problem.column}`">
        <b>Line {{ problem.line }}</b
        >, column {{ problem.column }}: {{ problem.message }}.
      </li>
    </ul>
    <template v-if="said?.changes.length">
      <p>Meanwhile:</p>
      <ul>
        <li v-for="change in said.changes" :key="change">{{ change }}</li>
      </ul>
      <p>What you typed is kept. Look at the new state, then decide again.</p>
    </template>
    <slot />
  </div>
</template>

<style scoped>
.error {
  background: var(--stop-bg);
  color: var(--stop);
  border-radius: var(--radius);
  padding: 10px 14px;
}
ul {
  margin: 6px 0;
  padding-left: 20px;
}
</style>

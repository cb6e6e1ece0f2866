<script setup lang="ts">
// A refusal in plain words: the sentence, located problems, what changed meanwhile.
import { computed } from 'vue'
import { ApiError } from '@/api/client'
import Sentence from '@/pieces/Sentence.vue'
import Callout from './Callout.vue'
import { errorNote as texts } from '@texts/pieces'

const props = defineProps<{ error: unknown }>()
const said = computed(() => (props.error instanceof ApiError ? props.error : null))
const problems = computed(() => (said.value && said.value.problems.length > 1 ? said.value.problems : []))
</script>

<template>
  <Callout v-if="error" tone="stop" role="alert">
    <p>{{ said?.message ?? texts.somethingWentWrong }}</p>
    <ul v-if="problems.length" class="my-1.5 mx-0 pl-5">
      <li v-for="problem in problems" :key="`${problem.line}:${problem.column}`">
        <Sentence :text="texts.column(problem.column, problem.message)"
          ><template #line
            ><b>{{ texts.line(problem.line) }}</b></template
          >
        </Sentence>
      </li>
    </ul>
    <template v-if="said?.changes.length">
      <p>{{ texts.meanwhile }}</p>
      <ul class="my-1.5 mx-0 pl-5">
        <li v-for="change in said.changes" :key="change">{{ change }}</li>
      </ul>
      <p>{{ texts.inputKept }}</p>
    </template>
    <slot />
  </Callout>
</template>

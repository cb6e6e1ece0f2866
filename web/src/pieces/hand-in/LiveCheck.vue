<script setup lang="ts">
// What the check says while one types: lines that are no statement, then findings (or hints for a pair).
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SeverityTag from '@/pieces/findings/SeverityTag.vue'
import Sentence from '@/pieces/Sentence.vue'
import { liveCheck as texts } from '@texts/hand-in'

const props = defineProps<{ check: Schemas['WiringCheckOut'] | Schemas['PairCheckOut']; lost: boolean }>()
const toCome = computed(() => ('to_come' in props.check ? (props.check.to_come ?? []) : []))
const said = computed(() =>
  'findings' in props.check
    ? props.check.findings.map((f) => ({ severity: f.severity, text: f.seen, line: f.where.line, parts: '' }))
    : props.check.hints.map((h) => ({
        severity: h.severity,
        text: h.hint,
        line: h.line,
        parts: h.parts.join(', '),
      })),
)
</script>

<template>
  <section
    class="bg-sunk rounded py-2.5 px-3.5 grid grid-cols-1 gap-2"
    :class="{ lost }"
    aria-live="polite"
    :aria-label="texts.checkWhileTyping"
  >
    <p v-if="lost" class="soft">
      {{ texts.connectionLost }}
    </p>
    <p v-for="problem in check.problems" :key="`${problem.line}`" class="problem text-stop">
      <Sentence :text="texts.column(problem.column, problem.message)"
        ><template #line
          ><b>{{ texts.line(problem.line) }}</b></template
        >
      </Sentence>
    </p>
    <p v-for="(item, index) in said" :key="index">
      <SeverityTag :severity="item.severity" /> {{ item.text }}
      <span v-if="item.parts" class="v soft">{{ item.parts }}</span>
      <span v-else-if="item.line" class="soft">{{ texts.lineOf(item.line) }}</span>
    </p>
    <template v-if="toCome.length">
      <h3>{{ texts.stillToCome }}</h3>
      <ul class="m-0 pl-4.5">
        <li v-for="line in toCome" :key="line">{{ line }}</li>
      </ul>
    </template>
    <p v-else-if="!said.length && !check.problems.length" class="soft">
      {{ texts.nothingFound }}
    </p>
  </section>
</template>

<style scoped>
.lost {
  opacity: 0.6;
}
</style>

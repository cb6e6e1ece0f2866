<script setup lang="ts">
// Findings, most urgent first. The chosen one opens and lights its evidence elsewhere.
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Callout from '@/pieces/states/Callout.vue'
import { findingList as texts } from '@texts/pieces'
import SeverityTag from './SeverityTag.vue'

type Finding = Schemas['FindingOut']
const props = defineProps<{ findings: Finding[]; titles?: string; good?: string; shows?: boolean }>()
const emit = defineEmits<{ show: [finding: Finding] }>()
const chosen = defineModel<number>('chosen', { default: 0 })

const counts = computed(() =>
  (['stop', 'fix', 'check', 'unchecked', 'note'] as const)
    .map((severity) => ({ severity, count: props.findings.filter((f) => f.severity === severity).length }))
    .filter((entry) => entry.count > 0),
)
function evidence(finding: Finding): string {
  const places = finding.where.places ?? []
  const line = finding.where.line ? [texts.line(finding.where.line)] : []
  return [...(finding.where.parts ?? []), ...(places.length ? places.slice(0, 3) : line)].join(' · ')
}
</script>

<template>
  <section :aria-label="texts.findings">
    <header class="flex items-center gap-2 flex-wrap mb-2.5">
      <h2 class="mr-1.5">
        {{ findings.length ? texts.findingCount(findings.length) : texts.noFindings }}
      </h2>
      <SeverityTag v-for="entry in counts" :key="entry.severity" v-bind="entry" />
    </header>
    <Callout v-if="!findings.length" tone="good">
      {{ good ?? texts.nothingStandsOut }}
    </Callout>
    <ul class="list-none m-0 p-0">
      <li
        v-for="(finding, index) in findings"
        :key="index"
        class="border-b border-b-line"
        :class="[finding.severity, { open: index === chosen }]"
      >
        <NButton text class="whole head" :aria-expanded="index === chosen" @click="chosen = index">
          <SeverityTag class="justify-self-start" :severity="finding.severity" />
          <span class="seen">{{ finding.seen }}</span>
          <span class="v where text-soft">{{ evidence(finding) }}</span>
        </NButton>
        <div v-if="index === chosen" class="body grid grid-cols-1 gap-2 pt-0.5 pb-3.5 pr-4 pl-25">
          <p class="soft">{{ finding.why }}</p>
          <p>
            <b>{{ texts.remedy }}</b> {{ finding.remedy }}
          </p>
          <p v-if="finding.also?.length" class="soft">
            <b>{{ texts.followsFromIt }}</b> {{ finding.also.join('; ') }}
          </p>
          <p v-if="shows && (finding.moment_ms !== null || finding.where.line)" class="moment">
            <NButton type="primary" ghost @click="emit('show', finding)">
              {{
                finding.moment_ms !== null
                  ? texts.momentInRun((finding.moment_ms! / 1000).toFixed(1))
                  : texts.lineInRun(finding.where.line!)
              }}
            </NButton>
          </p>
          <p v-if="finding.hint" class="border-t border-t-line pt-2 text-soft">
            {{ shows ? texts.hintOnRequest : texts.hintShown }}: “{{ finding.hint }}”
          </p>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li.open {
  background: var(--sheet);
  border: 1.5px solid var(--pad);
  border-radius: 8px;
  margin-bottom: 8px;
}
li.open.stop {
  border-color: var(--stop);
}
li.open.fix {
  border-color: var(--fix);
}
.head {
  display: grid;
  grid-template-columns: 74px 1fr auto;
  gap: 10px;
  align-items: baseline;
  width: 100%;
  padding: 11px 8px;
}
li.open .head {
  padding: 14px 16px 6px;
  grid-template-columns: 74px 1fr;
}
li.open .where {
  grid-column: 2;
}
li.open .seen {
  font-weight: 640;
}
@media (max-width: 700px) {
  .body {
    padding-left: 16px;
  }
  .head,
  li.open .head {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
  li.open .where {
    grid-column: 1;
  }
}
</style>

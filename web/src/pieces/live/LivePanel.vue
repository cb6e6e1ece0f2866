<script setup lang="ts">
// Listening to the board: the helper on the computer with the port sends lines, steps are marked with one key, and what is off
// is said while the board still prints.
import { NButton, NFlex } from 'naive-ui'
import { computed, toRef } from 'vue'
import type { Schemas } from '@/api/client'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { LivePlot } from '@/pieces/lazy'
import { useLive } from '@/queries/live'
import { useKeys } from '@/shared/keys'
import { fixed, verdictWords } from '@/shared/words'
import { livePanel as texts } from '@texts/pieces'

const props = defineProps<{
  docket: number
  mine?: boolean
  steps: string[]
  baud: number
  unit: string
  decimals?: number
}>()
const emit = defineEmits<{ done: [text: string] }>()
const { lines, now, said, error, lost, run } = useLive(toRef(props, 'docket'), props.mine ?? false)
const LAST = 9
const tail = computed(() => lines.value.slice(-LAST))
const here = computed(
  () =>
    [...lines.value]
      .reverse()
      .find((line) => line.startsWith('# '))
      ?.slice(2) ?? '',
)
const stepOf = (name: string): Schemas['LiveStepOut'] | undefined =>
  said.value?.steps.find((step) => step.name === name)
const command = computed(
  () =>
    `verifex listen PORT --to ${location.origin} --code ${now.value.code}${props.baud === 9600 ? '' : ` --baud ${props.baud}`}`,
)
useKeys(
  Object.fromEntries(
    props.steps
      .slice(0, 9)
      .map((step, index) => [
        `${index + 1}`,
        { does: `mark “${step}”`, act: () => void (now.value.open && run('mark', step)) },
      ]),
  ),
)
async function finish() {
  if (await run('stop')) emit('done', lines.value.join('\n') + '\n')
}
</script>

<template>
  <section class="grid grid-cols-1 gap-2.5" :aria-label="texts.listen">
    <template v-if="!now.open">
      <p class="soft">
        {{ texts.help }}
      </p>
      <NFlex align="center" size="small" class="acts">
        <NButton type="primary" ghost @click="run('open')">{{ texts.listen }}</NButton>
        <NButton v-if="lines.length" type="primary" @click="emit('done', lines.join('\n') + '\n')">
          {{ texts.handIn(lines.length) }}
        </NButton>
      </NFlex>
    </template>
    <template v-else>
      <p v-if="!now.heard" class="how">
        {{ texts.commandHint }}
        <code class="v">{{ command }}</code>
      </p>
      <p v-else-if="now.quiet" class="check" role="status">
        {{ texts.nothingHasCome }}
      </p>
      <p v-if="lost" class="check" role="status">{{ texts.connectionLost }}</p>
      <ol class="steps list-none m-0 p-0 grid gap-1.5">
        <li
          v-for="(step, index) in steps"
          :key="step"
          class="flex flex-wrap gap-y-1 gap-x-3 items-center"
          :class="{ here: here === step }"
        >
          <NButton type="primary" ghost @click="run('mark', step)">
            {{ step }} <kbd v-if="index < 9">{{ index + 1 }}</kbd>
          </NButton>
          <span v-if="stepOf(step)?.readings">
            <span class="v">{{ fixed(stepOf(step)!.centre, decimals ?? 1) }} {{ unit }}</span>
            <span class="verdict ml-2 font-semibold" :class="verdictWords(stepOf(step)!.verdict).tone">{{
              verdictWords(stepOf(step)!.verdict).word
            }}</span>
          </span>
        </li>
      </ol>
      <p v-if="!here && lines.length" class="check">{{ texts.markTheStep }}</p>
      <p v-for="note in said?.notes ?? []" :key="note" class="off" role="status">{{ note }}</p>
      <LivePlot v-if="said?.steps.some((s) => s.values.length)" :steps="said.steps" :unit="unit" />
      <pre
        v-if="tail.length"
        class="v m-0 py-2.5 px-3 bg-sunk rounded text-sm whitespace-pre-wrap"
        :aria-label="texts.lastLines"
        >{{ tail.join('\n') }}</pre>
      <NFlex align="center" size="small" class="acts">
        <NButton type="primary" :disabled="!lines.length" @click="finish">
          {{ texts.stopAndHandIn }}
        </NButton>
        <NButton type="primary" quaternary @click="run('stop')">{{ texts.stop }}</NButton>
        <span class="soft">{{ texts.lines(lines.length) }}</span>
      </NFlex>
    </template>
    <ErrorNote :error="error" />
  </section>
</template>

<style scoped>
.verdict.good {
  color: var(--good);
}
.verdict.stop {
  color: var(--stop);
}
.how code {
  display: block;
  margin-top: 6px;
  padding: 10px 12px;
  background: var(--sunk);
  border-radius: var(--radius);
  overflow-wrap: anywhere;
  user-select: all;
}
.here .n-button {
  background: var(--act);
  color: var(--act-ink);
}
.check {
  background: var(--check-bg, var(--note-bg));
  color: var(--check, var(--note));
  border-radius: var(--radius);
  padding: 8px 12px;
}
.off {
  background: var(--stop-bg, var(--note-bg));
  color: var(--stop);
  border-radius: var(--radius);
  padding: 8px 12px;
}
</style>

<script setup lang="ts">
// What concerns the whole docket, whatever station is looked at: power off, judging under way, a decision to take back.
import { NButton, NFlex } from 'naive-ui'
import { computed } from 'vue'
import Callout from '@/pieces/states/Callout.vue'
import { clockTime } from '@/shared/words'
import { common } from '@texts/common'
import { docketBanners as texts } from '@texts/docket'
import { useDocket } from './use-docket'

import { decidedWords } from '@texts/words'

/** The rule that says that a check was not finished. */
const NOT_CHECKED_YET = 'not-checked-yet'
const { docket, undo, checkAgain, busy } = useDocket()
const notYet = computed(() =>
  [docket.value?.wiring, docket.value?.program, docket.value?.readings].some((station) =>
    station?.findings?.some((finding) => finding.rule === NOT_CHECKED_YET),
  ),
)
const decided = computed(() => docket.value?.undo ?? null)
</script>

<template>
  <div v-if="docket" class="banners grid grid-cols-1 gap-1.5 px-5">
    <p
      v-if="docket.voided"
      class="off rounded py-2 px-3.5 flex gap-2 items-center flex-wrap bg-stop text-ground text-lg"
      role="alert"
    >
      <b>{{ texts.powerOff }}</b> {{ texts.clearanceVoid(docket.voided.replace(/[.]$/, '')) }}
      <RouterLink :to="`/dockets/${docket.id}/power`">{{ texts.powerStationLink }}</RouterLink>
    </p>
    <NFlex
      v-if="docket.judging"
      align="center"
      size="small"
      class="judging rounded py-2 px-3.5 bg-act-bg text-act"
      role="status"
      aria-live="polite"
    >
      <span class="pulse" aria-hidden="true" />{{ texts.checkRunning }}
    </NFlex>
    <Callout
      v-if="docket.judging_failed"
      tone="check"
      plain
      class="failed flex gap-2 items-center flex-wrap"
      role="status"
    >
      <b>{{ texts.checkFailed }}</b> {{ texts.checkFailedReason }}
      <NButton type="primary" ghost :disabled="busy" @click="checkAgain()">{{ texts.checkAgain }}</NButton>
    </Callout>
    <Callout
      v-else-if="notYet && !docket.judging"
      tone="check"
      plain
      class="failed flex gap-2 items-center flex-wrap"
      role="status"
    >
      <b>{{ texts.notCheckedYet }}</b> {{ texts.notCheckedReason }}
      <NButton type="primary" ghost :disabled="busy" @click="checkAgain()">{{ texts.checkAgain }}</NButton>
    </Callout>
    <p v-if="decided" class="undo rounded py-2 px-3.5 flex gap-2 items-center flex-wrap">
      {{ texts.decidedBy(decided.by, decidedWords(decided), clockTime(decided.at)) }}
      <NButton type="primary" quaternary :disabled="busy" @click="undo()"
        >{{ common.undo }} <kbd>U</kbd></NButton
      >
    </p>
  </div>
</template>

<style scoped>
.banners:empty {
  display: none;
}
.off a {
  color: inherit;
  margin-left: auto;
}
.failed .n-button {
  margin-left: auto;
}
.undo {
  background: var(--sunk);
  padding-block: 2px;
}
.undo .n-button {
  margin-left: auto;
}
.pulse {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: var(--act);
  animation: pulse 1.1s ease-in-out infinite alternate;
}
@keyframes pulse {
  to {
    opacity: 0.25;
  }
}
@media (prefers-reduced-motion: reduce) {
  .pulse {
    animation: none;
  }
}
</style>

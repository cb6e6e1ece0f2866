<script setup lang="ts">
// What changed on the bench since the attempt before.
import type { Schemas } from '@/api/client'
import { changeList as texts } from '@texts/pieces'
import { changes as changeWords } from '@texts/words'

defineProps<{ changes: Schemas['ChangeOut'][]; since: number }>()
</script>

<template>
  <section class="changes" :aria-label="texts.changes">
    <h3>
      {{ texts.sinceAttempt(changes.length, since) }}
    </h3>
    <ul v-if="changes.length" class="list-none mt-1.5 mb-0 mx-0 p-0 grid grid-cols-1 gap-1">
      <li
        v-for="(change, index) in changes"
        :key="index"
        class="grid grid-cols-[70px_auto_1fr] gap-2.5 items-baseline text-sm"
      >
        <span class="kind text-copper font-semibold">{{ changeWords[change.kind] ?? change.kind }}</span>
        <b class="v">{{ change.what }}</b>
        <span class="v">
          <del v-if="change.before && change.kind !== 'removed'">{{ change.before }}</del>
          <template v-if="change.before && change.after"> → </template>
          <span v-if="change.after">{{ change.after }}</span>
          <del v-if="change.kind === 'removed'">{{ change.before }}</del>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
del {
  color: var(--soft);
  text-decoration-thickness: 1px;
}
</style>

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
    <ul v-if="changes.length">
      <li v-for="(change, index) in changes" :key="index">
        <span class="kind">{{ changeWords[change.kind] ?? change.kind }}</span>
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
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
}
li {
  display: grid;
  grid-template-columns: 70px auto 1fr;
  gap: 10px;
  align-items: baseline;
  font-size: 14px;
}
.kind {
  color: var(--copper);
  font-weight: 620;
}
del {
  color: var(--soft);
  text-decoration-thickness: 1px;
}
</style>

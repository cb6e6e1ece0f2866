<script setup lang="ts">
// What changed on the bench since the attempt before.
import type { Schemas } from '@/api/client'

defineProps<{ changes: Schemas['ChangeOut'][]; since: number }>()
const WORDS: Record<string, string> = { added: 'new', removed: 'gone', moved: 'moved', changed: 'changed' }
</script>

<template>
  <section class="changes" aria-label="Changes">
    <h3>
      {{ changes.length ? `${changes.length} changed` : 'Nothing changed on the bench' }} since attempt
      {{ since }}
    </h3>
    <ul v-if="changes.length">
      <li v-for="(change, index) in changes" :key="index">
        <span class="kind">{{ WORDS[change.kind] ?? change.kind }}</span>
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

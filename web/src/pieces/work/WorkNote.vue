<script setup lang="ts">
// How far long work is, with a way to stop it, and what came of it.
import { computed } from 'vue'
import { common } from '@texts/common'
import { workNote as texts } from '@texts/pieces'
import type { Work } from './use-work'

const props = defineProps<{ work: Work | null; isGoing: boolean; doing: string }>()
defineEmits<{ cancel: [] }>()
const share = computed(() => (props.work?.total ? props.work.done / props.work.total : 0))
</script>

<template>
  <div class="note" role="status">
    <template v-if="isGoing">
      <p>
        {{ doing }}
        <b v-if="work?.total" class="v">{{ texts.doneOfTotal(work.done, work.total) }}</b>
      </p>
      <progress :value="share" max="1" :aria-label="doing" />
      <button class="btn line" @click="$emit('cancel')">{{ common.cancel }}</button>
    </template>
    <template v-else-if="work?.state === 'done'">
      <p>
        <b>{{ texts.done }}</b>
      </p>
      <a class="btn" :href="`/api/work/${work.id}/file`" :download="work.file_name">{{
        texts.save(work.file_name)
      }}</a>
    </template>
    <p v-else-if="work" class="halt">{{ work.message }}</p>
  </div>
</template>

<style scoped>
.note {
  display: grid;
  gap: 10px;
  justify-items: start;
}
progress {
  width: 100%;
  height: 10px;
  appearance: none;
  border: 0;
  border-radius: 5px;
  background: var(--sunk);
}
progress::-webkit-progress-bar {
  background: var(--sunk);
  border-radius: 5px;
}
progress::-webkit-progress-value {
  background: var(--copper);
  border-radius: 5px;
}
progress::-moz-progress-bar {
  background: var(--copper);
}
.halt {
  color: var(--fix);
}
</style>

<script setup lang="ts">
// How far long work is, with a way to stop it, and what came of it.
import { NButton, NProgress } from 'naive-ui'
import { computed } from 'vue'
import { common } from '@texts/common'
import { workNote as texts } from '@texts/pieces'
import type { Work } from './use-work'

const props = defineProps<{ work: Work | null; isGoing: boolean; doing: string }>()
defineEmits<{ cancel: [] }>()
const share = computed(() => (props.work?.total ? props.work.done / props.work.total : 0))
</script>

<template>
  <div class="note grid gap-2.5 justify-items-start" role="status">
    <template v-if="isGoing">
      <p>
        {{ doing }}
        <b v-if="work?.total" class="v">{{ texts.doneOfTotal(work.done, work.total) }}</b>
      </p>
      <NProgress :percentage="100 * share" :show-indicator="false" :aria-label="doing" />
      <NButton type="primary" ghost @click="$emit('cancel')">{{ common.cancel }}</NButton>
    </template>
    <template v-else-if="work?.state === 'done'">
      <p>
        <b>{{ texts.done }}</b>
      </p>
      <NButton tag="a" type="primary" :href="`/api/work/${work.id}/file`" :download="work.file_name">{{
        texts.save(work.file_name)
      }}</NButton>
    </template>
    <p v-else-if="work" class="text-fix">{{ work.message }}</p>
  </div>
</template>

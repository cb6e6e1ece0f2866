<script setup lang="ts" generic="T">
// Whatever is asked of the server, in each of its states: loading, failed, shown, and shown although it may be old.
import { NButton } from 'naive-ui'
import { computed, type Ref } from 'vue'
import { clockTime } from '@/shared/words'
import { asked as texts } from '@texts/pieces'
import ErrorNote from './ErrorNote.vue'
import Shape from './Shape.vue'

const props = withDefaults(
  defineProps<{
    query: {
      data: Ref<T | undefined>
      error: Ref<unknown>
      isPending: Ref<boolean>
      failureCount: Ref<number>
      dataUpdatedAt: Ref<number>
      refetch: () => unknown
    }
    /** What is asked for, as it stands in a sentence: "the kits". */
    what: string
    /** What will be there, for the grey shape that holds its place. */
    shape?: 'lines' | 'table'
  }>(),
  { shape: 'lines' },
)
defineSlots<{ default(given: { data: T }): unknown; loading(): unknown; failed(): unknown }>()
const data = computed(() => props.query.data.value)
const error = computed(() => props.query.error.value)
const isPending = computed(() => props.query.isPending.value)
const since = computed(() => clockTime(props.query.dataUpdatedAt.value))
</script>

<template>
  <div v-if="error && data === undefined" class="grid gap-2.5 justify-items-start">
    <ErrorNote :error="error" />
    <NButton type="primary" ghost @click="query.refetch()">{{ texts.tryAgain }}</NButton>
    <slot name="failed" />
  </div>
  <div v-else-if="isPending" aria-busy="true" role="status">
    <slot name="loading">
      <Shape :of="shape" />
      <p class="visually-hidden">{{ texts.loading(what) }}</p>
    </slot>
    <p v-if="query.failureCount.value" class="soft">{{ texts.noAnswer }}</p>
  </div>
  <template v-else-if="data !== undefined">
    <ErrorNote v-if="error" :error="error">
      <p>
        {{ texts.shownFrom(since) }}
        <NButton type="primary" quaternary @click="query.refetch()">{{ texts.tryAgain }}</NButton>
      </p>
    </ErrorNote>
    <slot :data="data as T" />
  </template>
</template>

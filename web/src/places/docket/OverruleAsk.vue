<script setup lang="ts">
// Passing something with a Stop open: asked for once more, with the reason that is kept.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ReasonAsk from './ReasonAsk.vue'

const props = defineProps<{ stops: Schemas['FindingOut'][]; what: string }>()
const emit = defineEmits<{ done: [reason: string] }>()
const show = defineModel<boolean>('show', { default: false })
const text = computed(
  () =>
    `${props.stops[0]?.seen ?? ''} The pair is told that a Stop stands; the reason is kept with your name.`,
)
</script>

<template>
  <ReasonAsk
    v-model:show="show"
    :title="`A Stop is open. Pass the ${what} all the same?`"
    :text="text"
    label="Why it may pass"
    act="Overrule and pass"
    @done="emit('done', $event)"
  />
</template>

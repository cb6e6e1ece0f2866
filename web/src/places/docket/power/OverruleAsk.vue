<script setup lang="ts">
// Passing something with a Stop open: asked for once more, with the reason that is kept.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { overruleAsk as texts } from '@texts/docket'
import ReasonAsk from '../ReasonAsk.vue'

const props = defineProps<{ stops: Schemas['FindingOut'][]; what: string }>()
const emit = defineEmits<{ done: [reason: string] }>()
const show = defineModel<boolean>('show', { default: false })
const text = computed(() => texts.consequence(props.stops[0]?.seen ?? ''))
</script>

<template>
  <ReasonAsk
    v-model:show="show"
    :title="texts.heading(what)"
    :text="text"
    :label="texts.reasonLabel"
    :act="texts.overruleAndPass"
    @done="emit('done', $event)"
  />
</template>

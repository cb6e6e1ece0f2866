<script setup lang="ts">
// A remark on coloured ground. The library announces each of its alerts at once; most remarks are no alarm, so this one is
// a note unless it has a role of its own.
import { NAlert } from 'naive-ui'
import { computed, onMounted, useAttrs, useTemplateRef } from 'vue'

const { tone, plain } = defineProps<{
  tone: 'good' | 'check' | 'fix' | 'stop' | 'note'
  /** In the usual ink: of more than a sentence, or with something to press. */
  plain?: boolean
}>()
const colours = computed(() => ({
  color: `var(--${tone}-bg)`,
  contentTextColor: plain ? 'var(--ink)' : `var(--${tone})`,
}))
const alert = useTemplateRef<{ $el: HTMLElement }>('alert')
const attributes = useAttrs()
onMounted(() => alert.value?.$el.setAttribute('role', String(attributes.role ?? 'note')))
</script>

<template>
  <NAlert ref="alert" :show-icon="false" :bordered="false" :theme-overrides="colours"><slot /></NAlert>
</template>

<script setup lang="ts">
// Staff hand in for a pair; the same editor as the pair's own.
import { computed } from 'vue'
import { ask, client } from '@/api/client'
import { HandIn } from '@/pieces/lazy'
import { useDocket } from './use-docket'

const props = defineProps<{
  kind: 'wiring' | 'program' | 'readings'
  given: { number: number; text: string; cut: boolean } | null
}>()
const emit = defineEmits<{ done: [] }>()
const { docket, id, handIn } = useDocket()
const board = computed(() => docket.value?.exercise.board ?? 'mcu-5v')

async function check(text: string) {
  return ask(
    client.POST('/api/dockets/{docket_id}/check-wiring', {
      params: { path: { docket_id: id.value } },
      body: { text },
    }),
  )
}
async function send(text: string, token: string, basedOn: number) {
  await handIn(props.kind, text, token, basedOn)
  emit('done')
}
</script>

<template>
  <HandIn
    :docket="id"
    :kind="kind"
    :given="given"
    :board="board"
    :language="docket?.program?.dialect === 'python' ? 'python' : 'cpp'"
    :recipe="docket?.exercise.recipe ?? []"
    :steps="docket?.exercise.steps.map((s) => s.name) ?? []"
    :check="kind === 'wiring' ? check : undefined"
    :send="send"
  />
</template>

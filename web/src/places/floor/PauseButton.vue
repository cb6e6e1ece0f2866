<script setup lang="ts">
// A session is paused when everybody has to leave the benches (a fire alarm), and goes on with one press.
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { useMe } from '@/shared/me'

const props = defineProps<{ session: Schemas['SessionOut'] }>()
const { data: me } = useMe()
const asking = ref(false)
const { busy, error, run } = useAct(['floor', 'sessions', 'session-plan'])
const running = computed(() => {
  const now = Date.now()
  return Date.parse(props.session.starts_at) <= now && now < Date.parse(props.session.ends_at)
})

async function control(act: 'pause' | 'resume') {
  const path = { session_id: props.session.id }
  const call = () =>
    client.POST('/api/set-up/sessions/{session_id}/control', { params: { path }, body: { act } })
  if (await run(() => ask(call()))) asking.value = false
}
</script>

<template>
  <template v-if="session.paused">
    <strong class="paused" role="status">Paused: power stays off</strong>
    <button v-if="me?.kind === 'instructor'" class="btn" :disabled="busy" @click="control('resume')">
      Go on
    </button>
  </template>
  <button v-else-if="running && me?.kind === 'instructor'" class="btn quiet" @click="asking = true">
    Pause
  </button>
  <Dialog v-model:show="asking" title="Pause the session" width="460px">
    <p>
      For a fire alarm or whatever empties the room: benches off, everybody out. Until it goes on nobody is
      cleared for power; what was handed in is kept, and the end moves by as long as the pause was.
    </p>
    <ErrorNote :error="error" />
    <p><button class="btn" :disabled="busy" @click="control('pause')">Pause it now</button></p>
  </Dialog>
</template>

<style scoped>
.paused {
  color: var(--stop);
  background: var(--stop-bg);
  border-radius: 5px;
  padding: 5px 12px;
}
</style>

<script setup lang="ts">
// A session is paused when everybody has to leave the benches (a fire alarm), and goes on with one press.
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { useMe } from '@/shared/me'
import { pauseButton as texts } from '@texts/floor'

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
    <strong class="text-stop bg-stop-bg rounded py-1 px-3" role="status">{{ texts.pausedPowerStays }}</strong>
    <NButton v-if="me?.kind === 'instructor'" type="primary" :disabled="busy" @click="control('resume')">
      {{ texts.goOn }}
    </NButton>
  </template>
  <NButton v-else-if="running && me?.kind === 'instructor'" type="primary" quaternary @click="asking = true">
    {{ texts.pause }}
  </NButton>
  <Dialog v-model:show="asking" :title="texts.pauseTheSession" width="460px">
    <p>
      {{ texts.help }}
    </p>
    <ErrorNote :error="error" />
    <p>
      <NButton type="primary" :disabled="busy" @click="control('pause')">{{ texts.pauseItNow }}</NButton>
    </p>
  </Dialog>
</template>

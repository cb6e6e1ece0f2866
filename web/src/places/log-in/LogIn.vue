<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import FrontSheet from '@/pieces/frame/FrontSheet.vue'
import StationTrace from '@/pieces/stations/StationTrace.vue'
import { useAct } from '@/shared/act'
import { useNowIs } from '@/shared/me'
import { STATIONS } from '@/shared/words'
import { common } from '@texts/common'
import { logIn as texts } from '@texts/log-in'

const username = ref('')
const password = ref('')
const { busy, error, run } = useAct([])
const router = useRouter()
const route = useRoute()
const nowIs = useNowIs()
const trace = STATIONS.map((station, index) => ({
  station,
  state: index < 3 ? 'passed' : index === 3 ? 'working' : null,
}))

async function logIn() {
  const body = { username: username.value.trim(), password: password.value }
  const me = await run(() => ask(client.POST('/api/log-in', { body })))
  if (!me) return
  nowIs(me)
  const next = String(route.query.next ?? '')
  await router.push(next.startsWith('/') && !next.startsWith('//') ? next : { name: 'home' })
}
</script>

<template>
  <FrontSheet :width="380" @submit="logIn">
    <StationTrace :stations="trace" class="trace" />
    <h1 class="text-2xl">{{ common.verifex }}</h1>
    <p class="soft">{{ texts.fromTheKit }}</p>
    <FormField id="name" :label="common.logIn"
      ><TextField v-model="username" autocomplete="username" autofocus required
    /></FormField>
    <FormField id="word" :label="texts.password"
      ><TextField v-model="password" type="password" autocomplete="current-password" required
    /></FormField>
    <ErrorNote :error="error" />
    <NButton type="primary" attr-type="submit" :disabled="busy">{{ texts.logIn }}</NButton>
  </FrontSheet>
</template>

<style scoped>
.trace {
  width: 190px;
  margin-bottom: 4px;
}
</style>

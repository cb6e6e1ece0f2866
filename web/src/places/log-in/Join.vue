<script setup lang="ts">
// Taking part with one's own device: the code from the wall leads to the session, then to the log-in, then to My bench.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, client, type Schemas } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import FrontSheet from '@/pieces/frame/FrontSheet.vue'
import Trademark from '@/pieces/frame/Trademark.vue'
import { useAct } from '@/shared/act'
import { useMe } from '@/shared/me'
import { clockTime, dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { join as texts } from '@texts/log-in'

const route = useRoute()
const router = useRouter()
const { data: me } = useMe()
const code = ref(String(route.params.code ?? ''))
const found = ref<Schemas['JoinOut'] | null>(null)
const { error, run } = useAct([])
const isPair = computed(() => me.value?.kind === 'pair')

async function look() {
  const path = { code: code.value.trim() || '-' }
  found.value = await run(() => ask(client.GET('/api/join/{code}', { params: { path } })))
}
if (code.value) void look()
const go = () =>
  void router.push(isPair.value ? '/my-bench' : { name: 'log-in', query: { next: '/my-bench' } })
</script>

<template>
  <FrontSheet @submit="found ? go() : look()">
    <NFlex :wrap="false" align="center" size="small" class="font-bold"
      ><Trademark /> {{ common.verifex }}</NFlex
    >
    <template v-if="!found">
      <h1>{{ texts.joinTheSession }}</h1>
      <FormField :label="texts.codeLabel"
        ><TextField
          v-model="code"
          class="code"
          maxlength="8"
          autocapitalize="characters"
          autocomplete="off"
          spellcheck="false"
          autofocus
          required
          figures
      /></FormField>
      <ErrorNote :error="error" />
      <NButton type="primary" attr-type="submit">{{ texts.join }}</NButton>
    </template>
    <template v-else>
      <h1>{{ found.section }}</h1>
      <p>
        {{
          texts.roomAndTime(
            found.room,
            dayOf(found.starts_at, found.zone),
            clockTime(found.starts_at, found.zone),
            clockTime(found.ends_at, found.zone),
          )
        }}
      </p>
      <p class="soft">
        {{ isPair ? texts.loggedInAs(me?.name ?? '') : texts.logInHint }}
      </p>
      <NButton type="primary" attr-type="submit">{{ isPair ? texts.myBenchLink : texts.logIn }}</NButton>
      <NButton type="primary" quaternary @click="found = null">{{ texts.anotherCode }}</NButton>
    </template>
  </FrontSheet>
</template>

<style scoped>
.code {
  font-size: 30px;
  letter-spacing: 0.12em;
  text-transform: uppercase;
}
</style>

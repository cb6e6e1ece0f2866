<script setup lang="ts">
// Taking part with one's own device: the code from the wall leads to the session, then to the log-in, then to My bench.
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, client, type Schemas } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import FrontSheet from '@/pieces/FrontSheet.vue'
import Trademark from '@/pieces/Trademark.vue'
import { useAct } from '@/shared/act'
import { useMe } from '@/shared/me'
import { clockTime, dayOf } from '@/shared/words'

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
    <p class="mark"><Trademark /> Verifex</p>
    <template v-if="!found">
      <h1>Join the session</h1>
      <label>
        <span class="field-label">The code on the wall</span>
        <input
          v-model="code"
          class="field v code"
          maxlength="8"
          autocapitalize="characters"
          autocomplete="off"
          spellcheck="false"
          autofocus
          required
        />
      </label>
      <ErrorNote :error="error" />
      <button class="btn">Join</button>
    </template>
    <template v-else>
      <h1>{{ found.section }}</h1>
      <p>
        {{ found.room }}, {{ dayOf(found.starts_at, found.zone) }},
        {{ clockTime(found.starts_at, found.zone) }} to {{ clockTime(found.ends_at, found.zone) }}
      </p>
      <p class="soft">
        {{ isPair ? `You are logged in as ${me?.name}.` : 'Log in as yourself; your bench opens then.' }}
      </p>
      <button class="btn">{{ isPair ? 'To my bench' : 'Log in' }}</button>
      <button type="button" class="btn quiet" @click="found = null">Another code</button>
    </template>
  </FrontSheet>
</template>

<style scoped>
.mark {
  display: flex;
  gap: 9px;
  align-items: center;
  font-weight: 680;
}
.code {
  font-size: 30px;
  letter-spacing: 0.12em;
  text-transform: uppercase;
}
</style>

<script setup lang="ts">
// Parts in sections of other courses that were offered to the reader: nobody is put into one without saying yes.
import { NButton, NFlex } from 'naive-ui'
import { ask, client } from '@/api/client'
import { useAct } from '@/shared/act'
import { useMe, useShowMe } from '@/shared/me'
import { roleName } from '@/shared/words'
import { invitations as texts } from '@texts/account'
import ErrorNote from '@/pieces/states/ErrorNote.vue'

const { data: me } = useMe()
const showMe = useShowMe()
const { busy, error, run } = useAct(['me'])
async function answer(id: number, accept: boolean) {
  const params = { path: { invitation_id: id } }
  const now = await run(() =>
    ask(client.POST('/api/me/invitations/{invitation_id}', { params, body: { accept } })),
  )
  if (now) showMe(now)
}
</script>

<template>
  <section
    v-if="me?.invitations.length"
    class="no-print py-1.5 px-5 bg-sheet border-b border-b-line"
    :aria-label="texts.label"
  >
    <NFlex v-for="one in me.invitations" :key="one.id" align="center" class="my-1">
      <span class="wrap-anywhere">{{ texts.invitesYou(one.by, roleName(one.role), one.section) }}</span>
      <NButton type="primary" :disabled="busy" @click="answer(one.id, true)">{{ texts.accept }}</NButton>
      <NButton type="primary" quaternary :disabled="busy" @click="answer(one.id, false)">{{
        texts.decline
      }}</NButton>
    </NFlex>
    <ErrorNote :error="error" />
  </section>
</template>

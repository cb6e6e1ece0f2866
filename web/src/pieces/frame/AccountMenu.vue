<script setup lang="ts">
// Who is logged in, and what concerns them and their device: password, theme, keys, leaving.
import { NButton, NFlex } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client, type Schemas } from '@/api/client'
import { type Mode, mode } from '@/look/theme'
import { draftsHere, forgetAllDrafts } from '@/shared/drafts'
import { useMe, useNowIs } from '@/shared/me'
import { accountMenu as texts } from '@texts/pieces'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import MenuButton from '@/pieces/controls/MenuButton.vue'

const emit = defineEmits<{ keys: [] }>()
const { data: me } = useMe()
const router = useRouter()
const nowIs = useNowIs()
const THEMES: { value: Mode; word: string }[] = [
  { value: 'system', word: texts.asTheDevice },
  { value: 'light', word: texts.light },
  { value: 'dark', word: texts.dark },
]
const named = computed(() => me.value?.pair || me.value?.name || '')
const leaving = ref(false)
const refused = ref<unknown>(null)
const drafts = ref(0)
const notHandedIn = computed(() => texts.draftsLeft(drafts.value))

const groups = computed(() => [
  {
    entries: [
      { key: 'account', word: texts.accountAndPassword },
      { key: 'keys', word: texts.keys },
    ],
  },
  {
    heading: texts.theme,
    entries: THEMES.map(({ value, word }) => ({ key: value, word, isOn: mode.value === value })),
  },
  { entries: [{ key: 'leave', word: texts.logOut }] },
])
function choose(key: string) {
  const theme = THEMES.find(({ value }) => value === key)
  if (theme) mode.value = theme.value
  else if (key === 'account') void router.push('/account')
  else if (key === 'keys') emit('keys')
  else wantsToLeave()
}
function wantsToLeave() {
  drafts.value = draftsHere()
  if (drafts.value) leaving.value = true
  else void logOut()
}
async function logOut() {
  refused.value = null
  let nobody: Schemas['MeOut']
  try {
    nobody = await ask(client.POST('/api/log-out'))
  } catch (wrong) {
    refused.value = wrong
    leaving.value = true
    return
  }
  leaving.value = false
  forgetAllDrafts()
  nowIs(nobody)
  await router.push({ name: 'log-in' })
}
</script>

<template>
  <span v-if="me?.name" class="who min-w-0"
    ><MenuButton :label="texts.accountThemeKeys(named)" :title="named" :groups="groups" @choose="choose">
      <span class="name overflow-hidden text-ellipsis whitespace-nowrap">{{ named }}</span>
    </MenuButton></span
  >
  <Dialog v-model:show="leaving" :title="texts.logOutQuestion">
    <p v-if="drafts">{{ notHandedIn }}</p>
    <ErrorNote :error="refused" />
    <NFlex :wrap="false" size="small" class="acts">
      <NButton type="primary" @click="logOut">{{ drafts ? texts.deleteDrafts : texts.logOut }}</NButton>
      <NButton type="primary" quaternary @click="leaving = false">{{ texts.stay }}</NButton>
    </NFlex>
  </Dialog>
</template>

<style scoped>
.who :deep(.n-button) {
  gap: 7px;
  font-size: 14.5px;
  font-weight: 400;
  color: var(--bar-soft) !important; /* also while it has the focus, on the bar that is always dark */
  padding: 8px;
  min-width: 0;
  /* A long name is cut here; the places beside it never are. */
  max-width: clamp(90px, 18vw, 240px);
}
</style>

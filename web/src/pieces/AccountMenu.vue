<script setup lang="ts">
// Who is logged in, and what concerns them and their device: password, theme, keys, leaving.
import {
  DropdownMenuContent,
  DropdownMenuItem,
  DropdownMenuLabel,
  DropdownMenuRadioGroup,
  DropdownMenuRadioItem,
  DropdownMenuRoot,
  DropdownMenuSeparator,
  DropdownMenuTrigger,
} from 'reka-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client, type Schemas } from '@/api/client'
import { type Mode, mode } from '@/look/theme'
import { draftsHere, forgetAllDrafts } from '@/shared/drafts'
import { useMe, useNowIs } from '@/shared/me'
import { accountMenu as texts } from '@texts/pieces'
import Dialog from './Dialog.vue'
import ErrorNote from './ErrorNote.vue'

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
const notHandedIn = computed(() => texts.draftsThatWereNotHanded(drafts.value))

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
  <DropdownMenuRoot v-if="me?.name" :modal="false">
    <DropdownMenuTrigger class="who" :aria-label="texts.accountThemeKeys(named)" :title="named">
      <span class="name">{{ named }}</span>
      <svg viewBox="0 0 12 12" width="10" height="10" aria-hidden="true"><path d="M2 4l4 4 4-4" /></svg>
    </DropdownMenuTrigger>
    <DropdownMenuContent class="sheet menu" align="end" :side-offset="6">
      <DropdownMenuItem class="entry" @select="router.push('/account')">{{
        texts.accountAndPassword
      }}</DropdownMenuItem>
      <DropdownMenuItem class="entry" @select="emit('keys')">{{ texts.keysOfThisScreen }}</DropdownMenuItem>
      <DropdownMenuSeparator class="rule" />
      <DropdownMenuLabel class="label">{{ texts.theme }}</DropdownMenuLabel>
      <DropdownMenuRadioGroup v-model="mode">
        <DropdownMenuRadioItem v-for="theme in THEMES" :key="theme.value" :value="theme.value" class="entry">
          <span class="tick" aria-hidden="true">{{ mode === theme.value ? '✓' : '' }}</span>{{ theme.word }}
        </DropdownMenuRadioItem>
      </DropdownMenuRadioGroup>
      <DropdownMenuSeparator class="rule" />
      <DropdownMenuItem class="entry" @select="wantsToLeave">{{ texts.logOut }}</DropdownMenuItem>
    </DropdownMenuContent>
  </DropdownMenuRoot>
  <Dialog v-model:show="leaving" :title="texts.logOutQuestion">
    <p v-if="drafts">{{ notHandedIn }}</p>
    <ErrorNote :error="refused" />
    <div class="acts">
      <button class="btn" @click="logOut">{{ drafts ? texts.deleteAndLogOut : texts.logOut }}</button>
      <button class="btn quiet" @click="leaving = false">{{ texts.stay }}</button>
    </div>
  </Dialog>
</template>

<style scoped>
.who {
  display: flex;
  align-items: center;
  gap: 7px;
  font: inherit;
  font-size: 14.5px;
  background: none;
  border: 0;
  color: var(--bar-soft);
  padding: 8px;
  min-width: 0;
  /* A long name is cut here; the places beside it never are. */
  max-width: clamp(90px, 18vw, 240px);
  cursor: pointer;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
<style src="./menu.css"></style>

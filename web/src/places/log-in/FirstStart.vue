<script setup lang="ts">
// An empty installation: its first instructor, made with the code that was printed where the server was started.
import { NButton, NFlex } from 'naive-ui'
import { computed, reactive, ref, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import FrontSheet from '@/pieces/frame/FrontSheet.vue'
import Trademark from '@/pieces/frame/Trademark.vue'
import { useAct } from '@/shared/act'
import { useMe, useNowIs } from '@/shared/me'
import { common } from '@texts/common'
import { firstStart as texts } from '@texts/log-in'

const form = reactive({ code: '', name: '', log_in: '', password: '' })
const again = ref('')
const own = ref(false)
const { busy, error, run } = useAct([])
const router = useRouter()
const nowIs = useNowIs()
const { data: me } = useMe()
let begun = false // whoever just began goes on to Set-up instead
watchEffect(() => {
  if (me.value && !me.value.first_start && !begun) void router.replace('/')
})
const differs = computed(() => !!again.value && again.value !== form.password)
/** First letter and last name, until another one is typed. */
function proposeLogIn() {
  if (own.value) return
  const [family, given] = form.name.split(',')
  const words = `${given ?? ''} ${family}`
    .normalize('NFKD')
    .replace(/[^\p{L} ]/gu, '')
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
  form.log_in = words.length > 1 ? `${words[0]![0]}.${words.at(-1)}` : (words[0] ?? '')
}
async function begin() {
  const now = await run(() => ask(client.POST('/api/first-start', { body: form })))
  if (!now) return
  begun = true
  nowIs(now)
  await router.push('/set-up')
}
</script>

<template>
  <FrontSheet :width="460" @submit="begin">
    <NFlex :wrap="false" align="center" size="small" class="font-bold"
      ><Trademark /> {{ common.verifex }}</NFlex
    >
    <h1>{{ texts.heading }}</h1>
    <p class="soft">{{ texts.help }}</p>
    <FormField
      ><template #label
        >{{ texts.oneTimeCode }} <span class="soft">{{ texts.codeHint }}</span></template
      ><TextField
        v-model="form.code"
        placeholder="xxxx-xxxx-xxxx"
        autocomplete="off"
        autofocus
        required
        figures
    /></FormField>
    <FormField :label="texts.yourName"
      ><TextField v-model="form.name" autocomplete="name" required maxlength="150" @input="proposeLogIn"
    /></FormField>
    <FormField :label="common.logIn"
      ><TextField
        v-model="form.log_in"
        autocomplete="username"
        required
        maxlength="60"
        figures
        @input="own = true"
    /></FormField>
    <FormField :label="texts.passwordLabel"
      ><TextField v-model="form.password" type="password" autocomplete="new-password" required
    /></FormField>
    <FormField :label="texts.passwordAgain"
      ><TextField v-model="again" type="password" autocomplete="new-password" required />
      <span v-if="differs" class="wrong text-fix text-sm">{{ texts.passwordsDiffer }}</span></FormField
    >
    <ErrorNote :error="error" />
    <NButton type="primary" attr-type="submit" :disabled="busy || differs || !again">{{
      texts.begin
    }}</NButton>
  </FrontSheet>
</template>

<script setup lang="ts">
// One's own password, changed with the old one.
import { NButton, NFlex, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useAct } from '@/shared/act'
import { useMe, useShowMe } from '@/shared/me'
import { clockTime, dayOf } from '@/shared/words'
import { account as texts } from '@texts/account'

const LEAST = 10
const showMe = useShowMe()
const router = useRouter()
const { data: me } = useMe()
const old = ref('')
const fresh = ref('')
const again = ref('')
const differs = computed(() => !!again.value && again.value !== fresh.value)
const ready = computed(() => !!old.value && fresh.value.length >= LEAST && fresh.value === again.value)
const { busy, error, run } = useAct([])
const isChanged = ref(false)
async function change() {
  const isFirst = me.value?.change_password
  const now = await run(() =>
    ask(client.POST('/api/me/password', { body: { old: old.value, new: fresh.value } })),
  )
  isChanged.value = !!now
  if (!now) return
  old.value = fresh.value = again.value = ''
  showMe(now)
  if (isFirst) void router.push('/')
}
</script>

<template>
  <NFlex vertical class="page max-w-115 mx-auto py-6 px-4.5">
    <h1>{{ me?.name || texts.account }}</h1>
    <p v-if="me?.password_reset" class="first" role="alert">
      {{
        texts.passwordReplaced(
          me.password_reset.by || texts.somebodyInCharge,
          `${dayOf(me.password_reset.at)} ${clockTime(me.password_reset.at)}`,
        )
      }}
    </p>
    <p v-else-if="me?.change_password" class="first">
      {{ texts.firstPasswordWasPrinted }}
    </p>
    <Sheet pad="large">
      <NForm @submit.prevent="change()">
        <h2>{{ texts.changeYourPassword }}</h2>
        <FormField id="old" :label="texts.currentPassword"
          ><TextField v-model="old" type="password" autocomplete="current-password" required
        /></FormField>
        <FormField id="new" :label="texts.newPassword(LEAST)"
          ><TextField v-model="fresh" type="password" autocomplete="new-password" required
        /></FormField>
        <FormField id="again" :label="texts.newPasswordAgain"
          ><TextField v-model="again" type="password" autocomplete="new-password" required />
          <p v-if="differs" class="wrong text-stop">{{ texts.passwordsDiffer }}</p></FormField
        >
        <ErrorNote :error="error" />
        <p v-if="isChanged" class="text-good" role="status">
          {{ texts.changedWhoever }}
        </p>
        <NButton type="primary" attr-type="submit" :disabled="!ready || busy">{{ texts.changeIt }}</NButton>
      </NForm>
    </Sheet>
  </NFlex>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
</style>

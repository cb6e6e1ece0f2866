<script setup lang="ts">
// One section: its name, and who instructs and assists in it.
import { NButton, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { roleName } from '@/shared/words'
import { common } from '@texts/common'
import { sectionStaff as texts } from '@texts/set-up-people'
import NewLogIn from './NewLogIn.vue'
import { STALE } from '../use-set-up'

const props = defineProps<{ section: Schemas['SetUpSectionOut'] }>()
const name = ref(props.section.name)
const who = ref('')
const role = ref('assistant')
const fresh = ref<Schemas['NewLogInOut'] | null>(null)
const { busy, error, run } = useAct(STALE)
const path = computed(() => ({ section_id: props.section.id }))

async function add() {
  const body = { who: who.value, role: role.value }
  const made = await run(() =>
    ask(client.POST('/api/set-up/sections/{section_id}/staff', { params: { path: path.value }, body })),
  )
  if (!made) return
  who.value = ''
  fresh.value = made
}
function change(user: number, to: string | null) {
  const params = { path: { ...path.value, user_id: user } }
  void run(() =>
    ask(client.PUT('/api/set-up/sections/{section_id}/staff/{user_id}', { params, body: { role: to } })),
  )
}
function rename() {
  if (name.value.trim() === props.section.name) return
  const body = { name: name.value }
  void run(() => ask(client.PUT('/api/set-up/sections/{section_id}', { params: { path: path.value }, body })))
}
function remove() {
  void run(() => ask(client.DELETE('/api/set-up/sections/{section_id}', { params: { path: path.value } })))
}
function withdraw(invitation: number) {
  const params = { path: { ...path.value, invitation_id: invitation } }
  void run(() =>
    ask(client.DELETE('/api/set-up/sections/{section_id}/invitations/{invitation_id}', { params })),
  )
}
async function reset(user: number) {
  const body = { user }
  fresh.value = await run(() =>
    ask(client.POST('/api/set-up/sections/{section_id}/password', { params: { path: path.value }, body })),
  )
}
</script>

<template>
  <section class="section grid gap-1.5 py-3 border-t border-t-line">
    <div class="head flex flex-wrap gap-2.5 items-center">
      <TextField
        v-if="section.mine"
        v-model="name"
        class="name"
        maxlength="60"
        :aria-label="texts.nameOfSection(section.name)"
        @change="rename"
      />
      <b v-else>{{ section.name }}</b>
      <span class="soft">{{ texts.studentsPairs(section.students, section.pairs) }}</span>
      <NButton v-if="section.mine" type="primary" quaternary :disabled="busy" @click="remove">
        {{ texts.remove }}
      </NButton>
      <span v-else class="soft">{{ texts.anotherInstructors }}</span>
    </div>
    <ul class="list-none m-0 p-0">
      <li v-for="one in section.staff" :key="one.user" class="flex flex-wrap gap-2 items-center min-h-10">
        <span
          >{{ one.name }} <span class="v soft">{{ one.log_in }}</span></span
        >
        <template v-if="section.mine">
          <ChoiceField
            class="role"
            :model-value="one.role"
            :aria-label="texts.roleOf(one.name)"
            :options="[
              { value: 'instructor', label: texts.instructor },
              { value: 'assistant', label: texts.assistant },
            ]"
            @update:model-value="change(one.user, $event)"
          />
          <NButton v-if="one.resets" type="primary" quaternary :disabled="busy" @click="reset(one.user)">
            {{ texts.newPassword }}
          </NButton>
          <NButton type="primary" quaternary :disabled="busy" @click="change(one.user, null)">
            {{ texts.remove }}
          </NButton>
        </template>
        <span v-else class="soft">{{ one.role }}</span>
      </li>
      <li
        v-for="one in section.invited"
        :key="`invited-${one.id}`"
        class="flex flex-wrap gap-2 items-center min-h-10"
      >
        <span class="v">{{ one.log_in }}</span>
        <span class="soft">{{ texts.invitedAs(roleName(one.role)) }}</span>
        <NButton v-if="section.mine" type="primary" quaternary :disabled="busy" @click="withdraw(one.id)">
          {{ texts.withdraw }}
        </NButton>
      </li>
    </ul>
    <NForm v-if="section.mine" @submit.prevent="add">
      <TextField
        v-model="who"
        :placeholder="texts.nameHint"
        :aria-label="texts.nameLabel(section.name)"
        maxlength="150"
      />
      <ChoiceField
        v-model="role"
        class="role"
        :aria-label="texts.role"
        :options="[
          { value: 'instructor', label: texts.instructor },
          { value: 'assistant', label: texts.assistant },
        ]"
      />
      <NButton type="primary" ghost attr-type="submit" :disabled="busy || !who.trim()">{{
        common.add
      }}</NButton>
    </NForm>
    <ErrorNote :error="error" />
    <NewLogIn v-model="fresh" />
  </section>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.name {
  width: 220px;
  font-weight: 620;
}
li > span:first-child {
  min-width: min(240px, 100%);
  max-width: 100%;
  overflow-wrap: anywhere;
}
.head > span {
  overflow-wrap: anywhere;
}
.role {
  width: 130px;
}
form .n-input {
  width: 280px;
}
</style>

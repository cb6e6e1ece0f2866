<script setup lang="ts">
// One pair; its members are changed in place by typing names.
import { NButton, NForm } from 'naive-ui'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { pairRow as texts } from '@texts/set-up-people'
import { namesIn } from '@/places/set-up/people/names'
import { STALE } from '../use-set-up'

const props = defineProps<{ pair: Schemas['SetUpPairOut']; students: Schemas['ListedOut'][] }>()
const editing = ref(false)
const typed = ref('')
const field = useTemplateRef<InstanceType<typeof TextField>>('field')
const { busy, error, run } = useAct(STALE)
const members = computed(() =>
  props.pair.members.map((id) => props.students.find((s) => s.user === id)?.name ?? '?'),
)
const line = computed(() => {
  const name = typed.value.trim()
  const alone = props.students.filter((s) => s.name.toLowerCase() === name.toLowerCase())
  if (alone.length === 1) return { users: [alone[0]!.user], names: [name], problem: '' }
  return namesIn(typed.value, props.students)[0]
})
const path = computed(() => ({ pair_id: props.pair.id }))

function edit() {
  typed.value = members.value.join(', ')
  editing.value = true
  void nextTick(() => field.value?.select())
}
async function save() {
  if (!line.value || line.value.problem) return
  const body = { members: line.value.users }
  if (await run(() => ask(client.PUT('/api/set-up/pairs/{pair_id}', { params: { path: path.value }, body }))))
    editing.value = false
}
function end() {
  void run(() => ask(client.DELETE('/api/set-up/pairs/{pair_id}', { params: { path: path.value } })))
}
</script>

<template>
  <tr>
    <td class="v">{{ pair.badge }}</td>
    <td>
      <NForm v-if="editing" @submit.prevent="save" @keydown.esc="editing = false">
        <TextField ref="field" v-model="typed" :aria-label="texts.membersOf(pair.badge)" spellcheck="false" />
        <NButton type="primary" attr-type="submit" :disabled="busy || !line || !!line.problem">{{
          common.save
        }}</NButton>
        <NButton type="primary" quaternary @click="editing = false">{{ common.cancel }}</NButton>
        <span v-if="line?.problem" class="wrong">{{ line.problem }}</span>
      </NForm>
      <template v-else>
        {{ members.join(' · ') }} <span v-if="members.length === 1" class="soft">{{ texts.worksAlone }}</span>
      </template>
      <ErrorNote :error="error" />
    </td>
    <td class="acts whitespace-nowrap text-right p-0">
      <template v-if="!editing">
        <NButton type="primary" quaternary @click="edit">{{ common.change }}</NButton>
        <NButton type="primary" quaternary :disabled="busy" @click="end">{{ texts.endThePair }}</NButton>
      </template>
    </td>
  </tr>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
form .n-input {
  flex: 1;
  min-width: 200px;
}
.wrong {
  flex-basis: 100%;
  color: var(--fix);
  font-size: 14px;
}
</style>

<script setup lang="ts">
// The class list of a section: imported, added to line by line, log-in slips printed.
import { NButton, NCheckbox, NForm } from 'naive-ui'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { usePeople } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import { saveFile } from '@/shared/files'
import { useOnce } from '@/shared/once'
import { common } from '@texts/common'
import { peoplePart as texts } from '@texts/set-up-people'
import PartHead from '../PartHead.vue'
import { STALE, useSetUp } from '../use-set-up'
import { lazy } from '@/pieces/lazy'

const ImportList = lazy(() => import('./ImportList.vue'))
const NewLogIn = lazy(() => import('./NewLogIn.vue'))

type Listed = Schemas['ListedOut']
defineOptions({ inheritAttrs: false }) // the section is all that it needs of the course
const { sectionId } = useSetUp()
const people = usePeople(sectionId)
const importing = ref(false)
const name = ref('')
const number = ref('')
const renamed = ref<Listed | null>(null)
const newName = ref('')
const sure = ref(false)
const fresh = ref<Schemas['NewLogInOut'] | null>(null)
const field = useTemplateRef<InstanceType<typeof TextField>>('field')
const { busy, error, said, run } = useAct(STALE)
const section = () => ({ section_id: sectionId.value ?? 0 })
const never = computed(() => people.data.value?.students.filter((s) => !s.has_logged_in).length ?? 0)

const importAsked = useOnce(() => importing.value)
const logInMade = useOnce(() => !!fresh.value)
const find = ref('')
const matching = (students: Listed[]) => {
  const words = find.value.toLowerCase().split(/\s+/).filter(Boolean)
  return students.filter((who) =>
    words.every((word) =>
      `${who.name} ${who.number} ${who.log_in} ${who.group}`.toLowerCase().includes(word),
    ),
  )
}
const badgeOf = (who: Listed) => people.data.value?.pairs.find((pair) => pair.id === who.pair)?.badge ?? ''
const columns: ListColumn<Listed>[] = [
  { key: 'name', title: common.name, by: (who) => who.name },
  { key: 'number', title: texts.number, by: (who) => who.number, mayHide: true },
  { key: 'log_in', title: common.logIn, by: (who) => who.log_in, mayHide: true },
  { key: 'pair', title: common.pair, by: badgeOf },
  { key: 'acts', title: common.acts, hiddenTitle: true },
]
async function add() {
  const body = { name: name.value, number: number.value }
  const call = () =>
    client.POST('/api/set-up/sections/{section_id}/students', { params: { path: section() }, body })
  if (!(await run(() => ask(call())))) return
  name.value = number.value = ''
  void nextTick(() => field.value?.focus())
}
async function rename() {
  const who = renamed.value
  if (!who) return
  const path = { ...section(), user_id: who.user }
  const body = { name: newName.value, number: '' }
  if (
    await run(() =>
      ask(client.PUT('/api/set-up/sections/{section_id}/students/{user_id}', { params: { path }, body })),
    )
  )
    renamed.value = null
}
async function forget() {
  const path = { ...section(), user_id: renamed.value!.user }
  const call = () =>
    client.POST('/api/set-up/sections/{section_id}/students/{user_id}/forget', { params: { path } })
  if (await run(() => ask(call()))) renamed.value = null
}
function takeOff(who: Listed) {
  const path = { ...section(), user_id: who.user }
  void run(() =>
    ask(client.DELETE('/api/set-up/sections/{section_id}/students/{user_id}', { params: { path } })),
  )
}
async function reset(who: Listed) {
  const call = () =>
    client.POST('/api/set-up/sections/{section_id}/password', {
      params: { path: section() },
      body: { user: who.user },
    })
  fresh.value = await run(() => ask(call()))
}
async function slips() {
  await run(() => saveFile(`/api/set-up/sections/${sectionId.value}/slips`, 'log-in-slips.pdf'))
}
</script>

<template>
  <PartHead :title="texts.people" :text="texts.help" sections>
    <NButton v-if="never" type="primary" ghost :disabled="busy" @click="slips">{{
      texts.printSlips
    }}</NButton>
    <NButton type="primary" @click="importing = true">{{ texts.importList }}</NButton>
  </PartHead>
  <Asked v-slot="{ data }" shape="table" :query="people" :what="texts.subject">
    <NForm class="one grid grid-cols-[minmax(0,1fr)_150px_auto] gap-3 items-end mb-1.5" @submit.prevent="add">
      <FormField :label="texts.addOneStudent"
        ><TextField
          ref="field"
          v-model="name"
          :placeholder="texts.nameHint"
          autocomplete="off"
          maxlength="150"
      /></FormField>
      <FormField
        ><template #label
          >{{ texts.number }} <span class="soft">{{ texts.numberHint }}</span></template
        ><TextField v-model="number" autocomplete="off" maxlength="40" figures
      /></FormField>
      <NButton type="primary" ghost attr-type="submit" :disabled="busy || !name.trim()">
        {{ common.add }} <kbd>{{ common.enter }}</kbd>
      </NButton>
    </NForm>
    <ErrorNote :error="error" />
    <p class="min-h-5.5 text-good" role="status">{{ said }}</p>
    <EmptyNote v-if="!data.students.length" :title="texts.noStudents" :text="texts.noneHint">
      <NButton type="primary" @click="importing = true">{{ texts.importList }}</NButton>
    </EmptyNote>
    <template v-else>
      <TextField
        v-if="data.students.length > 12"
        v-model="find"
        class="find"
        type="search"
        :placeholder="texts.findHint"
        :aria-label="texts.findAStudent"
      />
      <ListTable
        name="people"
        :rows="matching(data.students)"
        :columns="columns"
        :row-key="(who) => who.user"
        :caption="texts.classList"
      >
        <template #name="{ row }">
          {{ row.name }}<span v-if="row.group" class="soft">{{ texts.group(row.group) }}</span>
        </template>
        <template #log_in="{ row }">
          <span class="v">{{ row.log_in }}</span>
          <span v-if="!row.has_logged_in" class="soft ml-[0.4em]">{{ texts.notYetUsed }}</span>
        </template>
        <template #pair="{ row }">
          <span v-if="row.pair" class="whitespace-nowrap">{{ badgeOf(row) }}</span>
          <span v-else class="soft">{{ texts.none }}</span>
        </template>
        <template #acts="{ row }">
          <span class="acts">
            <NButton
              type="primary"
              quaternary
              @click="((renamed = row), (newName = row.name), (sure = false))"
            >
              {{ texts.details }}
            </NButton>
            <NButton type="primary" quaternary :disabled="busy" @click="reset(row)">{{
              texts.newPassword
            }}</NButton>
            <NButton type="primary" quaternary :disabled="busy" @click="takeOff(row)">{{
              texts.remove
            }}</NButton>
          </span>
        </template>
      </ListTable>
    </template>
  </Asked>
  <ImportList
    v-if="sectionId !== null && importAsked"
    v-model:show="importing"
    :section="sectionId"
    @done="said = $event"
  />
  <NewLogIn v-if="logInMade" v-model="fresh" />
  <Dialog :show="!!renamed" :title="renamed?.name ?? ''" width="460px" @update:show="renamed = null">
    <NForm class="grid gap-2.5" @submit.prevent="rename">
      <FormField :label="common.name"><TextField v-model="newName" maxlength="150" /></FormField>
      <p class="soft">{{ texts.logInKept(renamed?.log_in ?? '') }}</p>
      <p>
        <NButton type="primary" attr-type="submit" :disabled="busy || !newName.trim()">{{
          common.save
        }}</NButton>
      </p>
    </NForm>
    <section v-if="renamed" class="data">
      <h3>{{ texts.studentData }}</h3>
      <p>
        <NButton
          tag="a"
          type="primary"
          ghost
          :href="`/api/set-up/sections/${sectionId}/students/${renamed.user}/data.json`"
          download
          >{{ texts.downloadData }}</NButton
        >
      </p>
      <p class="soft">
        {{ texts.removeConsequence }}
      </p>
      <NCheckbox v-model:checked="sure">{{ texts.removeConfirmed }}</NCheckbox>
      <p>
        <NButton type="primary" ghost class="danger" :disabled="busy || !sure" @click="forget">
          {{ texts.removeTheData }}
        </NButton>
      </p>
      <ErrorNote :error="error" />
    </section>
  </Dialog>
</template>

<style scoped>
.acts {
  white-space: nowrap;
  text-align: right;
  padding: 0;
}
@media (max-width: 700px) {
  .one {
    grid-template-columns: minmax(0, 1fr);
  }
}
.data {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding-top: 14px;
}
.danger:not(:disabled) {
  color: var(--stop);
  box-shadow: inset 0 0 0 1.5px var(--stop);
}
</style>

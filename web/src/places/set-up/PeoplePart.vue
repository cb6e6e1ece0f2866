<script setup lang="ts">
// The class list of a section: imported, added to line by line, log-in slips printed.
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import Asked from '@/pieces/Asked.vue'
import Dialog from '@/pieces/Dialog.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { usePeople } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import { saveFile } from '@/shared/files'
import { common } from '@texts/common'
import { peoplePart as texts } from '@texts/set-up-people'
import ImportList from './ImportList.vue'
import NewLogIn from './NewLogIn.vue'
import PartHead from './PartHead.vue'
import { STALE, useSetUp } from './use-set-up'

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
const field = useTemplateRef<HTMLInputElement>('field')
const { busy, error, said, run } = useAct(STALE)
const section = () => ({ section_id: sectionId.value ?? 0 })
const never = computed(() => people.data.value?.students.filter((s) => !s.has_logged_in).length ?? 0)

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
  <PartHead :title="texts.people" :text="texts.theStudentsOfASection" sections>
    <button v-if="never" class="btn line" :disabled="busy" @click="slips">{{ texts.printLogInSlips }}</button>
    <button class="btn" @click="importing = true">{{ texts.importAClassList }}</button>
  </PartHead>
  <Asked v-slot="{ data }" :query="people" :what="texts.theClassList">
    <form class="one" @submit.prevent="add">
      <label>
        <span class="field-label">{{ texts.addOneStudent }}</span>
        <input
          ref="field"
          v-model="name"
          class="field"
          :placeholder="texts.firstAndLastName"
          autocomplete="off"
          maxlength="150"
        />
      </label>
      <label>
        <span class="field-label"
          >{{ texts.number }} <span class="soft">{{ texts.ifThereIsOne }}</span></span
        >
        <input v-model="number" class="field v" autocomplete="off" maxlength="40" />
      </label>
      <button class="btn line" :disabled="busy || !name.trim()">
        {{ common.add }} <kbd>{{ common.enter }}</kbd>
      </button>
    </form>
    <ErrorNote :error="error" />
    <p class="word" role="status">{{ said }}</p>
    <EmptyNote
      v-if="!data.students.length"
      :title="texts.nobodyIsOnTheList"
      :text="texts.importTheListYourSchool"
    >
      <button class="btn" @click="importing = true">{{ texts.importAClassList }}</button>
    </EmptyNote>
    <div v-else class="wrap">
      <table class="plain middle">
        <caption class="visually-hidden">
          {{
            texts.classList
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ common.name }}</th>
            <th>{{ texts.number }}</th>
            <th>{{ common.logIn }}</th>
            <th>{{ common.pair }}</th>
            <th>
              <span class="visually-hidden">{{ common.acts }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="who in data.students" :key="who.user">
            <td>
              {{ who.name }}<span v-if="who.group" class="soft">{{ texts.group(who.group) }}</span>
            </td>
            <td class="v">{{ who.number }}</td>
            <td>
              <span class="v">{{ who.log_in }}</span>
              <span v-if="!who.has_logged_in" class="soft after">{{ texts.notYetUsed }}</span>
            </td>
            <td>
              <template v-if="who.pair">{{ data.pairs.find((p) => p.id === who.pair)?.badge }}</template>
              <span v-else class="soft">{{ texts.none }}</span>
            </td>
            <td class="acts">
              <button class="btn quiet" @click="((renamed = who), (newName = who.name), (sure = false))">
                {{ texts.details }}
              </button>
              <button class="btn quiet" :disabled="busy" @click="reset(who)">{{ texts.newPassword }}</button>
              <button class="btn quiet" :disabled="busy" @click="takeOff(who)">{{ texts.remove }}</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </Asked>
  <ImportList v-if="sectionId !== null" v-model:show="importing" :section="sectionId" @done="said = $event" />
  <NewLogIn v-model="fresh" />
  <Dialog :show="!!renamed" :title="renamed?.name ?? ''" width="460px" @update:show="renamed = null">
    <form class="rename" @submit.prevent="rename">
      <label>
        <span class="field-label">{{ common.name }}</span>
        <input v-model="newName" class="field" maxlength="150" />
      </label>
      <p class="soft">{{ texts.theLogInStays(renamed?.log_in ?? '') }}</p>
      <p>
        <button class="btn" :disabled="busy || !newName.trim()">{{ common.save }}</button>
      </p>
    </form>
    <section v-if="renamed" class="data">
      <h3>{{ texts.thisStudentsData }}</h3>
      <p>
        <a
          class="btn line"
          :href="`/api/set-up/sections/${sectionId}/students/${renamed.user}/data.json`"
          download
          >{{ texts.downloadAllOfIt }}</a
        >
      </p>
      <p class="soft">
        {{ texts.removingTakesTheName }}
      </p>
      <label><input v-model="sure" type="checkbox" /> {{ texts.iHaveReadThat }}</label>
      <p>
        <button class="btn line danger" :disabled="busy || !sure" @click="forget">
          {{ texts.removeTheData }}
        </button>
      </p>
      <ErrorNote :error="error" />
    </section>
  </Dialog>
</template>

<style scoped>
.after {
  margin-left: 0.4em;
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px auto;
  gap: 12px;
  align-items: end;
  margin-bottom: 6px;
}
.word {
  min-height: 22px;
  color: var(--good);
}
.acts {
  white-space: nowrap;
  text-align: right;
  padding: 0;
}
.rename {
  display: grid;
  gap: 10px;
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

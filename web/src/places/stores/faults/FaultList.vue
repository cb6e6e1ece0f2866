<script setup lang="ts">
// What is wrong now, the oldest first; below it what became of the others.
import { NButton, NForm, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useFaults } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { dayOf } from '@/shared/words'
import { common } from '@texts/common'
import { faults as faultStates } from '@texts/words'
import { faultList as texts } from '@texts/stores'
import PictureButton from './PictureButton.vue'
import { sendPicture } from './pictures'

type Fault = Schemas['FaultOut']
const query = useFaults()
const { busy, error, said, run } = useAct(STORES_STALE)
const open = computed(() => query.data.value?.filter((fault) => !fault.closed_at) ?? [])
const closed = computed(() => query.data.value?.filter((fault) => fault.closed_at) ?? [])
const closing = ref<{ id: number; isWell: boolean } | null>(null)
const note = ref('')

const mend = (fault: Fault) =>
  run(() => ask(client.POST('/api/faults/{fault_id}/mend', { params: { path: { fault_id: fault.id } } })))
function begin(fault: Fault, isWell: boolean) {
  closing.value = { id: fault.id, isWell }
  note.value = ''
}
async function close() {
  const { id, isWell } = closing.value!
  const body = { is_well: isWell, note: note.value }
  const path = { fault_id: id }
  if (await run(() => ask(client.POST('/api/faults/{fault_id}/close', { params: { path }, body }))))
    closing.value = null
}
const addPicture = (fault: Fault, picture: File) => run(() => sendPicture(fault.id, picture))
const where = (fault: Fault) => [fault.kit, fault.ref].filter(Boolean).join(' ')
const again = (fault: Fault) => (fault.times === 'first time' ? '' : fault.times)
</script>

<template>
  <section :aria-label="common.faults">
    <ErrorNote :error="error" />
    <p v-if="said" class="good" role="status">{{ said }}</p>
    <Asked shape="table" :query="query" :what="texts.theFaults">
      <EmptyNote v-if="!open.length" :title="texts.nothingIsFaulty" :text="texts.aFaultThatIsNoted" />
      <ul class="cards">
        <li v-for="fault in open" :key="fault.id" class="sheet" :class="fault.state">
          <p class="head">
            <b>{{ fault.title }}</b>
            <span v-if="where(fault)" class="v soft">{{ where(fault) }}</span>
          </p>
          <p class="state">{{ fault.state === 'mending' ? texts.onTheRepairBench : texts.notLookedAtYet }}</p>
          <p class="what">{{ fault.what }}</p>
          <p class="soft">
            {{ dayOf(fault.opened_at) }}<template v-if="fault.opened_by">, {{ fault.opened_by }}</template>
            <b v-if="again(fault)" class="again">{{ again(fault) }}</b>
          </p>
          <p v-if="fault.photos.length" class="photos">
            <a
              v-for="photo in fault.photos"
              :key="photo"
              :href="`/api/faults/photos/${photo}/jpeg`"
              target="_blank"
              ><img
                :src="`/api/faults/photos/${photo}/jpeg`"
                :alt="texts.pictureOf(fault.title)"
                loading="lazy"
            /></a>
          </p>
          <NForm v-if="closing?.id === fault.id" class="line" @submit.prevent="close">
            <TextField
              v-model="note"
              :aria-label="closing.isWell ? texts.whatWasDone : texts.whyItIsThrownAway"
              :placeholder="closing.isWell ? texts.whatWasDoneMayStay : texts.whyMayStayEmpty"
              maxlength="200"
            />
            <NButton type="primary" attr-type="submit" :disabled="busy">
              {{ closing.isWell ? texts.itIsWell : texts.retireIt }}
            </NButton>
            <NButton type="primary" quaternary @click="closing = null">{{ common.cancel }}</NButton>
          </NForm>
          <p v-else class="acts">
            <NButton type="primary" :disabled="busy" @click="begin(fault, true)">{{
              texts.itIsWellAsk
            }}</NButton>
            <NButton v-if="fault.state === 'open'" type="primary" ghost :disabled="busy" @click="mend(fault)">
              {{ texts.toTheRepairBench }}
            </NButton>
            <NButton
              v-if="fault.module || fault.ref"
              type="primary"
              quaternary
              :disabled="busy"
              @click="begin(fault, false)"
            >
              {{ texts.retire }}
            </NButton>
            <PictureButton @chosen="addPicture(fault, $event)" />
          </p>
        </li>
      </ul>
      <template v-if="closed.length">
        <h2>{{ texts.closed }}</h2>
        <div class="sheet wrap">
          <NTable :bordered="false" size="small">
            <thead>
              <tr>
                <th>{{ common.what }}</th>
                <th>{{ texts.fault }}</th>
                <th>{{ texts.cameTo }}</th>
                <th>{{ texts.on }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="fault in closed" :key="fault.id">
                <td>
                  {{ fault.title }} <span class="v soft">{{ where(fault) }}</span>
                </td>
                <td>
                  {{ fault.what }} <span class="again">{{ again(fault) }}</span>
                </td>
                <td>
                  <b :class="fault.state === 'well' ? 'good' : 'soft'">{{ faultStates[fault.state] }}</b><span
                    v-if="fault.note"
                    class="soft"
                    >, {{ fault.note }}</span
                  >
                </td>
                <td class="soft day">{{ dayOf(fault.closed_at!) }}</td>
              </tr>
            </tbody>
          </NTable>
        </div>
      </template>
    </Asked>
  </section>
</template>

<style scoped>
.cards {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 12px;
}
.cards li {
  padding: 14px 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  align-content: start;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}
.state {
  font-size: 14px;
  font-weight: 620;
  color: var(--stop);
}
.mending .state {
  color: var(--copper);
}
.what {
  font-size: 17px;
}
.what::first-letter {
  text-transform: uppercase;
}
.again {
  color: var(--stop);
  font-weight: 620;
  margin-left: 6px;
}
.acts,
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 4px;
}
.line .n-input {
  flex: 1 1 160px;
}
.photos {
  display: flex;
  gap: 8px;
}
.photos img {
  height: 64px;
  width: 84px;
  object-fit: cover;
  border-radius: 5px;
}
td.day {
  white-space: nowrap;
}
h2 {
  margin: 22px 0 10px;
}
.wrap {
  overflow: auto;
}
.good {
  color: var(--good);
}
</style>

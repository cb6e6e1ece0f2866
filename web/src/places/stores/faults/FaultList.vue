<script setup lang="ts">
// What is wrong now, the oldest first; below it what became of the others.
import { NButton, NFlex, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import Sheet from '@/pieces/states/Sheet.vue'
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
const columns: ListColumn<Fault>[] = [
  { key: 'title', title: common.what, by: (fault) => fault.title },
  { key: 'what', title: texts.fault, by: (fault) => fault.what },
  { key: 'state', title: texts.cameTo, by: (fault) => faultStates[fault.state] ?? fault.state },
  { key: 'closed_at', title: texts.on, by: (fault) => fault.closed_at ?? null },
]
</script>

<template>
  <section :aria-label="common.faults">
    <ErrorNote :error="error" />
    <p v-if="said" class="good" role="status">{{ said }}</p>
    <Asked shape="table" :query="query" :what="texts.subject">
      <EmptyNote v-if="!open.length" :title="texts.nothingIsFaulty" :text="texts.noneHint" />
      <ul class="list-none m-0 p-0 grid grid-cols-[repeat(auto-fill,minmax(330px,1fr))] gap-3">
        <Sheet
          v-for="fault in open"
          :key="fault.id"
          tag="li"
          pad="small"
          inner="grid grid-cols-1 gap-1.5 content-start"
          :class="fault.state"
        >
          <NFlex align="baseline" size="small" class="head">
            <b>{{ fault.title }}</b>
            <span v-if="where(fault)" class="v soft">{{ where(fault) }}</span>
          </NFlex>
          <p class="state text-sm font-semibold text-stop">
            {{ fault.state === 'mending' ? texts.inRepair : texts.notInspected }}
          </p>
          <p class="what text-lg">{{ fault.what }}</p>
          <p class="soft">
            {{ dayOf(fault.opened_at) }}<template v-if="fault.opened_by">, {{ fault.opened_by }}</template>
            <b v-if="again(fault)" class="text-stop font-semibold ml-1.5">{{ again(fault) }}</b>
          </p>
          <p v-if="fault.photos.length" class="photos flex gap-2">
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
          <NForm
            v-if="closing?.id === fault.id"
            class="line flex flex-wrap gap-2 mt-1"
            @submit.prevent="close"
          >
            <TextField
              v-model="note"
              :aria-label="closing.isWell ? texts.whatWasDone : texts.retireReason"
              :placeholder="closing.isWell ? texts.repairHint : texts.retireHint"
              maxlength="200"
            />
            <NButton type="primary" attr-type="submit" :disabled="busy">
              {{ closing.isWell ? texts.confirmRepaired : texts.retireIt }}
            </NButton>
            <NButton type="primary" quaternary @click="closing = null">{{ common.cancel }}</NButton>
          </NForm>
          <NFlex v-else size="small" class="acts mt-1">
            <NButton type="primary" :disabled="busy" @click="begin(fault, true)">{{
              texts.repaired
            }}</NButton>
            <NButton v-if="fault.state === 'open'" type="primary" ghost :disabled="busy" @click="mend(fault)">
              {{ texts.startRepair }}
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
          </NFlex>
        </Sheet>
      </ul>
      <template v-if="closed.length">
        <h2 class="mt-5.5 mb-2.5">{{ texts.closed }}</h2>
        <Sheet pad="none">
          <ListTable
            name="closed-faults"
            :rows="closed"
            :columns="columns"
            :row-key="(fault) => fault.id"
            :caption="texts.closed"
          >
            <template #title="{ row }">
              {{ row.title }} <span class="v soft">{{ where(row) }}</span>
            </template>
            <template #what="{ row }">
              {{ row.what }} <span class="text-stop font-semibold ml-1.5">{{ again(row) }}</span>
            </template>
            <template #state="{ row }">
              <b :class="row.state === 'well' ? 'good' : 'soft'">{{ faultStates[row.state] }}</b><span
                v-if="row.note"
                class="soft"
                >, {{ row.note }}</span
              >
            </template>
            <template #closed_at="{ row }"
              ><span class="soft whitespace-nowrap">{{ dayOf(row.closed_at!) }}</span></template
            >
          </ListTable>
        </Sheet>
      </template>
    </Asked>
  </section>
</template>

<style scoped>
.mending .state {
  color: var(--copper);
}
.what::first-letter {
  text-transform: uppercase;
}
.line .n-input {
  flex: 1 1 160px;
}
.photos img {
  height: 64px;
  width: 84px;
  object-fit: cover;
  border-radius: 5px;
}
.good {
  color: var(--good);
}
</style>

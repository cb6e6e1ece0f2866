<script setup lang="ts">
// One module: how it is, what was measured of it, what was wrong with it, and how it is set.
import { NButton, NFlex, NForm } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useBatches, useModule, usePartKinds } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { fullDay } from '@/shared/words'
import { common } from '@texts/common'
import { faults as faultStates } from '@texts/words'
import { moduleDialog as texts } from '@texts/stores-modules'
import CalibrateForm from './CalibrateForm.vue'
import ModuleState from './ModuleState.vue'

const id = defineModel<number | null>('id', { required: true })
const show = computed({ get: () => id.value !== null, set: (on) => (id.value = on ? id.value : null) })
const query = useModule(id)
const { data: kinds } = usePartKinds()
const { data: batches } = useBatches()
const module = computed(() => query.data.value)
const kind = computed(() => kinds.value?.find((k) => k.id === module.value?.part))
const own = computed(() => batches.value?.filter((b) => b.part === module.value?.part) ?? [])
const typed = reactive({
  batch: null as number | null,
  headers: '',
  note: '',
  settings: {} as Record<string, string>,
})
const kit = ref('')
const fault = ref('')
const calibrating = ref(false)
const { busy, error, said, run } = useAct(STORES_STALE)
const path = computed(() => ({ module_id: id.value ?? 0 }))
watch(
  [id, module],
  ([, now], before) => {
    if (!now || (before?.[1]?.id === now.id && before[1] === now)) return
    Object.assign(typed, {
      batch: now.batch_id,
      headers: now.headers === null ? '' : now.headers ? 'yes' : 'no',
      note: now.note,
      settings: { ...now.settings },
    })
  },
  { immediate: true },
)
watch(id, () => {
  calibrating.value = false
  said.value = fault.value = kit.value = ''
  error.value = null
})
function save() {
  const headers = typed.headers === '' ? null : typed.headers === 'yes'
  const body = { batch: typed.batch, headers, note: typed.note, settings: typed.settings }
  return run(() => ask(client.PUT('/api/modules/{module_id}', { params: { path: path.value }, body })))
}
async function noteFault() {
  const body = { what: fault.value }
  if (
    await run(() =>
      ask(client.POST('/api/modules/{module_id}/faults', { params: { path: path.value }, body })),
    )
  )
    fault.value = ''
}
async function putIn() {
  const body = { kit: kit.value, ref: '' }
  if (
    await run(() =>
      ask(client.POST('/api/modules/{module_id}/place', { params: { path: path.value }, body })),
    )
  )
    kit.value = ''
}
const withdraw = (calibration: number) =>
  run(() =>
    ask(
      client.POST('/api/calibrations/{calibration_id}/withdraw', {
        params: { path: { calibration_id: calibration } },
      }),
    ),
  )
const UNITS = ['centimetre', 'second', 'percent']
const words = (takes: string) => (UNITS.includes(takes) ? null : takes.split(' or '))
</script>

<template>
  <Dialog v-model:show="show" :title="module ? `${module.tag}, ${module.title}` : texts.module" width="720px">
    <Asked v-slot="{ data }" :query="query" :what="texts.subject">
      <NFlex align="baseline" :size="[14, 4]" class="now">
        <ModuleState :row="data" />
        <span v-if="data.where" class="v">{{ texts.whereIn(data.where) }}</span>
        <span v-if="data.leg_order" class="soft">{{ texts.legs(data.leg_order) }}</span>
        <span v-if="data.bought_on" class="soft">{{ texts.bought(fullDay(data.bought_on)) }}</span>
      </NFlex>
      <ErrorNote :error="error" />
      <p v-if="said" class="good" role="status">{{ said }}</p>

      <section v-if="kind?.calibrations.length || data.calibrations.length" :aria-label="texts.calibrations">
        <h3 class="mt-3.5 mb-1.5 text-base flex gap-2.5 items-baseline">
          {{ texts.calibrations }}
          <NButton
            v-if="kind?.calibrations.length && !calibrating"
            type="primary"
            quaternary
            @click="calibrating = true"
          >
            {{ texts.calibrate }}
          </NButton>
        </h3>
        <CalibrateForm
          v-if="calibrating && kind"
          :module="data.id"
          :ways="kind.calibrations"
          @done="calibrating = false"
          @cancel="calibrating = false"
        />
        <ul v-if="data.calibrations.length" class="rows list-none m-0 p-0">
          <li
            v-for="one in data.calibrations"
            :key="one.id"
            class="flex flex-wrap gap-y-0.5 gap-x-3.5 items-baseline py-1 px-0 border-t border-t-line"
            :class="{ off: one.withdrawn || one.aged }"
          >
            <span class="v">{{ one.words }}</span>
            <span class="soft"
              >{{ fullDay(one.on) }}<template v-if="one.with_what">, {{ one.with_what }}</template
              ><template v-if="one.by">, {{ one.by }}</template></span
            >
            <span v-if="one.withdrawn" class="soft">{{ texts.withdrawn }}</span>
            <b v-else-if="one.aged" class="bad">{{ texts.tooOldSince(fullDay(one.until)) }}</b>
            <span v-else class="soft">{{ texts.countsUntil(fullDay(one.until)) }}</span>
            <NButton
              v-if="!one.withdrawn"
              type="primary"
              quaternary
              :disabled="busy"
              @click="withdraw(one.id)"
            >
              {{ texts.withdraw }}
            </NButton>
          </li>
        </ul>
        <p v-else-if="!calibrating" class="soft">
          {{ texts.notCalibrated }}
        </p>
      </section>

      <section :aria-label="common.faults">
        <h3 class="mt-3.5 mb-1.5 text-base flex gap-2.5 items-baseline">
          {{ common.faults }}
          <span v-if="data.history.length" class="soft">{{ texts.faults(data.history.length) }}</span>
        </h3>
        <ul v-if="data.history.length" class="rows list-none m-0 p-0">
          <li
            v-for="one in data.history"
            :key="one.at"
            class="flex flex-wrap gap-y-0.5 gap-x-3.5 items-baseline py-1 px-0 border-t border-t-line"
          >
            <span>{{ one.what }}</span>
            <span class="soft">{{ fullDay(one.at) }}</span>
            <span :class="one.state === 'well' ? 'good' : 'bad'">{{ faultStates[one.state] }}</span>
            <span class="soft">{{ one.note }}</span>
          </li>
        </ul>
        <NForm v-if="data.state !== 'retired'" class="line flex gap-2 mt-2" @submit.prevent="noteFault">
          <TextField
            v-model="fault"
            :aria-label="texts.faultLabel"
            :placeholder="texts.faultLabel"
            maxlength="200"
          />
          <NButton type="primary" ghost attr-type="submit" :disabled="busy || !fault.trim()">{{
            texts.noteTheFault
          }}</NButton>
        </NForm>
      </section>

      <NForm
        v-if="!data.where && data.state !== 'retired'"
        class="line flex gap-2 mt-2"
        @submit.prevent="putIn"
      >
        <TextField
          v-model="kit"
          :aria-label="texts.kitLabel"
          :placeholder="texts.kitExample"
          maxlength="20"
          figures
        />
        <NButton type="primary" ghost attr-type="submit" :disabled="busy || !kit.trim()">{{
          texts.putItThere
        }}</NButton>
      </NForm>

      <NForm
        class="fields grid grid-cols-[repeat(auto-fit,minmax(180px,1fr))] gap-y-2 gap-x-3.5 items-end"
        @submit.prevent="save"
      >
        <h3 class="mt-3.5 mb-1.5 text-base flex gap-2.5 items-baseline col-span-full">
          {{ texts.asItIs }}
        </h3>
        <FormField v-if="own.length" :label="common.batch"
          ><ChoiceField
            v-model="typed.batch"
            :options="[
              { value: null, label: texts.none },
              ...own.map((batch) => ({ value: batch.id, label: batch.name })),
            ]"
        /></FormField>
        <FormField v-for="(takes, name) in kind?.settings ?? {}" :key="name" :label="name"
          ><ChoiceField
            v-if="words(takes)"
            :model-value="typed.settings[name] ?? ''"
            :options="[
              { value: '', label: texts.notKnown },
              ...(words(takes) ?? []).map((word) => ({ value: word, label: word })),
            ]"
            figures
            @update:model-value="typed.settings[name] = $event" />
          <TextField v-else v-model="typed.settings[name]" :placeholder="takes" maxlength="40" figures
        /></FormField>
        <FormField :label="texts.headersSoldered"
          ><ChoiceField
            v-model="typed.headers"
            :options="[
              { value: '', label: texts.notKnown },
              { value: 'yes', label: texts.yes },
              { value: 'no', label: texts.no },
            ]"
        /></FormField>
        <FormField class="col-span-full" :label="texts.note"
          ><TextField v-model="typed.note" maxlength="200"
        /></FormField>
        <NButton type="primary" attr-type="submit" :disabled="busy">{{ common.save }}</NButton>
      </NForm>
    </Asked>
  </Dialog>
</template>

<style scoped>
.rows li .n-button {
  margin-left: auto;
}
.off .v {
  color: var(--soft);
  text-decoration: line-through;
}
.line .n-input {
  flex: 1;
}
.fields > .n-button {
  justify-self: start;
}
.good {
  color: var(--good);
}
.bad {
  color: var(--stop);
}
</style>

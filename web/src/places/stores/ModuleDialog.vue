<script setup lang="ts">
// One module: how it is, what was measured of it, what was wrong with it, and how it is set.
import { computed, reactive, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import Asked from '@/pieces/Asked.vue'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
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
    <Asked v-slot="{ data }" :query="query" :what="texts.theModule">
      <p class="now">
        <ModuleState :row="data" />
        <span v-if="data.where" class="v">{{ texts.whereIn(data.where) }}</span>
        <span v-if="data.leg_order" class="soft">{{ texts.legs(data.leg_order) }}</span>
        <span v-if="data.bought_on" class="soft">{{ texts.bought(fullDay(data.bought_on)) }}</span>
      </p>
      <ErrorNote :error="error" />
      <p v-if="said" class="good" role="status">{{ said }}</p>

      <section v-if="kind?.calibrations.length || data.calibrations.length" :aria-label="texts.calibrations">
        <h3>
          {{ texts.calibrations }}
          <button
            v-if="kind?.calibrations.length && !calibrating"
            class="btn quiet"
            @click="calibrating = true"
          >
            {{ texts.calibrate }}
          </button>
        </h3>
        <CalibrateForm
          v-if="calibrating && kind"
          :module="data.id"
          :ways="kind.calibrations"
          @done="calibrating = false"
          @cancel="calibrating = false"
        />
        <ul v-if="data.calibrations.length" class="rows">
          <li v-for="one in data.calibrations" :key="one.id" :class="{ off: one.withdrawn || one.aged }">
            <span class="v">{{ one.words }}</span>
            <span class="soft"
              >{{ fullDay(one.on) }}<template v-if="one.with_what">, {{ one.with_what }}</template
              ><template v-if="one.by">, {{ one.by }}</template></span
            >
            <span v-if="one.withdrawn" class="soft">{{ texts.withdrawn }}</span>
            <b v-else-if="one.aged" class="bad">{{ texts.tooOldSince(fullDay(one.until)) }}</b>
            <span v-else class="soft">{{ texts.countsUntil(fullDay(one.until)) }}</span>
            <button v-if="!one.withdrawn" class="btn quiet" :disabled="busy" @click="withdraw(one.id)">
              {{ texts.withdraw }}
            </button>
          </li>
        </ul>
        <p v-else-if="!calibrating" class="soft">
          {{ texts.notCalibratedItsSheets }}
        </p>
      </section>

      <section :aria-label="common.faults">
        <h3>
          {{ common.faults }}
          <span v-if="data.history.length" class="soft">{{ texts.faults(data.history.length) }}</span>
        </h3>
        <ul v-if="data.history.length" class="rows">
          <li v-for="one in data.history" :key="one.at">
            <span>{{ one.what }}</span>
            <span class="soft">{{ fullDay(one.at) }}</span>
            <span :class="one.state === 'well' ? 'good' : 'bad'">{{ faultStates[one.state] }}</span>
            <span class="soft">{{ one.note }}</span>
          </li>
        </ul>
        <form v-if="data.state !== 'retired'" class="line" @submit.prevent="noteFault">
          <input
            v-model="fault"
            class="field"
            :aria-label="texts.whatIsWrongWithIt"
            :placeholder="texts.whatIsWrongWithIt"
            maxlength="200"
          />
          <button class="btn line" :disabled="busy || !fault.trim()">{{ texts.noteTheFault }}</button>
        </form>
      </section>

      <form v-if="!data.where && data.state !== 'retired'" class="line" @submit.prevent="putIn">
        <input
          v-model="kit"
          class="field v"
          :aria-label="texts.tagOfTheKit"
          :placeholder="texts.kitExample"
          maxlength="20"
        />
        <button class="btn line" :disabled="busy || !kit.trim()">{{ texts.putItThere }}</button>
      </form>

      <form class="fields" @submit.prevent="save">
        <h3>{{ texts.asItIs }}</h3>
        <label v-if="own.length">
          <span class="field-label">{{ common.batch }}</span>
          <select v-model="typed.batch" class="field">
            <option :value="null">{{ texts.none }}</option>
            <option v-for="batch in own" :key="batch.id" :value="batch.id">{{ batch.name }}</option>
          </select>
        </label>
        <label v-for="(takes, name) in kind?.settings ?? {}" :key="name">
          <span class="field-label">{{ name }}</span>
          <select v-if="words(takes)" v-model="typed.settings[name]" class="field v">
            <option value="">{{ texts.notKnown }}</option>
            <option v-for="word in words(takes)" :key="word" :value="word">{{ word }}</option>
          </select>
          <input v-else v-model="typed.settings[name]" class="field v" :placeholder="takes" maxlength="40" />
        </label>
        <label>
          <span class="field-label">{{ texts.headersSoldered }}</span>
          <select v-model="typed.headers" class="field">
            <option value="">{{ texts.notKnown }}</option>
            <option value="yes">{{ texts.yes }}</option>
            <option value="no">{{ texts.no }}</option>
          </select>
        </label>
        <label class="wide">
          <span class="field-label">{{ texts.note }}</span>
          <input v-model="typed.note" class="field" maxlength="200" />
        </label>
        <button class="btn" :disabled="busy">{{ common.save }}</button>
      </form>
    </Asked>
  </Dialog>
</template>

<style scoped>
.now {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
h3 {
  margin: 14px 0 6px;
  font-size: 15px;
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
.rows li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1px solid var(--line);
}
.rows li .btn {
  margin-left: auto;
}
.off .v {
  color: var(--soft);
  text-decoration: line-through;
}
.line {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
.line input {
  flex: 1;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 8px 14px;
  align-items: end;
}
.fields h3,
.wide {
  grid-column: 1 / -1;
}
.fields .btn {
  justify-self: start;
}
.good {
  color: var(--good);
}
.bad {
  color: var(--stop);
}
</style>

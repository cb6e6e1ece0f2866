<script setup lang="ts">
// One module: how it is, what was measured of it, what was wrong with it, and how it is set.
import { computed, reactive, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import Asked from '@/pieces/Asked.vue'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { STORES_STALE, useBatches, useModule, usePartKinds } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { count } from '@/shared/language'
import { fullDay } from '@/shared/words'
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
  <Dialog v-model:show="show" :title="module ? `${module.tag}, ${module.title}` : 'Module'" width="720px">
    <Asked v-slot="{ data }" :query="query" what="the module">
      <p class="now">
        <ModuleState :row="data" />
        <span v-if="data.where" class="v">in {{ data.where }}</span>
        <span v-if="data.leg_order" class="soft">legs {{ data.leg_order }}</span>
        <span v-if="data.bought_on" class="soft">bought {{ fullDay(data.bought_on) }}</span>
      </p>
      <ErrorNote :error="error" />
      <p v-if="said" class="good" role="status">{{ said }}</p>

      <section v-if="kind?.calibrations.length || data.calibrations.length" aria-label="Calibrations">
        <h3>
          Calibrations
          <button
            v-if="kind?.calibrations.length && !calibrating"
            class="btn quiet"
            @click="calibrating = true"
          >
            Calibrate…
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
            <span v-if="one.withdrawn" class="soft">withdrawn</span>
            <b v-else-if="one.aged" class="bad">too old since {{ fullDay(one.until) }}</b>
            <span v-else class="soft">counts until {{ fullDay(one.until) }}</span>
            <button v-if="!one.withdrawn" class="btn quiet" :disabled="busy" @click="withdraw(one.id)">
              Withdraw
            </button>
          </li>
        </ul>
        <p v-else-if="!calibrating" class="soft">
          Not calibrated: its sheets count with the limits of its family.
        </p>
      </section>

      <section aria-label="Faults">
        <h3>
          Faults
          <span v-if="data.history.length" class="soft">{{ count(data.history.length, 'fault') }}</span>
        </h3>
        <ul v-if="data.history.length" class="rows">
          <li v-for="one in data.history" :key="one.at">
            <span>{{ one.what }}</span>
            <span class="soft">{{ fullDay(one.at) }}</span>
            <span :class="one.state === 'well' ? 'good' : 'bad'">{{ one.state }}</span>
            <span class="soft">{{ one.note }}</span>
          </li>
        </ul>
        <form v-if="data.state !== 'retired'" class="line" @submit.prevent="noteFault">
          <input
            v-model="fault"
            class="field"
            aria-label="What is wrong with it"
            placeholder="What is wrong with it"
            maxlength="200"
          />
          <button class="btn line" :disabled="busy || !fault.trim()">Note the fault</button>
        </form>
      </section>

      <form v-if="!data.where && data.state !== 'retired'" class="line" @submit.prevent="putIn">
        <input
          v-model="kit"
          class="field v"
          aria-label="Tag of the kit it lies in"
          placeholder="Kit it lies in: HB-15"
          maxlength="20"
        />
        <button class="btn line" :disabled="busy || !kit.trim()">Put it there</button>
      </form>

      <form class="fields" @submit.prevent="save">
        <h3>As it is</h3>
        <label v-if="own.length">
          <span class="field-label">Batch</span>
          <select v-model="typed.batch" class="field">
            <option :value="null">none</option>
            <option v-for="batch in own" :key="batch.id" :value="batch.id">{{ batch.name }}</option>
          </select>
        </label>
        <label v-for="(takes, name) in kind?.settings ?? {}" :key="name">
          <span class="field-label">{{ name }}</span>
          <select v-if="words(takes)" v-model="typed.settings[name]" class="field v">
            <option value="">not known</option>
            <option v-for="word in words(takes)" :key="word" :value="word">{{ word }}</option>
          </select>
          <input v-else v-model="typed.settings[name]" class="field v" :placeholder="takes" maxlength="40" />
        </label>
        <label>
          <span class="field-label">Headers soldered on</span>
          <select v-model="typed.headers" class="field">
            <option value="">not known</option>
            <option value="yes">yes</option>
            <option value="no">no</option>
          </select>
        </label>
        <label class="wide">
          <span class="field-label">Note</span>
          <input v-model="typed.note" class="field" maxlength="200" />
        </label>
        <button class="btn" :disabled="busy">Save</button>
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

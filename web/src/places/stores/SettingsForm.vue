<script setup lang="ts">
// How the modules of a kit are set: jumpers and trimmers as they are found. Checks and sheets follow what is written here.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useSettings } from '@/queries/stores'

const tag = defineModel<string>('tag', { required: true })
const queries = useQueryClient()
const asked = computed(() => tag.value.trim().toUpperCase())
const { data: settings, error: unknownKit } = useSettings(asked)
const typed = reactive<Record<string, string>>({})
const said = ref('')
const error = ref<unknown>(null)
const busy = ref(false)
const keyOf = (row: Schemas['SettableOut']) => `${row.ref}.${row.setting}`
watch(settings, (rows) => {
  for (const row of rows ?? []) typed[keyOf(row)] = row.now
})
const changed = computed(() => (settings.value ?? []).filter((row) => typed[keyOf(row)] !== row.now))
const words = (takes: string) => (takes.includes(' or ') ? takes.split(' or ') : null)
const units: Record<string, string> = {
  centimetre: 'such as 14 cm',
  second: 'such as 5 s',
  percent: 'such as 40 %',
}

async function send() {
  busy.value = true
  error.value = null
  said.value = ''
  try {
    for (const row of changed.value) {
      const body = { tag: asked.value, ref: row.ref, setting: row.setting, value: typed[keyOf(row)] ?? '' }
      said.value = (await ask(client.POST('/api/hatch/setting', { body }))).message
    }
  } catch (wrong) {
    error.value = wrong
  } finally {
    busy.value = false
    for (const key of ['settings', 'kits', 'floor']) void queries.invalidateQueries({ queryKey: [key] })
  }
}
</script>

<template>
  <form @submit.prevent="send">
    <div>
      <label class="field-label" for="set-tag">Kit, its tag</label>
      <input id="set-tag" v-model="tag" class="field v big" placeholder="HB-15" autocomplete="off" required />
    </div>
    <ErrorNote v-if="tag.trim()" :error="unknownKit" />
    <p v-if="settings && !settings.length" class="soft">
      Nothing can be set on the modules of this kit: no jumper, no trimmer.
    </p>
    <div v-for="row in settings" :key="keyOf(row)" class="row">
      <label class="field-label" :for="keyOf(row)">
        {{ row.ref }} {{ row.title }}: {{ row.setting }}
        <span v-if="row.usual" class="soft">the exercise says {{ row.usual }}</span>
      </label>
      <select v-if="words(row.takes)" :id="keyOf(row)" v-model="typed[keyOf(row)]" class="field v">
        <option value="">not known</option>
        <option v-for="word in words(row.takes)" :key="word" :value="word">{{ word }}</option>
      </select>
      <input
        v-else
        :id="keyOf(row)"
        v-model="typed[keyOf(row)]"
        class="field v"
        :placeholder="units[row.takes] ?? row.takes"
        autocomplete="off"
      />
    </div>
    <ErrorNote :error="error" />
    <p v-if="said" class="ready" role="status">{{ said }}</p>
    <button class="btn" :disabled="busy || !changed.length">Save the settings <kbd>Enter</kbd></button>
  </form>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.big {
  font-size: 19px;
}
.ready {
  color: var(--good);
}
.btn {
  justify-content: center;
}
</style>

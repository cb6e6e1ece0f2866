<script setup lang="ts">
// How the modules of a kit are set, and what its resistors measure. Checks and sheets follow what is written here.
import { computed, reactive, watch } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import FormField from '@/pieces/fields/FormField.vue'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useSettings } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { settingsForm as texts } from '@texts/hatch'
import KitTagForm from './KitTagForm.vue'

const tag = defineModel<string>('tag', { required: true })
const act = useAct(['settings', 'kits', 'floor'])
const asked = computed(() => tag.value.trim().toUpperCase())
const { data: settings, error: unknownKit } = useSettings(asked)
const typed = reactive<Record<string, string>>({})
const keyOf = (row: Schemas['SettableOut']) => `${row.ref}.${row.setting}`
watch(settings, (rows) => {
  for (const row of rows ?? []) typed[keyOf(row)] = row.now
})
const changed = computed(() => (settings.value ?? []).filter((row) => typed[keyOf(row)] !== row.now))
const words = (takes: string) => (takes.includes(' or ') ? takes.split(' or ') : null)
const units: Record<string, string> = {
  centimetre: texts.distanceExample,
  second: texts.timeExample,
  percent: texts.shareExample,
  ohm: texts.ohmsExample,
}

function send() {
  return act.run(async () => {
    let saved = { message: '' }
    for (const row of changed.value) {
      const body = { tag: asked.value, ref: row.ref, setting: row.setting, value: typed[keyOf(row)] ?? '' }
      saved = await ask(client.POST('/api/hatch/setting', { body }))
    }
    return saved
  })
}
</script>

<template>
  <KitTagForm
    id="set-tag"
    v-model:tag="tag"
    :act="act"
    :ready="!!changed.length"
    :button="texts.saveTheSettings"
    @submit="send"
  >
    <ErrorNote v-if="tag.trim()" :error="unknownKit" />
    <p v-if="settings && !settings.length" class="soft">
      {{ texts.noSettings }}
    </p>
    <FormField v-for="row in settings" :key="keyOf(row)"
      ><template #label>
        {{ row.ref }} {{ row.title }}: {{ row.takes === 'ohm' ? texts.measuredValueIn : row.setting }}
        <span v-if="row.usual" class="soft">{{ texts.exerciseSetting(row.usual) }}</span></template
      >
      <ChoiceField
        v-if="words(row.takes)"
        :model-value="typed[keyOf(row)] ?? ''"
        :options="[
          { value: '', label: texts.notKnown },
          ...(words(row.takes) ?? []).map((word) => ({ value: word, label: word })),
        ]"
        figures
        @update:model-value="typed[keyOf(row)] = $event"
      />
      <TextField
        v-else
        v-model="typed[keyOf(row)]"
        :placeholder="units[row.takes] ?? row.takes"
        autocomplete="off"
        figures
      />
    </FormField>
  </KitTagForm>
</template>

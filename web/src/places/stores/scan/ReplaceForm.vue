<script setup lang="ts">
// One part of a kit is given anew: a module by its tag, or one out of its drawer. The sheets follow the new one at once.
import { NButton, NCheckbox } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import SuggestField from '@/pieces/fields/SuggestField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, usePlaces } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { replaceForm as texts } from '@texts/hatch'
import KitTagForm from './KitTagForm.vue'

const tag = defineModel<string>('tag', { required: true })
const act = useAct(STORES_STALE)
const asked = computed(() => tag.value.trim().toUpperCase())
const { data: places, error: unknownKit } = usePlaces(asked)
const part = ref('')
const given = ref('')
const reason = ref('')
const dead = ref(true)
const done = ref('')
const chosen = computed(() => places.value?.find((place) => place.ref === part.value))
watch(places, (rows) => {
  if (rows?.length && !chosen.value) part.value = rows[0]!.ref
})
watch(part, () => (given.value = ''))
async function send() {
  const kit = asked.value
  const body = { tag: kit, ref: part.value, given: given.value, reason: reason.value, dead: dead.value }
  if (await act.run(() => ask(client.POST('/api/hatch/replace', { body })))) {
    given.value = reason.value = ''
    done.value = kit
  }
}
async function undo() {
  const kit = done.value
  if (await act.run(() => ask(client.POST('/api/hatch/undo-replace', { body: { tag: kit } }))))
    done.value = ''
}
const needsTag = computed(() => !!chosen.value?.module)
</script>

<template>
  <KitTagForm
    id="replace-tag"
    v-model:tag="tag"
    :act="act"
    :ready="!!chosen"
    :button="texts.giveIt"
    @submit="send"
  >
    <ErrorNote v-if="tag.trim()" :error="unknownKit" />
    <template v-if="places?.length">
      <FormField id="replace-part" :label="texts.partLabel"
        ><ChoiceField
          v-model="part"
          :options="
            places.map((place) => ({
              value: place.ref,
              label: `${place.ref} ${place.title}${place.module ? `, ${place.module}` : ''}`,
            }))
          "
      /></FormField>
      <div v-if="chosen && (needsTag || chosen.loose.length)">
        <FormField id="replace-given" :label="texts.tag"
          ><SuggestField
            v-model="given"
            :offers="chosen.loose"
            :placeholder="chosen.loose[0] ?? texts.noneFree"
            figures
        /></FormField>
        <p v-if="!chosen.loose.length" class="text-stop">
          {{ texts.noneFreeHint }}
        </p>
      </div>
      <p v-else class="soft">{{ texts.untagged }}</p>
      <FormField id="replace-why" :label="common.why"
        ><TextField v-model="reason" :placeholder="texts.reasonExample" maxlength="200"
      /></FormField>
      <NCheckbox v-model:checked="dead">{{ texts.oldIsFaulty }}</NCheckbox>
    </template>
    <NButton v-if="done" type="primary" quaternary @click="undo">{{ texts.undo(done) }}</NButton>
  </KitTagForm>
</template>

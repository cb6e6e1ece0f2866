<script setup lang="ts">
// So many modules of a kind get the next free tags; their labels are printed then.
import { NButton, NCheckbox, NForm } from 'naive-ui'
import { computed, reactive, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import FormField from '@/pieces/fields/FormField.vue'
import NumberField from '@/pieces/fields/NumberField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { STORES_STALE, useBatches, useModules, usePartKinds } from '@/queries/stores'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { tagModules as texts } from '@texts/stores-modules'

const show = defineModel<boolean>('show', { required: true })
const { data: kinds } = usePartKinds()
const { data: batches } = useBatches()
const { data: modules } = useModules()
const typed = reactive({ part: '', prefix: '', count: 1, batch: null as number | null })
const all = ref(false)
const { busy, error, said, run } = useAct(STORES_STALE)
const offered = computed(() => kinds.value?.filter((kind) => kind.tagged || all.value) ?? [])
const own = computed(() => batches.value?.filter((batch) => batch.part === typed.part) ?? [])
watch(show, () => {
  said.value = ''
  error.value = null
})
watch(
  () => typed.part,
  (part) => {
    const before = modules.value?.find((module) => module.part === part)?.tag
    typed.prefix = before?.replace(/-[^-]*$/, '') ?? ''
    typed.batch = own.value.at(-1)?.id ?? null
  },
)
const send = () => run(() => ask(client.POST('/api/modules', { body: { ...typed } })))
</script>

<template>
  <Dialog v-model:show="show" :title="texts.tagModules" width="520px">
    <NForm @submit.prevent="send">
      <FormField :label="common.kind"
        ><ChoiceField
          v-model="typed.part"
          :options="offered.map((kind) => ({ value: kind.id, label: kind.title }))"
          :placeholder="texts.choose"
      /></FormField>
      <NCheckbox v-model:checked="all">{{ texts.countedPartsOption }}</NCheckbox>
      <div class="grid grid-cols-[1fr_1fr] gap-3">
        <FormField :label="texts.lettersLabel"
          ><TextField v-model="typed.prefix" maxlength="8" placeholder="T" required figures
        /></FormField>
        <FormField :label="common.howMany"
          ><NumberField v-model="typed.count" :min="1" :max="60" required
        /></FormField>
      </div>
      <FormField v-if="own.length" :label="common.batch"
        ><ChoiceField
          v-model="typed.batch"
          :options="[
            { value: null, label: texts.none },
            ...own.map((batch) => ({ value: batch.id, label: batch.name })),
          ]"
      /></FormField>
      <ErrorNote :error="error" />
      <p v-if="said" class="text-good" role="status">{{ said }}</p>
      <NButton type="primary" attr-type="submit" :disabled="busy || !typed.part">{{ texts.tagThem }}</NButton>
    </NForm>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
form > .n-button {
  justify-self: start;
}
</style>

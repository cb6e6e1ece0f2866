<script setup lang="ts">
// So many modules of a kind get the next free tags; their labels are printed then.
import { computed, reactive, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import Dialog from '@/pieces/Dialog.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
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
    <form @submit.prevent="send">
      <label>
        <span class="field-label">{{ common.kind }}</span>
        <select v-model="typed.part" class="field" required>
          <option value="" disabled>{{ texts.choose }}</option>
          <option v-for="kind in offered" :key="kind.id" :value="kind.id">{{ kind.title }}</option>
        </select>
      </label>
      <label class="check"><input v-model="all" type="checkbox" /> {{ texts.showPartsThatAreUsually }}</label>
      <div class="two">
        <label>
          <span class="field-label">{{ texts.lettersOfTheTags }}</span>
          <input v-model="typed.prefix" class="field v" maxlength="8" placeholder="T" required />
        </label>
        <label>
          <span class="field-label">{{ common.howMany }}</span>
          <input v-model.number="typed.count" class="field v" type="number" min="1" max="60" required />
        </label>
      </div>
      <label v-if="own.length">
        <span class="field-label">{{ common.batch }}</span>
        <select v-model="typed.batch" class="field">
          <option :value="null">{{ texts.none }}</option>
          <option v-for="batch in own" :key="batch.id" :value="batch.id">{{ batch.name }}</option>
        </select>
      </label>
      <ErrorNote :error="error" />
      <p v-if="said" class="good" role="status">{{ said }}</p>
      <button class="btn" :disabled="busy || !typed.part">{{ texts.tagThem }}</button>
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--soft);
}
.good {
  color: var(--good);
}
.btn {
  justify-self: start;
}
</style>

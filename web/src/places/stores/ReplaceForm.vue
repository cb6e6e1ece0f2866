<script setup lang="ts">
// One part of a kit is given anew: a module by its tag, or one out of its drawer. The sheets follow the new one at once.
import { computed, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
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
      <div>
        <label class="field-label" for="replace-part">{{ texts.whichPartIsExchanged }}</label>
        <select id="replace-part" v-model="part" class="field">
          <option v-for="place in places" :key="place.ref" :value="place.ref">
            {{ place.ref }} {{ place.title }}{{ place.module ? `, ${place.module}` : '' }}
          </option>
        </select>
      </div>
      <div v-if="chosen && (needsTag || chosen.loose.length)">
        <label class="field-label" for="replace-given">{{ texts.tag }}</label>
        <input
          id="replace-given"
          v-model="given"
          class="field v"
          list="replace-loose"
          autocomplete="off"
          :placeholder="chosen.loose[0] ?? texts.noOtherOneIsFree"
        />
        <datalist id="replace-loose">
          <option v-for="one in chosen.loose" :key="one" :value="one" />
        </datalist>
        <p v-if="!chosen.loose.length" class="bad">
          {{ texts.allAreInKits }}
        </p>
      </div>
      <p v-else class="soft">{{ texts.itHasNoTagAnother }}</p>
      <div>
        <label class="field-label" for="replace-why">{{ common.why }}</label>
        <input
          id="replace-why"
          v-model="reason"
          class="field"
          :placeholder="texts.reasonExample"
          maxlength="200"
        />
      </div>
      <label class="check"><input v-model="dead" type="checkbox" /> {{ texts.theOldOneIsFaulty }}</label>
    </template>
    <button v-if="done" type="button" class="btn quiet" @click="undo">{{ texts.undoAsItWas(done) }}</button>
  </KitTagForm>
</template>

<style scoped>
.check {
  display: flex;
  gap: 8px;
  align-items: center;
}
.bad {
  color: var(--stop);
}
</style>

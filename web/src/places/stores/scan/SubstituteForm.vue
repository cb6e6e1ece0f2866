<script setup lang="ts">
// A resistor given in place of the recipe's, for a kit that is out.
import { ref } from 'vue'
import { ask, client } from '@/api/client'
import { useAct } from '@/shared/act'
import { substituteForm as texts } from '@texts/hatch'
import KitTagForm from './KitTagForm.vue'
import Substitute from './Substitute.vue'

const tag = defineModel<string>('tag', { required: true })
const act = useAct(['kits', 'advice', 'floor'])
const part = ref('R1')
const value = ref('')
const reason = ref('')

async function send() {
  const body = { tag: tag.value, ref: part.value, value: value.value, reason: reason.value }
  if (await act.run(() => ask(client.POST('/api/hatch/substitute', { body }))))
    [value.value, reason.value] = ['', '']
}
</script>

<template>
  <KitTagForm id="tag" v-model:tag="tag" :act="act" :button="texts.recordTheSubstitution" @submit="send">
    <Substitute
      v-model:part="part"
      v-model:value="value"
      v-model:reason="reason"
      :tag="tag.trim().toUpperCase()"
    />
  </KitTagForm>
</template>

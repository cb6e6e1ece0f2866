<script setup lang="ts">
// A resistor given in place of the recipe's, for a kit that is out.
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, client } from '@/api/client'
import ErrorNote from '@/pieces/ErrorNote.vue'
import Substitute from './Substitute.vue'

const tag = defineModel<string>('tag', { required: true })
const queries = useQueryClient()
const part = ref('R1')
const value = ref('')
const reason = ref('')
const said = ref('')
const error = ref<unknown>(null)
const busy = ref(false)

async function send() {
  busy.value = true
  error.value = null
  said.value = ''
  try {
    const body = { tag: tag.value, ref: part.value, value: value.value, reason: reason.value }
    said.value = (await ask(client.POST('/api/hatch/substitute', { body }))).message
    ;[value.value, reason.value] = ['', '']
    for (const key of ['kits', 'advice', 'floor']) void queries.invalidateQueries({ queryKey: [key] })
  } catch (wrong) {
    error.value = wrong
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form @submit.prevent="send">
    <div>
      <label class="field-label" for="tag">Kit, its tag</label>
      <input id="tag" v-model="tag" class="field v big" placeholder="HB-15" autocomplete="off" required />
    </div>
    <Substitute
      v-model:part="part"
      v-model:value="value"
      v-model:reason="reason"
      :tag="tag.trim().toUpperCase()"
    />
    <ErrorNote :error="error" />
    <p v-if="said" class="ready" role="status">{{ said }}</p>
    <button class="btn" :disabled="busy">Record the substitution <kbd>Enter</kbd></button>
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

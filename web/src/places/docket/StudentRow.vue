<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { common } from '@texts/common'
import { studentRow as texts } from '@texts/docket'
import { useDocket } from './use-docket'

const props = defineProps<{ student: Schemas['StudentOut']; editable: boolean }>()
const { student: keepStudent, busy } = useDocket()
const editing = ref(false)
const absent = ref(false)
const adjustment = ref('0')
const reason = ref('')
watch(
  () => props.student,
  (now) => {
    absent.value = now.absent
    adjustment.value = now.adjustment
    reason.value = now.reason
  },
  { immediate: true },
)
async function keep() {
  if (await keepStudent(props.student.id, absent.value, adjustment.value, reason.value)) editing.value = false
}
</script>

<template>
  <div class="student">
    <span>{{ student.name }}</span>
    <b>{{ student.absent ? texts.absent : student.total }}</b>
    <button v-if="editable" class="btn quiet" @click="editing = !editing">{{ common.change }}</button>
    <form v-if="editing" @submit.prevent="keep">
      <label><input v-model="absent" type="checkbox" /> {{ texts.absent }}</label>
      <label
        >{{ texts.by }} <input v-model="adjustment" class="field v" :disabled="absent" inputmode="decimal" />
        {{ texts.marks }}</label
      >
      <input v-model="reason" class="field why" :placeholder="texts.theReason" :aria-label="texts.reason" />
      <button class="btn" :disabled="busy">{{ common.save }}</button>
    </form>
    <p v-if="student.reason && !editing" class="soft">{{ student.reason }}</p>
  </div>
</template>

<style scoped>
.student {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 4px 14px;
  align-items: baseline;
  border-bottom: 1px solid var(--line);
  padding: 7px 0;
}
.btn.quiet {
  min-height: 28px;
  padding: 2px 8px;
}
form,
p {
  grid-column: 1 / -1;
}
form {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
form .v {
  width: 70px;
}
.why {
  flex: 1;
  min-width: 160px;
}
</style>

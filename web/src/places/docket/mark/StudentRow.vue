<script setup lang="ts">
import { NButton, NCheckbox, NForm } from 'naive-ui'
import { ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import { common } from '@texts/common'
import { studentRow as texts } from '@texts/docket'
import { useDocket } from '../use-docket'

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
  <div
    class="student grid grid-cols-[1fr_auto_auto] gap-y-1 gap-x-3.5 items-baseline border-b border-b-line py-2"
  >
    <span>{{ student.name }}</span>
    <b>{{ student.absent ? texts.absent : student.total }}</b>
    <NButton v-if="editable" type="primary" quaternary @click="editing = !editing">{{
      common.change
    }}</NButton>
    <NForm v-if="editing" @submit.prevent="keep">
      <NCheckbox v-model:checked="absent">{{ texts.absent }}</NCheckbox>
      <label
        >{{ texts.by }} <TextField v-model="adjustment" :disabled="absent" inputmode="decimal" figures />
        {{ texts.marks }}</label
      >
      <TextField v-model="reason" class="why" :placeholder="texts.reasonLabel" :aria-label="texts.reason" />
      <NButton type="primary" attr-type="submit" :disabled="busy">{{ common.save }}</NButton>
    </NForm>
    <p v-if="student.reason && !editing" class="soft col-span-full">{{ student.reason }}</p>
  </div>
</template>

<style scoped>
form {
  grid-column: 1 / -1;
}
form {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
form .figures {
  width: 70px;
}
.why {
  flex: 1;
  min-width: 160px;
}
</style>

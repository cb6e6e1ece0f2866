<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/shared/me'
import { clockTime, dayOf } from '@/shared/words'
import StationFrame from './StationFrame.vue'
import { useDocket } from './use-docket'

const { docket, carryOver, busy } = useDocket()
const { sessions } = useSession()
// An unfinished docket whose kit is back can go on another day.
const later = computed(() => {
  const all = sessions.data.value ?? []
  const own = all.find((s) => s.id === docket.value?.session)
  return own ? all.filter((s) => s.section === own.section && s.starts_at > own.starts_at) : []
})
const to = ref<number | null>(null)
const unfinished = computed(
  () => docket.value?.stations.find((s) => s.station === 'mark')?.state !== 'passed',
)
const isBack = computed(() => !docket.value?.kit || docket.value.kit.returned)
const router = useRouter()
defineEmits<{ next: [] }>()
</script>

<template>
  <StationFrame v-if="docket" @next="$emit('next')">
    <template #evidence>
      <h2>{{ docket.kit ? `Kit ${docket.kit.tag}` : 'No kit is out' }}</h2>
      <p v-if="docket.kit" class="soft">
        {{ docket.kit.returned ? 'Back at the hatch; handed out' : 'Handed out' }} at
        {{ clockTime(docket.kit.issued_at) }}
      </p>
      <table class="plain recipe">
        <thead>
          <tr>
            <th>Ref</th>
            <th>Part</th>
            <th>For</th>
            <th>Given</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in docket.exercise.recipe" :key="part.ref">
            <td class="v">
              <b>{{ part.ref }}</b>
            </td>
            <td class="v">{{ part.part }}</td>
            <td>{{ part.title }}</td>
            <td>
              <b v-if="docket.kit?.modules[part.ref]" class="v tag">{{ docket.kit.modules[part.ref] }}</b>
              <template
                v-for="given in docket.kit?.substitutions.filter((s) => s.ref === part.ref)"
                :key="given.ohms"
              >
                <b>{{ given.ohms }} Ω</b> <span class="soft">{{ given.reason }}</span>
              </template>
              <span v-if="!docket.kit?.substitutions.some((s) => s.ref === part.ref)" class="soft">
                {{ part.settings?.value ? `${part.settings.value} Ω, as in the recipe` : 'as in the recipe' }}
              </span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="docket.kit?.modules.board">
        Board <b class="v">{{ docket.kit.modules.board }}</b>
      </p>
      <template v-for="(told, place) in docket.kit?.calibrations" :key="place">
        <p v-for="one in told" :key="one">
          <b class="v">{{ place === 'board' ? 'Board' : place }}</b> counts with its calibration: {{ one }}
        </p>
      </template>
      <p v-for="(order, part) in docket.kit?.leg_orders" :key="part">
        {{ part in docket.kit!.modules ? 'The batch of' : 'This batch of' }}
        <span class="v">{{ part }}</span> is printed {{ order.replaceAll('-', ', ') }}.
      </p>
    </template>
    <template #findings>
      <h2>Take care</h2>
      <ul class="cautions">
        <li v-for="caution in docket.exercise.cautions" :key="caution">{{ caution }}</li>
      </ul>
      <p class="soft">Local rules and licensed practice come first.</p>
    </template>
    <template #decisions>
      <button class="btn line" @click="router.push(`/hatch?kit=${docket.kit?.tag ?? ''}`)">
        To the hatch
      </button>
      <form v-if="unfinished && isBack && later.length" class="carry" @submit.prevent="to && carryOver(to)">
        <label class="visually-hidden" for="carry">A later session</label>
        <select id="carry" v-model="to" class="field">
          <option :value="null">carry over to …</option>
          <option v-for="one in later" :key="one.id" :value="one.id">
            {{ dayOf(one.starts_at, one.zone) }} {{ clockTime(one.starts_at, one.zone) }}
          </option>
        </select>
        <button class="btn line" :disabled="busy || !to">Carry over</button>
      </form>
    </template>
  </StationFrame>
</template>

<style scoped>
.tag {
  margin-right: 8px;
}
.recipe {
  margin: 12px 0;
}
.carry {
  display: flex;
  gap: 8px;
}
.cautions {
  padding-left: 18px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
}
</style>

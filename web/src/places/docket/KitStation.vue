<script setup lang="ts">
import { NButton, NForm, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import { useSession } from '@/shared/me'
import { clockTime, dayOf } from '@/shared/words'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { kitStation as texts } from '@texts/docket'
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
      <h2>{{ docket.kit ? texts.kit(docket.kit.tag) : texts.noKit }}</h2>
      <p v-if="docket.kit" class="soft">
        {{ texts.handedOutAt(docket.kit.returned, clockTime(docket.kit.issued_at)) }}
      </p>
      <NTable :bordered="false" size="small" class="my-3 mx-0">
        <thead>
          <tr>
            <th>{{ texts.ref }}</th>
            <th>{{ common.part }}</th>
            <th>{{ texts.for }}</th>
            <th>{{ common.given }}</th>
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
              <b v-if="docket.kit?.modules[part.ref]" class="v tag mr-2">{{
                docket.kit.modules[part.ref]
              }}</b>
              <template
                v-for="given in docket.kit?.substitutions.filter((s) => s.ref === part.ref)"
                :key="given.ohms"
              >
                <b>{{ given.ohms }} Ω</b> <span class="soft">{{ given.reason }}</span>
              </template>
              <span v-if="!docket.kit?.substitutions.some((s) => s.ref === part.ref)" class="soft">
                {{ part.settings?.value ? texts.recipeOhms(part.settings.value) : texts.recipeValue }}
              </span>
            </td>
          </tr>
        </tbody>
      </NTable>
      <p v-if="docket.kit?.modules.board">
        {{ texts.board }} <b class="v">{{ docket.kit.modules.board }}</b>
      </p>
      <template v-for="(told, place) in docket.kit?.calibrations" :key="place">
        <p v-for="one in told" :key="one">
          <Sentence :text="texts.countedWithCalibration(one)"
            ><template #value
              ><b class="v">{{ place === 'board' ? texts.board : place }}</b></template
            >
          </Sentence>
        </p>
      </template>
      <p v-for="(order, part) in docket.kit?.leg_orders" :key="part">
        <Sentence :text="texts.legOrderPrinted(part in docket.kit!.modules, order.replaceAll('-', ', '))">
          <template #part
            ><span class="v">{{ part }}</span></template
          >
        </Sentence>
      </p>
    </template>
    <template #findings>
      <h2>{{ common.takeCare }}</h2>
      <ul class="cautions pl-4.5 grid grid-cols-1 gap-1.5">
        <li v-for="caution in docket.exercise.cautions" :key="caution">{{ caution }}</li>
      </ul>
      <p class="soft">{{ texts.localRulesFirst }}</p>
    </template>
    <template #decisions>
      <NButton type="primary" ghost @click="router.push(`/hatch?kit=${docket.kit?.tag ?? ''}`)">
        {{ texts.hatchLink }}
      </NButton>
      <NForm
        v-if="unfinished && isBack && later.length"
        class="flex gap-2"
        @submit.prevent="to && carryOver(to)"
      >
        <label class="visually-hidden" for="carry">{{ texts.laterSession }}</label>
        <ChoiceField
          id="carry"
          v-model="to"
          :options="[
            { value: null, label: texts.carryOverTo },
            ...later.map((one) => ({
              value: one.id,
              label: `${dayOf(one.starts_at, one.zone)} ${clockTime(one.starts_at, one.zone)}`,
            })),
          ]"
        />
        <NButton type="primary" ghost attr-type="submit" :disabled="busy || !to">{{
          texts.carryOver
        }}</NButton>
      </NForm>
    </template>
  </StationFrame>
</template>

<script setup lang="ts">
// Hand-ins with nothing to look at can be passed together, after one look at the list.
import { NButton, NCheckbox, NFlex, NForm } from 'naive-ui'
import { computed, ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import Dialog from '@/pieces/dialog/Dialog.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { useMe } from '@/shared/me'
import { stationName } from '@/shared/words'
import { common } from '@texts/common'
import { passClean as texts } from '@texts/floor'

const props = defineProps<{ session: number; benches: Schemas['BenchCardOut'][] }>()
const { data: me } = useMe()
const show = ref(false)
const left = ref<number[]>([])
const clean = computed(() => props.benches.filter((b) => b.clean && b.docket))
const picked = computed(() => clean.value.filter((b) => !left.value.includes(b.docket!)))
const changed = ref<string[]>([])
const { busy, error, run } = useAct(['floor'])
async function pass() {
  const dockets = Object.fromEntries(picked.value.map((b) => [String(b.docket), b.revision]))
  const path = { session_id: props.session }
  const done = await run(() =>
    ask(client.POST('/api/sessions/{session_id}/pass-clean', { params: { path }, body: { dockets } })),
  )
  changed.value = done?.changed ?? []
  if (done && !changed.value.length) show.value = false
}
function toggle(docket: number) {
  left.value = left.value.includes(docket)
    ? left.value.filter((id) => id !== docket)
    : [...left.value, docket]
}
</script>

<template>
  <NButton v-if="me?.kind === 'instructor' && clean.length" type="primary" ghost @click="show = true">
    {{ texts.passClean(clean.length) }}
  </NButton>
  <Dialog v-model:show="show" :title="texts.heading" width="560px">
    <NForm class="box grid grid-cols-1 gap-3" @submit.prevent="pass()">
      <p class="soft">{{ texts.condition }}</p>
      <NCheckbox
        v-for="bench in clean"
        :key="bench.docket!"
        class="bench"
        :checked="!left.includes(bench.docket!)"
        @update:checked="toggle(bench.docket!)"
      >
        <span class="number font-bold text-xl text-right">{{ bench.bench }}</span>
        <b>{{ bench.pair }}</b> {{ stationName(bench.station) }}: {{ bench.line }}
      </NCheckbox>
      <ErrorNote :error="error" />
      <p v-if="changed.length" role="status">
        {{ texts.changedMeanwhile(changed.join(', ')) }}
      </p>
      <NFlex :wrap="false" size="small" class="acts">
        <NButton type="primary" attr-type="submit" :disabled="!picked.length || busy">{{
          texts.pass(picked.length)
        }}</NButton>
        <NButton type="primary" quaternary @click="show = false">{{ common.notNow }}</NButton>
      </NFlex>
    </NForm>
  </Dialog>
</template>

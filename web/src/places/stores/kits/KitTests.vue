<script setup lang="ts">
// Parts that have to be tested before their kit goes out again: why, how in half a minute, and what reading says that it is well.
import { NButton, NFlex } from 'naive-ui'
import { computed } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useAct } from '@/shared/act'
import { kitTests as texts } from '@texts/hatch'

const props = defineProps<{ kits: Schemas['KitRowOut'][] }>()
const due = computed(() => props.kits.flatMap((kit) => kit.tests.map((test) => ({ ...test, tag: kit.tag }))))
const { busy, error, said, run } = useAct(['kits'])
function answer(id: number, isWell: boolean) {
  const body = { is_well: isWell, note: '' }
  return run(() => ask(client.POST('/api/kits/tests/{test_id}', { params: { path: { test_id: id } }, body })))
}
const times = (count: number) => count && texts.brokenBefore(count)
</script>

<template>
  <section v-if="due.length || said" class="mb-5" :aria-label="texts.heading">
    <header class="flex gap-3.5 items-baseline mb-2.5">
      <h2>{{ texts.heading }}</h2>
      <span class="soft">{{ texts.headingHint }}</span>
    </header>
    <ErrorNote :error="error" />
    <p v-if="said" role="status" class="mb-2.5">{{ said }}</p>
    <ul class="list-none m-0 p-0 grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] gap-3">
      <Sheet
        v-for="test in due"
        :key="test.id"
        tag="li"
        pad="small"
        inner="grid grid-cols-1 gap-1.5 content-start"
      >
        <NFlex :wrap="false" align="baseline" size="small" class="head">
          <b class="v">{{ test.tag }}</b><b>{{ test.title }}</b
          ><span class="soft v">{{ test.ref }}</span>
        </NFlex>
        <p class="because text-stop font-semibold">
          {{ test.because
          }}<template v-if="times(test.broken_before)">. {{ times(test.broken_before) }}</template>
        </p>
        <p>{{ test.how }}</p>
        <p class="soft">{{ texts.wellIs(test.well) }}</p>
        <NFlex :wrap="false" size="small" class="acts mt-1">
          <NButton type="primary" :disabled="busy" @click="answer(test.id, true)">{{ texts.well }}</NButton>
          <NButton type="primary" ghost :disabled="busy" @click="answer(test.id, false)">
            {{ texts.broken }}
          </NButton>
        </NFlex>
      </Sheet>
    </ul>
  </section>
</template>

<style scoped>
.because::first-letter {
  text-transform: uppercase;
}
</style>

<script setup lang="ts">
// Parts that have to be tested before their kit goes out again: why, how in half a minute, and what reading says that it is well.
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { useAct } from '@/shared/act'
import { kitTests as texts } from '@texts/hatch'

const props = defineProps<{ kits: Schemas['KitRowOut'][] }>()
const due = computed(() => props.kits.flatMap((kit) => kit.tests.map((test) => ({ ...test, tag: kit.tag }))))
const { busy, error, said, run } = useAct(['kits'])
function answer(id: number, isWell: boolean) {
  const body = { is_well: isWell, note: '' }
  return run(() => ask(client.POST('/api/kits/tests/{test_id}', { params: { path: { test_id: id } }, body })))
}
const times = (count: number) => count && texts.itWasBrokenTimes(count)
</script>

<template>
  <section v-if="due.length || said" class="tests" :aria-label="texts.toTest">
    <header>
      <h2>{{ texts.toTest }}</h2>
      <span class="soft">{{ texts.beforeTheKitGoes }}</span>
    </header>
    <ErrorNote :error="error" />
    <p v-if="said" role="status" class="good">{{ said }}</p>
    <ul>
      <li v-for="test in due" :key="test.id" class="sheet">
        <p class="head">
          <b class="v">{{ test.tag }}</b><b>{{ test.title }}</b
          ><span class="soft v">{{ test.ref }}</span>
        </p>
        <p class="because">
          {{ test.because
          }}<template v-if="times(test.broken_before)">. {{ times(test.broken_before) }}</template>
        </p>
        <p>{{ test.how }}</p>
        <p class="soft">{{ texts.wellIs(test.well) }}</p>
        <p class="acts">
          <NButton type="primary" :disabled="busy" @click="answer(test.id, true)">{{
            texts.itIsWell
          }}</NButton>
          <NButton type="primary" ghost :disabled="busy" @click="answer(test.id, false)">
            {{ texts.itIsBroken }}
          </NButton>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.tests {
  margin-bottom: 20px;
}
header {
  display: flex;
  gap: 14px;
  align-items: baseline;
  margin-bottom: 10px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
  gap: 12px;
}
li {
  padding: 14px 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  align-content: start;
}
.head {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.because {
  color: var(--stop);
  font-weight: 620;
}
.because::first-letter {
  text-transform: uppercase;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 4px;
}
.good {
  margin-bottom: 10px;
}
</style>

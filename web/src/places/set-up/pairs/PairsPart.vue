<script setup lang="ts">
// Pairs: made by typing two names, or by a rule as a proposal that is looked at first; changed by typing too.
import { NButton, NFlex, NForm, NTable } from 'naive-ui'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { ask, client, type Schemas } from '@/api/client'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { usePeople } from '@/queries/set-up'
import { useAct } from '@/shared/act'
import { common } from '@texts/common'
import { pairsPart as texts } from '@texts/set-up-people'
import { namesIn } from '@/places/set-up/people/names'
import PairRow from './PairRow.vue'
import PartHead from '../PartHead.vue'
import { STALE, useSetUp } from '../use-set-up'

type Way = 'list' | 'random' | 'alike' | 'mixed'
defineOptions({ inheritAttrs: false }) // the section is all that it needs of the course
const { sectionId } = useSetUp()
const people = usePeople(sectionId)
const typed = ref('')
const way = ref<Way>('list')
const seed = ref(1)
const groups = ref<Schemas['NamedUserOut'][][] | null>(null)
const field = useTemplateRef<InstanceType<typeof TextField>>('field')
const { busy, error, said, run } = useAct(STALE)
const path = computed(() => ({ section_id: sectionId.value ?? 0 }))
const left = computed(() => people.data.value?.students.filter((s) => s.pair === null) ?? [])
const reading = computed(() => namesIn(typed.value, left.value))
const ready = computed(() => reading.value.length > 0 && reading.value.every((line) => !line.problem))

async function make(of: number[][]) {
  const body = { groups: of }
  return run(() =>
    ask(client.POST('/api/set-up/sections/{section_id}/pairs', { params: { path: path.value }, body })),
  )
}
async function enter() {
  if (!ready.value || !(await make(reading.value.map((line) => line.users)))) return
  typed.value = ''
  void nextTick(() => field.value?.focus())
}
async function propose(again = false) {
  seed.value = again ? seed.value + 1 : seed.value
  const body = { way: way.value, seed: seed.value }
  const found = await run(() =>
    ask(
      client.POST('/api/set-up/sections/{section_id}/pairs/propose', { params: { path: path.value }, body }),
    ),
  )
  if (found) groups.value = found.groups
}
async function keep() {
  if (groups.value && (await make(groups.value.map((g) => g.map((m) => m.user))))) groups.value = null
}
</script>

<template>
  <PartHead :title="texts.pairs" :text="texts.whoWorksTogether" sections />
  <Asked v-slot="{ data }" shape="table" :query="people" :what="texts.subject">
    <EmptyNote v-if="!data.students.length" :title="texts.listFirst" :text="texts.pairsAreMade">
      <LinkButton to="/set-up/people">{{ texts.listLink }}</LinkButton>
    </EmptyNote>
    <template v-else>
      <section
        v-if="left.length"
        class="make grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-y-2.5 gap-x-8 pb-4.5 mb-2.5 border-b border-b-line"
      >
        <h3 class="col-span-full text-act text-base">{{ texts.unpaired(left.length) }}</h3>
        <template v-if="!groups">
          <NForm @submit.prevent="enter">
            <label class="field-label" for="pair-names">{{ texts.entryHint }}</label>
            <TextField
              id="pair-names"
              ref="field"
              v-model="typed"
              type="textarea"
              :rows="Math.min(8, typed.split('\n').length)"
              :placeholder="texts.pairExample"
              spellcheck="false"
              @keydown.enter.exact.prevent="enter"
            />
            <p
              v-for="(line, index) in reading"
              :key="index"
              class="read text-good text-sm"
              :class="{ wrong: line.problem }"
            >
              {{ line.problem || line.names.join(' · ') }}
            </p>
            <NFlex size="small" class="acts mt-2">
              <NButton type="primary" attr-type="submit" :disabled="busy || !ready">
                {{ reading.length > 1 ? texts.makePairs(reading.length) : texts.makeThePair }}
                <kbd>{{ common.enter }}</kbd>
              </NButton>
            </NFlex>
          </NForm>
          <div class="grid gap-2 content-start">
            <span class="field-label font-semibold text-sm">{{ texts.orPut }}</span>
            <ChoiceBar
              v-model="way"
              :label="texts.byWhichRule"
              :choices="[
                { value: 'list', word: texts.byList },
                { value: 'random', word: texts.byChance },
                { value: 'mixed', word: texts.strongWithWeak },
                { value: 'alike', word: texts.alike },
              ]"
            />
            <p class="soft">
              {{ texts.earlierPartners }}
            </p>
            <p>
              <NButton type="primary" ghost :disabled="busy || left.length < 2" @click="propose()">
                {{ texts.proposePairs }}
              </NButton>
            </p>
          </div>
        </template>
        <div v-else class="col-span-full">
          <ol>
            <li v-for="group in groups" :key="group[0]?.user">{{ group.map((m) => m.name).join(' · ') }}</li>
          </ol>
          <NFlex size="small" class="acts mt-2">
            <NButton type="primary" :disabled="busy" @click="keep">
              {{ texts.make(groups.length) }}
            </NButton>
            <NButton type="primary" ghost :disabled="busy" @click="propose(true)">
              {{ texts.anotherProposal }}
            </NButton>
            <NButton type="primary" quaternary @click="groups = null">{{ common.cancel }}</NButton>
          </NFlex>
        </div>
      </section>
      <ErrorNote :error="error" />
      <p class="min-h-5.5 text-good" role="status">{{ said }}</p>
      <div v-if="data.pairs.length" class="wrap">
        <NTable :bordered="false" size="small" class="middle">
          <caption class="visually-hidden">
            {{
              texts.pairs
            }}
          </caption>
          <thead>
            <tr>
              <th>{{ texts.badge }}</th>
              <th>{{ texts.members }}</th>
              <th>
                <span class="visually-hidden">{{ common.acts }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <PairRow v-for="pair in data.pairs" :key="pair.id" :pair="pair" :students="data.students" />
          </tbody>
        </NTable>
      </div>
    </template>
  </Asked>
</template>

<style scoped>
.read.wrong {
  color: var(--fix);
}
ol {
  columns: 2;
  margin: 0;
  padding-left: 28px;
  line-height: 1.75;
}
@media (max-width: 760px) {
  .make {
    grid-template-columns: minmax(0, 1fr);
  }
  ol {
    columns: 1;
  }
}
</style>

<script setup lang="ts">
// Modules and boards that are tagged one by one: where each is and how it is; one is opened for all that is known of it.
import { computed, ref } from 'vue'
import Asked from '@/pieces/Asked.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import { useModules } from '@/queries/stores'
import type { Schemas } from '@/api/client'
import { common } from '@texts/common'
import { moduleList as texts } from '@texts/stores-modules'
import BatchDialog from './BatchDialog.vue'
import ModuleDialog from './ModuleDialog.vue'
import ModuleState from './ModuleState.vue'
import TagModules from './TagModules.vue'

const modules = useModules()
const find = ref('')
const shown = ref<'all' | 'held' | 'loose' | 'aged'>('all')
const opened = ref<number | null>(null)
const tagging = ref(false)
const batches = ref(false)
type Row = Schemas['ModuleRowOut']
const HELD = ['repair', 'to-test', 'missing']
const CHOICES = [
  { value: 'all', word: texts.all },
  { value: 'held', word: texts.heldBack },
  { value: 'loose', word: texts.inNoKit },
  { value: 'aged', word: texts.calibrationToo },
] as const
const fits: Record<(typeof CHOICES)[number]['value'], (row: Row) => boolean> = {
  all: () => true,
  held: (row) => HELD.includes(row.state),
  loose: (row) => !row.where && row.state !== 'retired',
  aged: (row) => row.aged,
}
const told = computed(() => {
  const all = modules.data.value ?? []
  const parts = [texts.modules(all.filter((row) => row.state !== 'retired').length)]
  for (const choice of CHOICES.slice(1)) {
    const number = all.filter(fits[choice.value]).length
    if (number) parts.push(`${number} ${choice.word}`)
  }
  return parts.join(', ')
})
const rows = computed(() => {
  const words = find.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (modules.data.value ?? []).filter(
    (row) =>
      fits[shown.value](row) &&
      words.every((word) => `${row.tag} ${row.title} ${row.where} ${row.batch}`.toLowerCase().includes(word)),
  )
})
</script>

<template>
  <section :aria-label="common.modules">
    <header>
      <input
        v-model="find"
        class="field"
        type="search"
        :placeholder="texts.tagKindKitOrBatch"
        :aria-label="texts.findAModule"
      />
      <select v-model="shown" class="field" :aria-label="texts.whichModules">
        <option v-for="choice in CHOICES" :key="choice.value" :value="choice.value">{{ choice.word }}</option>
      </select>
      <button class="btn line" @click="batches = true">{{ texts.batches }}</button>
      <button class="btn" @click="tagging = true">{{ texts.tagModules }}</button>
    </header>
    <Asked v-slot="{ data }" :query="modules" :what="texts.theModules">
      <EmptyNote v-if="!data.length" :title="texts.noModuleIsTagged" :text="texts.aTaggedModuleKeeps" />
      <p v-else-if="!rows.length" class="soft none">{{ texts.noModuleFits }}</p>
      <template v-else>
        <p class="soft told">{{ told }}</p>
        <div class="sheet wrap">
          <table class="plain">
            <thead>
              <tr>
                <th>{{ texts.tag }}</th>
                <th>{{ common.kind }}</th>
                <th>{{ texts.where }}</th>
                <th>{{ common.state }}</th>
                <th>{{ texts.calibration }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in rows" :key="row.id" @click="opened = row.id">
                <td class="v">
                  <button class="tag" @click.stop="opened = row.id">{{ row.tag }}</button>
                </td>
                <td class="kind">{{ row.title }}</td>
                <td class="v">{{ row.where || texts.loose }}</td>
                <td><ModuleState :row="row" short /></td>
                <td class="soft">
                  {{ row.calibration }} <b v-if="row.aged" class="old">{{ texts.tooOld }}</b>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
    </Asked>
    <ModuleDialog v-model:id="opened" />
    <TagModules v-model:show="tagging" />
    <BatchDialog v-model:show="batches" />
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-bottom: 12px;
}
header input {
  flex: 1 1 180px;
}
header select {
  width: 176px;
}
.told {
  margin-bottom: 10px;
}
.kind {
  min-width: 190px;
}
.none {
  padding: 18px 4px;
}
.wrap {
  overflow: auto;
}
tbody tr {
  cursor: pointer;
}
tbody tr:hover td {
  background: var(--act-bg);
}
td.v {
  white-space: nowrap;
}
.tag {
  font: 700 15px var(--mono, inherit);
  font-family: inherit;
  color: var(--ink);
  background: none;
  border: 0;
  padding: 4px 0;
  cursor: pointer;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
}
.old {
  color: var(--stop);
  white-space: nowrap;
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { common } from '@texts/common'
import { kitTable as texts } from '@texts/stores'
import { kits as kitWords } from '@texts/words'

type Kit = Schemas['KitRowOut']
const props = defineProps<{ kits: Kit[]; chosen: string }>()
const emit = defineEmits<{ choose: [tag: string]; putRight: [tag: string] }>()
const all = ref(false)
const find = ref('')
const planned = computed(() => props.kits.filter((kit) => kit.planned))
/** Those of today's exercises, unless somebody looks for others. */
const offered = computed(() => (all.value || !planned.value.length ? props.kits : planned.value))
const shown = computed(() => {
  const words = find.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (words.length ? props.kits : offered.value).filter((kit) =>
    words.every((word) => `${kit.tag} ${kit.exercise} ${kit.holder}`.toLowerCase().includes(word)),
  )
})
const several = computed(() => new Set(shown.value.map((kit) => kit.exercise)).size > 1)
const note = (kit: Kit) =>
  [
    kit.why,
    ...kit.substitutions,
    kit.serves.length && kit.state === 'ready' ? texts.alsoFor(kit.serves.join(', ')) : '',
  ]
    .filter(Boolean)
    .join('; ')
const counts = computed(() => {
  const by = (state: string) => offered.value.filter((kit) => kit.state === state).length
  return texts.stateCounts(by('ready'), by('out'), by('incomplete') + by('repair') + by('to-test'))
})
const columns = computed((): ListColumn<Kit>[] => [
  { key: 'tag', title: texts.tag, by: (kit) => kit.tag },
  { key: 'state', title: common.state, by: (kit) => kitWords[kit.state] ?? kit.state },
  ...(several.value ? [{ key: 'exercise', title: common.exercise, by: (kit: Kit) => kit.exercise }] : []),
  { key: 'holder', title: texts.with, by: (kit) => kit.holder },
  { key: 'note', title: texts.note, by: note },
  { key: 'acts', title: common.acts, hiddenTitle: true },
])
const pressed = (tag: string) => ({
  class: ['whole', { chosen: tag === props.chosen }],
  tabindex: 0,
  onClick: () => emit('choose', tag),
  onKeydown: (event: KeyboardEvent) => event.key === 'Enter' && emit('choose', tag),
})
</script>

<template>
  <section :aria-label="common.kits">
    <header class="flex flex-wrap gap-y-2 gap-x-3.5 items-center mb-3">
      <h2>{{ common.kits }}</h2>
      <span class="soft">{{ counts }}</span>
      <TextField
        v-if="kits.length > 12"
        v-model="find"
        type="search"
        :placeholder="texts.findHint"
        :aria-label="texts.findAKit"
      />
      <ChoiceBar
        v-if="planned.length && planned.length < kits.length"
        v-model="all"
        :label="texts.whichKits"
        :choices="[
          { value: false, word: texts.todays },
          { value: true, word: texts.all },
        ]"
      />
    </header>
    <EmptyNote v-if="!kits.length" :title="texts.noKitsYet" :text="texts.noneHint" />
    <Sheet v-else pad="none">
      <ListTable
        name="kits"
        :rows="shown"
        :columns="columns"
        :row-key="(kit) => kit.id"
        :row-props="(kit) => pressed(kit.tag)"
        :caption="common.kits"
      >
        <template #tag="{ row }"
          ><b class="v whitespace-nowrap">{{ row.tag }}</b></template
        >
        <template #state="{ row }"
          ><span class="state" :class="row.state">{{ kitWords[row.state] }}</span></template
        >
        <template #holder="{ row }"
          ><span class="whitespace-nowrap">{{ row.holder }}</span></template
        >
        <template #note="{ row }"
          ><span class="soft">{{ note(row) }}</span></template
        >
        <template #acts="{ row }">
          <NButton
            v-if="row.state === 'repair' || (row.state === 'incomplete' && row.parts.length)"
            type="primary"
            quaternary
            :aria-label="texts.putRightLabel(row.tag, row.state === 'repair')"
            @click.stop="$emit('putRight', row.tag)"
            @keydown.enter.stop
          >
            {{ row.state === 'repair' ? texts.repaired : texts.completeNow }}
          </NButton>
        </template>
      </ListTable>
    </Sheet>
  </section>
</template>

<style scoped>
:deep(tr.chosen td:first-child) {
  box-shadow: inset 4px 0 0 var(--act);
}
.state {
  font-weight: 620;
  font-size: 14px;
}
.ready {
  color: var(--good);
}
.out {
  color: var(--copper);
}
.to-test,
.incomplete,
.repair {
  color: var(--stop);
}
header .n-input {
  flex: 1 1 150px;
  margin-left: auto;
  max-width: 230px;
}
</style>

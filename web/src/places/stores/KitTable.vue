<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import TextField from '@/pieces/fields/TextField.vue'
import ChoiceBar from '@/pieces/ChoiceBar.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import { common } from '@texts/common'
import { kitTable as texts } from '@texts/stores'
import { kits as kitWords } from '@texts/words'

const props = defineProps<{ kits: Schemas['KitRowOut'][]; chosen: string }>()
defineEmits<{ choose: [tag: string]; putRight: [tag: string] }>()
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
const note = (kit: Schemas['KitRowOut']) =>
  [
    kit.why,
    ...kit.substitutions,
    kit.serves.length && kit.state === 'ready' ? texts.alsoFor(kit.serves.join(', ')) : '',
  ]
    .filter(Boolean)
    .join('; ')
const counts = computed(() => {
  const by = (state: string) => offered.value.filter((kit) => kit.state === state).length
  return texts.readyOutHeldBack(by('ready'), by('out'), by('incomplete') + by('repair') + by('to-test'))
})
</script>

<template>
  <section :aria-label="common.kits">
    <header>
      <h2>{{ common.kits }}</h2>
      <span class="soft">{{ counts }}</span>
      <TextField
        v-if="kits.length > 12"
        v-model="find"
        type="search"
        :placeholder="texts.tagExerciseOrPair"
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
    <EmptyNote v-if="!kits.length" :title="texts.noKitsYet" :text="texts.aKitIsATagged" />
    <div v-else class="sheet wrap">
      <NTable :bordered="false" size="small">
        <thead>
          <tr>
            <th>{{ texts.tag }}</th>
            <th>{{ common.state }}</th>
            <th v-if="several">{{ common.exercise }}</th>
            <th>{{ texts.with }}</th>
            <th>{{ texts.note }}</th>
            <th>
              <span class="visually-hidden">{{ common.acts }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="kit in shown"
            :key="kit.id"
            :class="{ chosen: kit.tag === chosen }"
            tabindex="0"
            @click="$emit('choose', kit.tag)"
            @keydown.enter="$emit('choose', kit.tag)"
          >
            <td class="v">
              <b>{{ kit.tag }}</b>
            </td>
            <td>
              <span class="state" :class="kit.state">{{ kitWords[kit.state] }}</span>
            </td>
            <td v-if="several">{{ kit.exercise }}</td>
            <td class="with">{{ kit.holder }}</td>
            <td class="soft">{{ note(kit) }}</td>
            <td class="num">
              <NButton
                v-if="kit.state === 'repair' || (kit.state === 'incomplete' && kit.parts.length)"
                type="primary"
                quaternary
                :aria-label="texts.isNow(kit.tag, kit.state === 'repair')"
                @click.stop="$emit('putRight', kit.tag)"
                @keydown.enter.stop
              >
                {{ kit.state === 'repair' ? texts.repaired : texts.completeNow }}
              </NButton>
            </td>
          </tr>
        </tbody>
      </NTable>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 12px;
}
.v,
.with {
  white-space: nowrap;
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
tr.chosen td:first-child {
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

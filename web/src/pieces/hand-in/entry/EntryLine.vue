<script setup lang="ts">
// One line for everything: what it will do stands under it before Enter is pressed.
import { NButton, NDescriptionsItem, NFlex } from 'naive-ui'
import { computed, ref, useTemplateRef } from 'vue'
import Unfold from '@/pieces/controls/Unfold.vue'
import TextField from '@/pieces/fields/TextField.vue'
import Facts from '@/pieces/lists/Facts.vue'
import { common } from '@texts/common'
import { entryLine as texts } from '@texts/hand-in'
import { readLine } from '../lines'
import { completions } from './complete'
import { understand } from './line'
import type { Vocabulary } from './words'

const props = defineProps<{ lines: string[]; words: Vocabulary; mayUndo: boolean }>()
const emit = defineEmits<{ change: [lines: string[]]; undo: []; submit: [] }>()
const field = useTemplateRef<InstanceType<typeof TextField>>('field')
const text = ref('')
const wrong = ref('')
const before = ref('')

const outcome = computed(() => understand(text.value, props.lines, props.words))
const offered = computed(() => completions(text.value, props.lines.map(readLine), props.words))

function enter() {
  if ('wrong' in outcome.value) {
    wrong.value = outcome.value.wrong
    return
  }
  emit('change', outcome.value.apply(props.lines))
  before.value = text.value
  text.value = ''
  wrong.value = ''
}
function take(insert: string) {
  text.value = text.value.replace(/\S*$/, insert) + (insert.endsWith('=') ? '' : ' ')
  field.value?.focus()
}
function onKey(event: KeyboardEvent) {
  if (event.key === 'Enter' && event.ctrlKey) emit('submit')
  else if (event.key === 'Enter') enter()
  else if (event.key === 'Tab' && !event.shiftKey && text.value.trim() && offered.value[0])
    take(offered.value[0].insert)
  else if (event.key === 'ArrowUp' && !text.value && before.value) text.value = before.value
  else if (event.key === 'z' && event.ctrlKey && !text.value) emit('undo')
  else if (event.key === 'Escape' && text.value) text.value = wrong.value = ''
  else return
  event.preventDefault()
}
// Not on a phone: its keyboard would cover the page before anything is asked.
const hasKeyboard = window.matchMedia('(hover: hover)').matches
defineExpose({ focus: () => hasKeyboard && field.value?.focus({ preventScroll: true }) })
</script>

<template>
  <NFlex vertical size="small">
    <div class="line flex items-center gap-3">
      <label class="font-semibold" for="entry-line">{{ common.add }}</label>
      <TextField
        id="entry-line"
        ref="field"
        v-model="text"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        :placeholder="texts.whatToType"
        aria-describedby="entry-says"
        @input="wrong = ''"
        @keydown="onKey"
      />
      <NButton type="primary" ghost :disabled="!mayUndo" @click="emit('undo')">
        {{ common.undo }}
      </NButton>
    </div>
    <div id="entry-says" class="says min-h-6 text-sm" :class="{ wrong: wrong }" aria-live="polite">
      <template v-if="wrong">{{ wrong }}</template>
      <template v-else-if="'said' in outcome">
        <kbd>{{ common.enter }}</kbd> <span class="v">{{ outcome.said }}</span>
      </template>
      <template v-else-if="text.trim()"
        ><span class="soft">{{ outcome.wrong }}</span></template
      >
      <Unfold v-else :title="texts.helpHeading">
        <Facts class="mt-2 mb-1">
          <NDescriptionsItem>
            <template #label>.8 a12 y</template>
            {{ texts.helpWire }}
          </NDescriptionsItem>
          <NDescriptionsItem>
            <template #label>{{ texts.thermometerExample }}</template>
            {{ texts.helpModule }}
          </NDescriptionsItem>
          <NDescriptionsItem>
            <template #label>{{ texts.resistorExample }}</template>
            {{ texts.helpResistor }}
          </NDescriptionsItem>
          <NDescriptionsItem>
            <template #label>q b=c12 c=c11 e=c13</template>
            {{ texts.legsByName }}
          </NDescriptionsItem>
          <NDescriptionsItem>
            <template #label>{{ texts.commandsExample }}</template>
            {{ texts.helpCommands }}
          </NDescriptionsItem>
          <NDescriptionsItem>
            <template #label>{{ texts.helpTableHeading }}</template>
            {{ texts.helpTable }}
          </NDescriptionsItem>
        </Facts>
      </Unfold>
    </div>
    <ul
      v-if="text.trim() && offered.length"
      class="offered list-none m-0 p-0 flex flex-wrap gap-1.5"
      :aria-label="texts.mayBecome"
    >
      <li v-for="(one, index) in offered" :key="one.insert">
        <NButton text tabindex="-1" @click="take(one.insert)">
          <kbd v-if="index === 0">{{ texts.tab }}</kbd> <span class="v">{{ one.insert }}</span>
          <span class="soft">{{ one.about }}</span>
        </NButton>
      </li>
    </ul>
  </NFlex>
</template>

<style scoped>
.line .n-input {
  flex: 1;
  min-width: 0;
  font-family: var(--mono);
}
.says.wrong {
  color: var(--stop);
}
.offered .n-button {
  background: var(--sunk);
  border-radius: 4px;
  padding: 4px 9px;
  font-size: 14px;
}
dt {
  font: 13px var(--mono);
  padding-top: 1px;
}
@media (max-width: 620px) {
  dl {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

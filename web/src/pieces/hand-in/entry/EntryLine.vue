<script setup lang="ts">
// One line for everything: what it will do stands under it before Enter is pressed.
import { computed, ref, useTemplateRef } from 'vue'
import { readLine } from '../lines'
import { completions } from './complete'
import { understand } from './line'
import type { Vocabulary } from './words'

const props = defineProps<{ lines: string[]; words: Vocabulary; mayUndo: boolean }>()
const emit = defineEmits<{ change: [lines: string[]]; undo: []; submit: [] }>()
const field = useTemplateRef<HTMLInputElement>('field')
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
  <div class="entry">
    <div class="line">
      <label class="prompt" for="entry-line">Add</label>
      <input
        id="entry-line"
        ref="field"
        v-model="text"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        placeholder=".8 a12   or   led c16   or   mv U1 2"
        aria-describedby="entry-says"
        @input="wrong = ''"
        @keydown="onKey"
      />
      <button type="button" class="btn line" :disabled="!mayUndo" @click="emit('undo')">Undo</button>
    </div>
    <div id="entry-says" class="says" :class="{ wrong: wrong }" aria-live="polite">
      <template v-if="wrong">{{ wrong }}</template>
      <template v-else-if="'said' in outcome">
        <kbd>Enter</kbd> <span class="v">{{ outcome.said }}</span>
      </template>
      <template v-else-if="text.trim()"
        ><span class="soft">{{ outcome.wrong }}</span></template
      >
      <details v-else class="help">
        <summary>How to type a bench</summary>
        <dl>
          <dt>.8 a12 y</dt>
          <dd>a yellow wire from pin D8 to hole a12. A pin begins with a dot, a rail is +l -l +r -r.</dd>
          <dt>th f20</dt>
          <dd>the thermometer, its legs in f20, f21, f22. f22-20 goes upwards.</dd>
          <dt>r f4 f9 bngnrdgd m=1480</dt>
          <dd>a resistor with its bands (two letters each) or its value, and what a meter says.</dd>
          <dt>q b=c12 c=c11 e=c13</dt>
          <dd>legs by name, or by the beginning of it.</dd>
          <dt>mv U1 2 · sw R1 · dup R1 · del R1</dt>
          <dd>moves down two rows, exchanges ends, copies, removes. Ctrl Z takes the last change back.</dd>
          <dt>in a row</dt>
          <dd>
            Enter goes down, Alt ↓ moves its part by a row of the board, Alt S exchanges ends, Alt C copies,
            Alt Delete removes.
          </dd>
        </dl>
      </details>
    </div>
    <ul v-if="text.trim() && offered.length" class="offered" aria-label="May become">
      <li v-for="(one, index) in offered" :key="one.insert">
        <button type="button" tabindex="-1" @click="take(one.insert)">
          <kbd v-if="index === 0">Tab</kbd> <span class="v">{{ one.insert }}</span>
          <span class="soft">{{ one.about }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
}
.line {
  display: flex;
  align-items: center;
  gap: 12px;
}
.prompt {
  font-weight: 640;
}
.line input {
  flex: 1;
  min-width: 0;
  font: 15px var(--mono);
  color: var(--ink);
  background: var(--sheet);
  border: 1.5px solid var(--pad);
  border-radius: 5px;
  padding: 9px 11px;
}
.line input:focus {
  outline: 2.5px solid var(--act);
  border-color: transparent;
}
.line input::placeholder {
  color: var(--faint);
}
.says {
  margin: 0;
  min-height: 25px;
  font-size: 14px;
}
.says.wrong {
  color: var(--stop);
}
.offered {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.offered button {
  font: 14px var(--text);
  color: var(--ink);
  background: var(--sunk);
  border: 0;
  border-radius: 4px;
  padding: 4px 9px;
  cursor: pointer;
}
.help summary {
  color: var(--soft);
  cursor: pointer;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 14px;
  margin: 8px 0 4px;
}
dt {
  font: 13px var(--mono);
  padding-top: 1px;
}
dd {
  margin: 0;
  color: var(--soft);
}
@media (max-width: 620px) {
  dl {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
// Code with findings in the margin: a mark opens one plain sentence.
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import { cpp } from '@codemirror/lang-cpp'
import { python } from '@codemirror/lang-python'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import { Compartment, EditorState } from '@codemirror/state'
import { EditorView, keymap, lineNumbers } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import { findingMarks, type Mark, setMarks } from './finding-marks'

const props = defineProps<{
  editable?: boolean
  language?: 'cpp' | 'python' | 'plain'
  label: string
  marks?: Mark[]
  line?: number | null
}>()
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ submit: []; pick: [line: number] }>()
const host = useTemplateRef<HTMLDivElement>('host')
let view: EditorView | null = null
const grammar = new Compartment()
const spoken = () => (props.language === 'cpp' ? cpp() : props.language === 'python' ? python() : [])

const look = HighlightStyle.define([
  { tag: tags.keyword, color: 'var(--act)' },
  { tag: [tags.number, tags.bool], color: 'var(--copper)' },
  { tag: tags.string, color: 'var(--good)' },
  { tag: tags.comment, color: 'var(--faint)', fontStyle: 'italic' },
  { tag: tags.typeName, color: 'var(--note)', fontWeight: '600' },
])
const theme = EditorView.theme({
  '&': {
    backgroundColor: 'var(--sheet)',
    color: 'var(--ink)',
    border: '1px solid var(--line)',
    borderRadius: '6px',
  },
  '&.cm-focused, &:has(.cm-content:focus-visible)': { outline: '2px solid var(--act)' },
  '.cm-content': {
    fontFamily: 'var(--mono)',
    fontSize: '13.5px',
    padding: '8px 0',
    caretColor: 'var(--ink)',
  },
  '.cm-gutters': {
    backgroundColor: 'var(--sunk)',
    color: 'var(--faint)',
    border: 'none',
    fontFamily: 'var(--mono)',
    fontSize: '12.5px',
  },
  '.cm-scroller': { minHeight: '180px', maxHeight: 'var(--code-most)' },
  '.cm-tooltip': {
    backgroundColor: 'var(--sheet)',
    color: 'var(--ink)',
    border: '1px solid var(--pad)',
    fontFamily: 'var(--text)',
    maxWidth: '420px',
  },
  '.cm-selectionBackground, &.cm-focused .cm-selectionBackground': {
    backgroundColor: 'var(--act-bg) !important',
  },
})

function showMarks() {
  view?.dispatch({ effects: setMarks.of(props.marks ?? []) })
}

onMounted(() => {
  view = new EditorView({
    parent: host.value!,
    state: EditorState.create({
      doc: text.value,
      extensions: [
        lineNumbers(),
        history(),
        keymap.of([
          {
            key: 'Mod-Enter',
            run: () => {
              emit('submit')
              return true
            },
          },
          ...defaultKeymap,
          ...historyKeymap,
        ]),
        grammar.of(spoken()),
        syntaxHighlighting(look),
        theme,
        findingMarks(),
        EditorState.readOnly.of(!props.editable),
        EditorView.editable.of(!!props.editable),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({
          'aria-label': props.label,
          ...(props.editable ? {} : { tabindex: '0' }),
        }),
        EditorView.domEventHandlers({
          click(event, editor) {
            const at = editor.posAtCoords({ x: event.clientX, y: event.clientY })
            if (at !== null) emit('pick', editor.state.doc.lineAt(at).number)
          },
        }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) text.value = update.state.doc.toString()
        }),
      ],
    }),
  })
  showMarks()
})
onBeforeUnmount(() => view?.destroy())
watch(text, (now) => {
  if (view && now !== view.state.doc.toString()) {
    view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: now } })
  }
})
watch(
  () => props.language,
  () => view?.dispatch({ effects: grammar.reconfigure(spoken()) }),
)
watch(() => props.marks, showMarks, { deep: true })
watch(
  () => props.line,
  (line) => {
    if (!view || !line || line > view.state.doc.lines) return
    const at = view.state.doc.line(line)
    view.dispatch({
      selection: { anchor: at.from, head: at.to },
      effects: EditorView.scrollIntoView(at.from, { y: 'center' }),
    })
  },
)
</script>

<template><div ref="host" class="code" :class="{ read: !editable }" /></template>

<style scoped>
.code {
  --code-most: 56vh;
  min-width: 0;
}
.code.read {
  --code-most: max(300px, calc(100vh - 266px));
}
</style>

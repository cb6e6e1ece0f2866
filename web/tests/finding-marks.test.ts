import { EditorState } from '@codemirror/state'
import { EditorView } from '@codemirror/view'
import { afterEach, describe, expect, it } from 'vitest'
import { findingMarks, rangeOf, setMarks } from '@/pieces/code/finding-marks'

const TEXT = 'void setup() {}\n\nint x = analogRead(A0);\n'
let view: EditorView | undefined
function editor(marks: Parameters<typeof setMarks.of>[0]) {
  view = new EditorView({
    parent: document.body,
    state: EditorState.create({ doc: TEXT, extensions: findingMarks() }),
  })
  view.dispatch({ effects: setMarks.of(marks) })
  return view
}
afterEach(() => view?.destroy())

describe('findings in code', () => {
  it('are underlined from their column to the end of the line', () => {
    const state = EditorState.create({ doc: TEXT })
    const marked = (line: number, column?: number) => {
      const { from, to } = rangeOf(state, { line, column, text: '', severity: 'fix' })
      return state.sliceDoc(from, to)
    }
    expect(marked(3, 9)).toBe('analogRead(A0);')
    expect(marked(1)).toBe('void setup() {}')
    expect(marked(3, 999)).toBe('int x = analogRead(A0);') // past the end: the whole line
  })

  it('show the worst severity of a line as one shape with every sentence', () => {
    const { dom } = editor([
      { line: 3, text: 'Unused.', severity: 'note' },
      { line: 3, text: 'The offset is missing.', severity: 'stop' },
    ])
    const shapes = dom.querySelectorAll('.cm-shape')
    expect(shapes).toHaveLength(1)
    expect(shapes[0]!.getAttribute('class')).toContain('stop')
    expect(shapes[0]!.getAttribute('aria-label')).toBe('Unused. The offset is missing.')
  })

  it('leave out a line that is not there', () => {
    const { dom } = editor([{ line: 40, text: 'Gone.', severity: 'fix' }])
    expect(dom.querySelectorAll('.cm-shape, .cm-marked')).toHaveLength(0)
  })
})

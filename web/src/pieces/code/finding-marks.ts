// Findings in code: the shape of the severity in the margin, a plain underline in its colour, and the sentence on a hover or
// a press of the shape.
import { type EditorState, type Extension, RangeSet, StateEffect, StateField } from '@codemirror/state'
import { Decoration, EditorView, gutter, GutterMarker, hoverTooltip, type Tooltip } from '@codemirror/view'
import { severityName } from '@/shared/words'
import { shapeOf } from '@/pieces/findings/severity'

export interface Mark {
  line: number
  column?: number
  text: string
  severity: string
}
const WORST_FIRST = ['stop', 'fix', 'check', 'note']
const SVG = 'http://www.w3.org/2000/svg'

export const setMarks = StateEffect.define<Mark[]>()
const marksField = StateField.define<Mark[]>({
  create: () => [],
  update(marks, transaction) {
    for (const effect of transaction.effects) if (effect.is(setMarks)) return effect.value
    return marks
  },
})

const isThere = (state: EditorState) => (mark: Mark) => mark.line >= 1 && mark.line <= state.doc.lines
const shown = (state: EditorState) => state.field(marksField).filter(isThere(state))

/** Where a mark is underlined: from its column to the end of its line, the whole line where it names no column. */
export function rangeOf(state: EditorState, mark: Mark): { from: number; to: number } {
  const line = state.doc.line(mark.line)
  const from = Math.min(line.to, line.from + Math.max(0, (mark.column ?? 1) - 1))
  return { from: from === line.to ? line.from : from, to: line.to }
}

class Shape extends GutterMarker {
  constructor(
    readonly severity: string,
    readonly said: string,
  ) {
    super()
  }
  override eq(other: Shape) {
    return other.severity === this.severity && other.said === this.said
  }
  override toDOM() {
    const svg = document.createElementNS(SVG, 'svg')
    svg.setAttribute('viewBox', '0 0 12 12')
    const path = document.createElementNS(SVG, 'path')
    const shape = shapeOf(this.severity)
    path.setAttribute('d', shape.path)
    path.setAttribute('fill', shape.outline ? 'none' : 'currentColor')
    path.setAttribute('stroke', shape.outline ? 'currentColor' : 'none')
    path.setAttribute('stroke-width', '2.4')
    svg.append(path)
    const shown = document.createElement('span')
    shown.className = `cm-shape ${this.severity}`
    shown.title = this.said
    shown.setAttribute('role', 'img')
    shown.setAttribute('aria-label', this.said)
    shown.append(svg)
    return shown
  }
}

function shapes(state: EditorState): RangeSet<GutterMarker> {
  const byLine = new Map<number, Mark[]>()
  for (const mark of shown(state)) byLine.set(mark.line, [...(byLine.get(mark.line) ?? []), mark])
  const found = [...byLine].map(([line, marks]) => {
    const worst = WORST_FIRST.find((severity) => marks.some((mark) => mark.severity === severity)) ?? 'note'
    return new Shape(worst, marks.map((mark) => mark.text).join(' ')).range(state.doc.line(line).from)
  })
  return RangeSet.of(found, true)
}

const underlines = EditorView.decorations.compute([marksField, 'doc'], (state) =>
  Decoration.set(
    shown(state).flatMap((mark) => {
      const { from, to } = rangeOf(state, mark)
      return from < to ? [Decoration.mark({ class: `cm-marked ${mark.severity}` }).range(from, to)] : []
    }),
    true,
  ),
)

const sentences = hoverTooltip((view, at): Tooltip | null => {
  const here = shown(view.state).filter((mark) => {
    const { from, to } = rangeOf(view.state, mark)
    return from <= at && at <= to
  })
  if (!here.length) return null
  return {
    pos: at,
    create() {
      const dom = document.createElement('div')
      dom.className = 'cm-said'
      for (const mark of here) {
        const line = dom.appendChild(document.createElement('p'))
        line.appendChild(document.createElement('b')).textContent = `${severityName(mark.severity)} `
        line.append(mark.text)
      }
      return { dom }
    },
  }
})

const look = EditorView.theme({
  '.cm-shapes': { width: '16px' },
  '.cm-shapes .cm-gutterElement': { display: 'flex', alignItems: 'center', justifyContent: 'center' },
  '.cm-shape': { width: '10px', height: '10px', display: 'flex' },
  '.cm-marked': { textDecoration: 'underline 2px', textUnderlineOffset: '4px' },
  ...Object.fromEntries(
    WORST_FIRST.flatMap((severity) => [
      [`.cm-shape.${severity}`, { color: `var(--${severity})` }],
      [`.cm-marked.${severity}`, { textDecorationColor: `var(--${severity})` }],
    ]),
  ),
  '.cm-said': { padding: '6px 10px', fontFamily: 'var(--text)', maxWidth: '420px' },
})

export function findingMarks(): Extension {
  return [
    marksField,
    gutter({ class: 'cm-shapes', markers: (view) => shapes(view.state) }),
    underlines,
    sentences,
    look,
  ]
}

import { expect, test } from 'vitest'
import type { Schemas } from '@/api/client'
import { spans } from '@/pieces/plots/run-option'

const trace = (looks: [number, string, string][], indicators: [number, string, boolean][] = []) =>
  ({
    looks: looks.map(([ms, ref, text]) => ({ ms, ref, text })),
    indicators: indicators.map(([ms, ref, on]) => ({ ms, ref, on })),
    ended_ms: 9000,
  }) as unknown as Schemas['TraceOut']

test('a stretch says what its output showed, and ends with the next state', () => {
  const run = trace([
    [1000, 'D1', 'red'],
    [1500, 'D2', 'on'],
    [3000, 'D1', 'green'],
    [5000, 'D1', 'off'],
  ])
  expect(spans(run, 'D1')).toEqual([
    [1, 3, 'red'],
    [3, 5, 'green'],
  ])
  expect(spans(run, 'D2')).toEqual([[1.5, 9, 'on']])
})

test('a run that was kept without states is drawn from on and off', () => {
  const run = trace(
    [],
    [
      [1000, 'D1', true],
      [2000, 'D1', false],
    ],
  )
  expect(spans(run, 'D1')).toEqual([[1, 2, 'on']])
})

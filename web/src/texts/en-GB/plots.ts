// The drawings over steps and over time.
import type { Value } from '../value'

export const budgetBars = {
  label: (step: Value) => `What widens the limits at “${step}”`,
  nothingDoes: 'Nothing does: it is one thing or the other.',
  worstSum: 'All at their worst, added',
  combined: 'Combined, k = 2',
  nonLinear: '(the chain bends here: the likely limits are drawn)',
  share: 'share',
  remainingShare: 'is what would be left once it is measured.',
}

export const livePlot = {
  label: 'Readings as they come',
}

export const runPlot = {
  label: 'The run on the twin over time',
  stimulus: 'given to the sensor',
  printed: 'printed by the program',
  on: 'on',
}

export const transferPlot = {
  whatIsPrinted: (name: Value, stimulusUnit: Value) =>
    `${name}: what is printed over ${stimulusUnit} at the sensor, with limits`,
  expected: 'expected',
  limits: 'limits',
  steps: 'steps',
  readingsInLimits: 'readings in limits',
  out: 'out',
  faultLine: 'this fault would print',
  count: (expected: Value) => `count ${expected}`,
  shouldPrint: (expected: Value, unit: Value) => `should print ${expected} ${unit}`,
  line: (line: Value) => `, line ${line}`,
  axisLabel: (stimulus: Value) => `${stimulus} at the sensor`,
  read: (rawUnit: Value) => `${rawUnit} read`,
  ownThreshold: (printed: Value, unit: Value) => `the pair’s own threshold, about ${printed} ${unit}`,
  threshold: (printed: Value) => `threshold ${printed}`,
  wouldPrint: 'would print',
  wouldPrintValue: (value: Value) => `would print ${value}`,
  withinLimits: 'in limits',
  printed: (step: Value, value: Value) => `${step}\nprinted ${value}`,
}

export const runOption = {
  noTag: 'no tag',
  differsHere: 'differs here',
  given: 'given',
  printed: 'printed',
  count: 'count',
  on: 'on',
  threshold: (value: Value, unit: Value) => `threshold ${value} ${unit}`,
}

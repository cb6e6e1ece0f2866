// The log in the readings station: columns, steps, explanations and what to do at the bench.
import type { Value } from '../value'

export const benchActs = {
  measurementsHeading: 'To tell them apart',
  aboutS: (seconds: Value) => `about ${seconds} s`,
  range: (range: Value) => `, ${range} range`,
  valueLabel: 'It reads',
  showBestOnly: 'Only the best one',
  showOtherMeasurements: 'Other ways to tell',
  atBench: 'at the bench',
}

export const explanations = {
  whatExplainsIt: 'What explains it',
  tiedBest: (ties: Value) => `one of ${ties} that fit best`,
  foundByProgramCheck: 'The program check found it',
  line: (programLine: Value) => `Line ${programLine}`,
  programLink: 'To the program',
  measureHeading: 'To see it',
  sameLogAs: 'No log tells it from',
  tiesAndMore: (ties: Value) => `and ${ties} more`,
  removeFromPlot: 'Take it off the plot',
  drawOnPlot: 'Draw what it would print',
}

export const logView = {
  takenFor: (name: Value) => `Taken for ${name}`,
  because: (because: Value) => `because ${because}`,
  none: 'none',
  line: (looked: Value, step: Value) => `line ${looked}, “${step}”`,
  count: 'count ',
  shouldPrint: 'should print {expected} {limits},',
  printed: 'printed {value} {verdict}',
  logLabel: 'The log as handed in; arrow keys go from reading to reading',
  noReadingFound: 'No line of this log was taken as a reading of a step.',
  byAPerson: 'by a person',
}

export const stepEnds = {
  heading: 'Where each step begins',
  help: 'drag a line, or move it with the arrow keys and Enter',
  reset: 'As it was found',
  begins: (step: Value) => `“${step}” begins`,
  line: (line: Value, drawn: Value) => `line ${line}, ${drawn}`,
  missingSteps: 'Not found in this log:',
  beginsOnLine: (step: Value, looked: Value) => `“${step}” begins on line ${looked}`,
  byAPerson: 'by a person',
}

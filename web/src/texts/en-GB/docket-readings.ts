// The log in the readings station: columns, steps, explanations and what to do at the bench.
import type { Value } from '../value'

export const benchActs = {
  toTellThemApart: 'To tell them apart',
  aboutS: (seconds: Value) => `about ${seconds} s`,
  range: (range: Value) => `, ${range} range`,
  itReads: 'It reads',
  onlyTheBestOne: 'Only the best one',
  otherWaysToTell: 'Other ways to tell',
  atTheBench: 'at the bench',
}

export const explanations = {
  whatExplainsIt: 'What explains it',
  oneOfThatFitBest: (ties: Value) => `one of ${ties} that fit best`,
  theProgramCheck: 'The program check found it',
  line: (programLine: Value) => `Line ${programLine}`,
  toTheProgram: 'To the program',
  toSeeIt: 'To see it',
  noLogTellsItFrom: 'No log tells it from',
  tiesAndMore: (ties: Value) => `and ${ties} more`,
  takeItOffThePlot: 'Take it off the plot',
  drawWhatItWouldPrint: 'Draw what it would print',
}

export const logView = {
  takenFor: (name: Value) => `Taken for ${name}`,
  because: (because: Value) => `because ${because}`,
  none: 'none',
  line: (looked: Value, step: Value) => `line ${looked}, “${step}”`,
  count: 'count ',
  shouldPrint: 'should print {expected} {limits},',
  printed: 'printed {value} {verdict}',
  theLogAsHandedIn: 'The log as handed in; arrow keys go from reading to reading',
  noLineOfThisLog: 'No line of this log was taken as a reading of a step.',
  byAPerson: 'by a person',
}

export const stepEnds = {
  whereEachStepBegins: 'Where each step begins',
  dragALineOrMove: 'drag a line, or move it with the arrow keys and Enter',
  asItWasFound: 'As it was found',
  begins: (step: Value) => `“${step}” begins`,
  line: (line: Value, drawn: Value) => `line ${line}, ${drawn}`,
  notFoundInThisLog: 'Not found in this log:',
  beginsOnLine: (step: Value, looked: Value) => `“${step}” begins on line ${looked}`,
  byAPerson: 'by a person',
}

// The views of a wiring: board map, currents, resistors, comparison.
import type { Value } from '../value'

export const byItself = {
  byItselfThrough: 'By itself, through the plan',
  does: 'Does',
  agrees: 'agrees',
  differs: 'differs',
}

export const compare = {
  comparing: 'Comparing…',
  nothingToCompare: 'Nothing to compare with',
  noReference: 'This exercise has no wiring of its own. The findings still judge the bench by what it does.',
  functionsDiffer: (apart: Value, rows: Value) => `${apart} of ${rows} functions differ`,
  functionsAgree: (rows: Value) => `All ${rows} functions are as intended`,
  whatItDoes: 'What it does',
  asHandedIn: 'As handed in',
  asIntended: 'As intended',
  agrees: 'Agrees',
  legend: 'Other pins, rows and sides that do the same are as good. ✓ the same, ≠ not the same.',
}

export const currents = {
  stopOpenFor: (stopped: Value) =>
    `A Stop is open for ${stopped}: what flows there is not what a part of this kind does; the finding says what happens.`,
  setOutputs: 'Set outputs and what can be moved',
  nothingBehindIt: 'nothing behind it',
  allOutputsHigh: 'all outputs high',
  everythingAtRest: 'everything at rest',
  onlyOneState: 'Nothing on this bench is driven or moved; it has one state.',
  nothingIsSolved: 'Nothing is solved',
  solving: 'Solving…',
  doesNotSettle: (refName: Value) =>
    `${refName} does not settle in this state: it switches itself off and on.`,
  current: 'Current',
  heat: 'Heat',
  way: 'Way',
  pinsGive: 'Pins give',
  nothingWorthNaming: 'nothing worth naming',
  legInA: (leg: Value, a: Value) => `in ${leg} ${a}`,
  out: (leg: Value, a: Value) => `out ${leg} ${a}`,
}

export const resistors = {
  loading: 'Working out the windows…',
  none: 'No resistor on this bench',
  noneHint: 'When one is handed in, its job and the values it may have stand here.',
  lowBecauseLeast: (lowBecause: Value) => `least: ${lowBecause}`,
  highBecauseMost: (highBecause: Value) => `most: ${highBecause}`,
  ampsAtMost: (amps: Value) => `at most ${amps}`,
  wattsOf: (watts: Value, rated: Value) => `${watts} of ${rated}`,
  meterReads: (ohms: Value, less: boolean) =>
    `a meter across it reads ${ohms}${less ? ` as it sits: something lies beside it` : ''}`,
  stockHeading: 'In the drawers',
  left: (drawers: Value, number: Value) => `${drawers}, ${number} left`,
  nothingThatFits: 'nothing that fits this window',
  jobSeries: 'in series with',
  jobBase: 'into the base of',
  pullsUp: 'pulls up',
  pullsDown: 'pulls down',
  dividesWith: 'divides with',
  jobLevel: 'brings down the level of',
  contrastOf: 'contrast of',
  jobUnknown: 'no job the rules know',
  valueMissing: 'no value is given',
  anyValue: 'any value will do here',
  fitsItsWindow: 'fits its window',
  tooSmall: 'too small for its window',
  tooLarge: 'too large for its window',
}

export const windowBar = {
  windowTo: (low: Value, high: Value, here: Value) =>
    `Window ${low} to ${high}${here ? `, here ${here}` : ''}`,
  recipe: (nominal: Value) => `recipe ${nominal}`,
}

// My bench: what a pair sees.
import { and, count } from './language'
import type { Value } from '../value'

export const hintList = {
  hints: 'Hints',
  line: (line: Value) => `line ${line}`,
}

export const hintSteps = {
  hints: 'Hints',
  noneLeft: 'All steps that this exercise allows are opened; ask your instructor.',
  stepsLeft: (hintsLeft: number) => `${count(hintsLeft, 'step')} may still be opened.`,
  nextCost: (costs: Value) => `The next one ${costs}.`,
  closeTheRun: 'Close the run',
  showOnBench: 'Show me on the bench',
  lineInRun: 'this line in the run',
  concept: 'Give me the idea',
  nearlyTheAnswer: 'Nearly the answer',
  lookAtLine: (lines: Value) => `Look at line ${lines}.`,
  lookAtParts: (parts: Value) => `Look at what the program does with ${parts}.`,
  lookAtProgram: 'Look at the whole program.',
  cost: (hintCost: Value) => `takes ${hintCost} off the program`,
}

export const myBench = {
  yourBench: 'your bench',
  noKitYet: 'No kit yet',
  fetchYourKit: 'Fetch your kit at the hatch: your docket opens when it is handed to you.',
  shownFrom: (at: Value) => `What you see is from ${at}.`,
  powerOff: 'Power off.',
  powerVoided: (voided: Value) => `${voided}. Ask for power again when it is mended.`,
  kit: (members: string[], kit: Value) => `${and(members)} · kit ${kit}`,
  passed: ': passed',
  checkRunning: 'Being checked: your findings come in a moment.',
  stationsLabel: 'Stations before and after',
  passedOverStop:
    'Passed by your instructor although a Stop stands below: power stays off until a person clears your bench.',
  done: 'Done. You can look at it again here.',
  requested: 'Your instructor is coming. You can go on reading, or withdraw the request.',
  sentBackLook: 'Sent back: look at the hints, mend it, and hand it in again.',
  clearanceVoid: 'The clearance is void: power off.',
  fetchKit: 'Fetch your kit at the hatch.',
  buildTheCircuit: 'Build the circuit, then hand in where every lead goes.',
  powerHint: 'Ask for power. Nothing is switched on before a person has looked.',
  writeTheProgram: 'Write the program and hand it in.',
  takeTheReadings: 'Take the readings step by step and paste the log.',
  yourInstructorMarks: 'Your instructor marks the docket.',
}

export const myKit = {
  heading: 'In your kit',
  given: (reason: Value) => `: {ohms} given, ${reason}`,
  feedingHeading: 'Ways to feed it',
  markedFor: 'Marked for',
}

export const myMarks = {
  noneHint: 'Your mark and the reasons for it appear here when the marking is closed.',
  yourMark: 'your mark',
  noMark: 'no mark',
  mineOf: (whole: Value) => `{mine} of ${whole}`,
  criterionCounts: (title: Value, counts: Value, whole: Value) => `${title}: ${counts} of ${whole}`,
}

export const myPower = {
  cleared: 'Cleared.',
  switchOn: 'You may switch on. Power off before any wire is moved.',
  wiringFirst: 'Your wiring is looked at first.',
  askForPower: 'Ask for power',
  withdrawTheRequest: 'Withdraw the request',
  worthMeasuring: 'Worth measuring on your bench',
}

export const myWork = {
  powerFirst: 'Readings come after power: ask for power first.',
  attemptOf: (number: Value, by: Value, at: Value) => `Attempt ${number}, handed in by ${by} at ${at}.`,
  stillToCome: 'Still to come',
  beingChecked: 'Being checked…',
  nothingStandsOut: 'Nothing stands out in what you handed in.',
  aboutYourLog: 'About your log',
  sheetAndReadings: 'Sheet and readings',
  withdrawTheRequest: 'Withdraw the request',
  requestLook: (number: Value) => `Ask for a look at attempt ${number}`,
  writeAttempt: (number: Value) => `Write attempt ${number}`,
  boardMap: 'Board map',
  mapHint: 'Drawn from what stands below.',
  printHint: (printed: Value, baud: number | null) =>
    `Print ${printed}, a line each time${baud ? `, at ${baud} baud` : ''}.`,
  thresholdTask: 'work out where it goes',
  ownThreshold: 'The threshold is your own: take a reading of each of the two states, then {link}.',
  steps: 'Steps',
  givenLabel: 'What it really was',
  saysTheUnit: (says: Value, unit: Value) => `the ${says}${unit ? ` in ${unit}` : ''}`,
  lookHere: 'Look here.',
}

export const prediction = {
  yourPrediction: 'Your prediction',
  help: 'Work out from your own wiring and values what each step should print, and enter what you measured at the step below: each prediction is judged at that value. Only what is saved before your readings is judged.',
  saveItAgain: 'Save it again',
  saveThePrediction: 'Save the prediction',
  savedAtBy: (at: Value, by: Value) => `saved at ${at} by ${by}`,
  printLink: 'As a page to print',
}

export const recipeList = {
  label: 'Parts of the recipe',
  entered: ', entered',
  notEnteredYet: ', not entered yet',
}

export const ownReadings = {
  whatYouRead: 'What you read',
  expectedLater: 'What should be printed is shown once your readings are passed.',
}

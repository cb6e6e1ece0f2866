// My bench: what a pair sees.
import { and, count } from './language'
import type { Value } from '../value'

export const hintList = {
  hints: 'Hints',
  line: (line: Value) => `line ${line}`,
}

export const hintSteps = {
  hints: 'Hints',
  allStepsThatThisExercise: 'All steps that this exercise allows are opened; ask your instructor.',
  mayStillBeOpened: (hintsLeft: number) => `${count(hintsLeft, 'step')} may still be opened.`,
  theNextOne: (costs: Value) => `The next one ${costs}.`,
  closeTheRun: 'Close the run',
  showMeOnTheBench: 'Show me on the bench',
  thisLineInTheRun: 'this line in the run',
  giveMeTheIdea: 'Give me the idea',
  nearlyTheAnswer: 'Nearly the answer',
  lookAtLine: (lines: Value) => `Look at line ${lines}.`,
  lookAtWhatTheProgram: (parts: Value) => `Look at what the program does with ${parts}.`,
  lookAtTheWhole: 'Look at the whole program.',
  takesOffTheProgram: (hintCost: Value) => `takes ${hintCost} off the program`,
}

export const myBench = {
  yourBench: 'your bench',
  noKitYet: 'No kit yet',
  fetchYourKit: 'Fetch your kit at the hatch: your docket opens when it is handed to you.',
  whatYouSeeIsFrom: (at: Value) => `What you see is from ${at}.`,
  powerOff: 'Power off.',
  askForPowerAgain: (voided: Value) => `${voided}. Ask for power again when it is mended.`,
  kit: (members: string[], kit: Value) => `${and(members)} · kit ${kit}`,
  passed: ': passed',
  beingCheckedYourFindings: 'Being checked: your findings come in a moment.',
  stationsBeforeAndAfter: 'Stations before and after',
  passedByYourInstructor:
    'Passed by your instructor although a Stop stands below: power stays off until a person clears your bench.',
  doneYouCanLook: 'Done. You can look at it again here.',
  yourInstructorIsComing: 'Your instructor is coming. You can go on reading, or withdraw the request.',
  sentBackLook: 'Sent back: look at the hints, mend it, and hand it in again.',
  theClearanceIsVoid: 'The clearance is void: power off.',
  fetchYourKitAtTheHatch: 'Fetch your kit at the hatch.',
  buildTheCircuit: 'Build the circuit, then hand in where every lead goes.',
  askForPowerNothing: 'Ask for power. Nothing is switched on before a person has looked.',
  writeTheProgram: 'Write the program and hand it in.',
  takeTheReadings: 'Take the readings step by step and paste the log.',
  yourInstructorMarks: 'Your instructor marks the docket.',
}

export const myKit = {
  inYourKit: 'In your kit',
  given: (reason: Value) => `: {ohms} given, ${reason}`,
  waysToFeedIt: 'Ways to feed it',
  markedFor: 'Marked for',
}

export const myMarks = {
  yourMarkAndTheReasons: 'Your mark and the reasons for it appear here when the marking is closed.',
  yourMark: 'your mark',
  noMark: 'no mark',
  mineOf: (whole: Value) => `{mine} of ${whole}`,
  criterionCounts: (title: Value, counts: Value, whole: Value) => `${title}: ${counts} of ${whole}`,
}

export const myPower = {
  cleared: 'Cleared.',
  youMaySwitchOnPower: 'You may switch on. Power off before any wire is moved.',
  yourWiringIsLooked: 'Your wiring is looked at first.',
  askForPower: 'Ask for power',
  withdrawTheRequest: 'Withdraw the request',
  worthMeasuring: 'Worth measuring on your bench',
}

export const myWork = {
  readingsComeAfterPower: 'Readings come after power: ask for power first.',
  attemptHandedInByAt: (number: Value, by: Value, at: Value) =>
    `Attempt ${number}, handed in by ${by} at ${at}.`,
  stillToCome: 'Still to come',
  beingChecked: 'Being checked…',
  nothingStandsOut: 'Nothing stands out in what you handed in.',
  aboutYourLog: 'About your log',
  sheetAndReadings: 'Sheet and readings',
  withdrawTheRequest: 'Withdraw the request',
  askForALook: (number: Value) => `Ask for a look at attempt ${number}`,
  writeAttempt: (number: Value) => `Write attempt ${number}`,
  boardMap: 'Board map',
  drawnFromWhatStands: 'Drawn from what stands below.',
  printALineEachTime: (printed: Value, baud: number | null) =>
    `Print ${printed}, a line each time${baud ? `, at ${baud} baud` : ''}.`,
  workOutWhereItGoes: 'work out where it goes',
  theThresholdIsYourOwn: 'The threshold is your own: take a reading of each of the two states, then {link}.',
  steps: 'Steps',
  whatItReallyWas: 'What it really was',
  saysTheUnit: (says: Value, unit: Value) => `the ${says}${unit ? ` in ${unit}` : ''}`,
  lookHere: 'Look here.',
}

export const prediction = {
  yourPrediction: 'Your prediction',
  workOutFromYourOwn:
    'Work out from your own wiring and values what each step should print, and enter what you measured at the step below: each prediction is judged at that value. Only what is saved before your readings is judged.',
  saveItAgain: 'Save it again',
  saveThePrediction: 'Save the prediction',
  savedAtBy: (at: Value, by: Value) => `saved at ${at} by ${by}`,
  asAPageToPrint: 'As a page to print',
}

export const recipeList = {
  partsOfTheRecipe: 'Parts of the recipe',
  entered: ', entered',
  notEnteredYet: ', not entered yet',
}

export const ownReadings = {
  whatYouRead: 'What you read',
  whatShouldBePrinted: 'What should be printed is shown once your readings are passed.',
}

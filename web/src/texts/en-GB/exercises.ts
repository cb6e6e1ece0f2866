// The exercises: sheet, plan, budget and what they ask.
import { plural } from './language'
import type { Value } from '../value'

export const aboutView = {
  noBehaviour: 'Values only; no output has to follow them.',
  feedingHeading: 'What each way of feeding costs',
  perCount: (perCount: Value, unit: Value) => `${perCount} ${unit} a count`,
  upTo: (top: Value, unit: Value) => `to ${top} ${unit}`,
  benchTime: 'Bench time',
  minutesOfEach: (wiring: Value, clearance: Value, warmUp: Value, program: Value, readings: Value) =>
    `wiring ${wiring}, clearance ${clearance}${warmUp ? `, warm-up ${warmUp}` : ''}, program ${program}, readings ${readings}`,
  about: 'About {total}: {wiring}',
  markedFor: 'Marked for',
  recipe: 'Recipe',
  resistorsHeading: 'Resistors that will do',
}

export const boardChoice = {
  board: 'Board',
  variant: 'Variant',
}

export const exercises = {
  draft: 'draft',
  importAFile: 'Import a file',
  subject: 'the exercises',
  noExercisesYet: 'No exercises yet',
  noneHint: 'An exercise is a file: import one, or start with the demo course.',
  unknown: 'There is no such exercise',
  unknownHint: 'It may be of another course. Yours are in the list.',
  summary: (minutes: Value, total: Value, released: boolean) =>
    `${minutes} min · ${total} marks · ${released ? 'released' : 'draft'}`,
  version: 'Version',
  versionAndState: (version: Value, released: boolean) => `version ${version}${released ? '' : ', draft'}`,
  versionNumber: (version: Value) => `version ${version}`,
  downloadTheFile: 'Download the file',
  whatIsShown: 'What is shown',
  sheetLoading: 'Working out the sheet…',
  noSheet: 'There is no sheet for this',
  reading: 'Reading',
  sheet: 'Sheet',
  budget: 'Budget',
  plan: 'Plan',
  about: 'About',
  nextExercise: 'next exercise',
  exerciseBefore: 'exercise before',
}

export const importExercise = {
  importAnExercise: 'Import an exercise',
  help: 'A file makes a new version, a draft at first. Dockets that are open stay on the version they began with.',
  pasteLabel: 'or paste it here',
  problemCount: (problems: number) => `${plural(problems, 'One line', `${problems} places`)} to mend`,
  line: (line: Value) => `line ${line}`,
  import: 'Import',
}

export const planView = {
  heldFor: (seconds: Value, standsAfterSeconds: number) =>
    `held for ${seconds} s${standsAfterSeconds >= 1 ? ` · stands after about ${Math.round(standsAfterSeconds)} s` : ''}`,
  measuredWith: (instrument: Value) => `Measured with: ${instrument}`,
  otherSafeWays: 'Other safe ways to this value',
}

export const releaseNote = {
  checkingItsBench: 'Checking its bench and its sheet…',
  notReady: 'This draft cannot be released yet',
  ready: 'This draft can be released',
  releaseConsequence: 'A released version never changes; pairs work on released versions.',
  releaseVersion: (version: Value) => `Release version ${version}`,
  warnings: 'To weigh: ',
}

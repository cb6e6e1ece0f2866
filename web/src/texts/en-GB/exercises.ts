// The exercises: sheet, plan, budget and what they ask.
import { plural } from './language'
import type { Value } from '../value'

export const aboutView = {
  valuesOnlyNoOutput: 'Values only; no output has to follow them.',
  whatEachWayOfFeeding: 'What each way of feeding costs',
  aCount: (perCount: Value, unit: Value) => `${perCount} ${unit} a count`,
  upTo: (top: Value, unit: Value) => `to ${top} ${unit}`,
  benchTime: 'Bench time',
  minutesOfEach: (wiring: Value, clearance: Value, warmUp: Value, program: Value, readings: Value) =>
    `wiring ${wiring}, clearance ${clearance}${warmUp ? `, warm-up ${warmUp}` : ''}, program ${program}, readings ${readings}`,
  about: 'About {total}: {wiring}',
  markedFor: 'Marked for',
  recipe: 'Recipe',
  resistorsThatWillDo: 'Resistors that will do',
}

export const boardChoice = {
  board: 'Board',
  variant: 'Variant',
}

export const exercises = {
  draft: 'draft',
  importAFile: 'Import a file',
  theExercises: 'the exercises',
  noExercisesYet: 'No exercises yet',
  anExerciseIsAFile: 'An exercise is a file: import one, or start with the demo course.',
  thereIsNoSuchExercise: 'There is no such exercise',
  itMayBeOfAnother: 'It may be of another course. Yours are in the list.',
  minutesMarksAndState: (minutes: Value, total: Value, released: boolean) =>
    `${minutes} min · ${total} marks · ${released ? 'released' : 'draft'}`,
  version: 'Version',
  versionAndState: (version: Value, released: boolean) => `version ${version}${released ? '' : ', draft'}`,
  versionNumber: (version: Value) => `version ${version}`,
  downloadTheFile: 'Download the file',
  whatIsShown: 'What is shown',
  workingOutTheSheet: 'Working out the sheet…',
  thereIsNoSheet: 'There is no sheet for this',
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
  aFileMakesANew:
    'A file makes a new version, a draft at first. Dockets that are open stay on the version they began with.',
  orPasteItHere: 'or paste it here',
  toMend: (problems: number) => `${plural(problems, 'One line', `${problems} places`)} to mend`,
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
  thisDraftCannot: 'This draft cannot be released yet',
  thisDraftCanBeReleased: 'This draft can be released',
  aReleasedVersion: 'A released version never changes; pairs work on released versions.',
  releaseVersion: (version: Value) => `Release version ${version}`,
  toWeigh: 'To weigh: ',
}

// Setting up: rooms, kits, exercises and sessions.
import { count, plural } from './language'
import type { Value } from '../value'

export const exercisePart = {
  help: 'What is built and shown. A released version never changes; a later one is a new version.',
  exercisesLink: 'To the exercises',
  listLabel: 'Exercises of this course',
  included: 'In the course',
  released: 'can be handed out',
  draft: 'a draft',
  makeKits: 'make kits',
  exercisesToBegin: 'Exercises to begin with',
  subject: 'the exercises',
  running: 'A moment…',
  add: 'Add to the course',
  nothingToAdd: 'All of them are in the course.',
}

export const kitsPart = {
  help: (pairs: number) =>
    `A kit is a box with a tag, filled to an exercise’s recipe. The largest section has ${count(pairs, 'pair')}.`,
  hatchLink: 'To the hatch',
  exerciseFirst: 'An exercise comes first',
  recipeHint: 'Its recipe says what belongs into a kit.',
  chooseAnExercise: 'Choose an exercise',
  kitsByExercise: 'Kits by exercise',
  ready: 'Ready',
  makeMore: 'Make more',
  countLabel: (title: Value) => `How many kits for ${title}`,
  lettersLabel: (title: Value) => `Letters of the tags for ${title}`,
  make: 'Make',
  lettersHelp:
    'The letters begin the tags: FL gives FL-01, FL-02 and so on. What is in a kit is looked after at the hatch.',
}

export const placeRow = {
  benchOf: (name: Value) => `Bench of ${name}`,
  docket: 'docket',
  exerciseOf: (name: Value) => `Exercise of ${name}`,
  byKit: 'the kit decides',
  worksWith: (name: Value) => `${name} works with`,
  worksAlone: (name: Value) => `${name}: works alone`,
  joins: (name: Value) => `joins ${name}`,
  withToday: (name: Value) => `with ${name} today`,
}

export const planSessions = {
  section: 'Section',
  benches: (name: Value, benches: Value) => `${name}, ${benches} benches`,
  until: 'To',
  everyWeekUntil: 'every week until',
  lastDay: 'Last day',
  holidaysAreLeft: (holidays: Value) => `${holidays} holidays are left out`,
  exercisesThatRun: 'Exercises that run in it',
  ready: (readyKits: number) => `${count(readyKits, 'kit')} ready`,
  noExercises: 'None can be handed out yet; they can be chosen later.',
  drawIt: 'Draw it',
  plan: (weekly: boolean) => `Plan ${weekly ? 'the sessions' : 'the session'}`,
  roomMissing: 'A session needs a room.',
}

export const roomGrid = {
  help: (benches: number) =>
    `${count(benches, 'bench', 'benches')}. Press a bench to take it out (an aisle, a gap), an empty place to put one in; type over its number, and give it a name where it has one.`,
  numberLabel: (row: Value, column: Value) => `Number of the bench in row ${row}, place ${column}`,
  name: 'name',
  nameOfBench: (number: Value) => `Name of bench ${number}`,
  takeBenchOut: (number: Value) => `Take bench ${number} out`,
  addBench: (row: Value, column: Value) => `Put a bench in row ${row}, place ${column}`,
  front: 'front of the room',
  addRow: 'A row more',
  removeRow: 'A row less',
  addColumn: 'A column more',
  removeColumn: 'A column less',
  numberAnew: 'Number anew',
  saveTheRoom: 'Save the room',
  removeTheRoom: 'Remove the room',
  numberRange: 'A bench has a number from 1 to 999.',
  numberTwice: (twice: Value) => `Two benches have the number ${twice}.`,
}

export const roomPart = {
  help: 'The Floor shows the benches as they stand in the room.',
  anotherRoom: 'Another room',
  nameLabel: 'Name of the room',
  roomExample: 'Lab 2',
  rows: 'Rows',
  rowLength: 'Benches in a row',
  drawTheRoom: 'Draw the room',
}

export const sessionFields = {
  until: 'To',
  lateLabel: 'Late hand-in, minutes',
  noLimit: 'no limit',
  lateHint: 'whole minutes, or nothing',
  staff: 'Staff',
  saveTheSession: 'Save the session',
}

export const sessionPart = {
  session: 'Session',
  labDays: 'Lab days: when, where, and which exercises run side by side.',
  planSessions: 'Plan sessions',
  subject: 'the sessions',
  none: 'No session is planned',
  noneHint: 'One day by hand, or every week of the term with the holidays left out.',
  sessions: 'Sessions',
  time: 'Time',
  sectionRoom: 'Section, room',
  beginsToEnds: (begins: Value, ends: Value) => `${begins} to ${ends}`,
  noneYet: 'none yet',
}

export const sessionPlan = {
  allSessions: 'All sessions',
  subject: 'the session',
  printThePapers: 'Print the papers',
  wallCode: 'Code for the wall',
  papersRunning: 'Laying out the pages',
  pairsReady: (title: Value, wanted: Value, ready: number) =>
    `${title}: ${wanted} pairs, ${ready} ${plural(ready, 'kit is', 'kits are')} ready.`,
  makeMore: 'Make more',
  seatsAndExercises: 'Seats and exercises',
  seatHelp: 'A pair that is given a taken bench changes places.',
  dealTheExercises: 'Deal the exercises out in turn',
  pairsLabel: 'Pairs of the session',
  absentToday: 'Absent today',
  noPairs: 'There are no pairs yet.',
  makeThem: 'Make them',
  removeThisSession: 'Remove this session',
  papersHeading: 'Papers of the session',
  papersHelp:
    'One file, from the plan: seats and kits to pick, a page to predict on for each pair, an answer key for each exercise.',
  slipsOption:
    'with log-in slips for who never logged in. They get new first passwords, and the file can be fetched once.',
  print: 'Print',
  startItNow: 'Start it now',
  pause: 'Pause',
  goOn: 'Go on',
  endEarly: 'End early',
  startItAgain: 'Start it again',
}

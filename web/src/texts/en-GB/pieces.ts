// Pieces that several places share.
import { count, plural } from './language'
import type { Value } from '../value'

export const accountMenu = {
  accountThemeKeys: (named: Value) => `${named}: account, theme, keys, log out`,
  accountAndPassword: 'Account and password',
  keys: 'Keys of this screen',
  theme: 'Theme',
  logOut: 'Log out',
  logOutQuestion: 'Log out?',
  deleteDrafts: 'Delete and log out',
  stay: 'Stay',
  asTheDevice: 'As the device',
  light: 'Light',
  dark: 'Dark',
  draftsLeft: (drafts: number) =>
    plural(
      drafts,
      'A draft that was not handed in is kept in this browser. Logging out deletes it, so that nobody else finds it here.',
      `${drafts} drafts that were not handed in are kept in this browser. Logging out deletes them, so that nobody else finds them here.`,
    ),
}

export const asked = {
  tryAgain: 'Try again',
  loading: (what: Value) => `Loading ${what}…`,
  noAnswer: 'The server does not answer. Trying again…',
  shownFrom: (since: Value) => `What you see is from ${since}.`,
}

export const beforeItRuns = {
  beforeItRuns: 'Before it runs',
  openItem: 'To be done:',
}

export const changeList = {
  changes: 'Changes',
  sinceAttempt: (changes: Value, since: Value) =>
    `${changes ? `${changes} changed` : 'Nothing changed on the bench'} since attempt ${since}`,
}

export const dialog = {
  close: 'Close',
}

export const errorNote = {
  somethingWentWrong: 'Something went wrong here. Nothing was lost; try again.',
  line: (line: Value) => `Line ${line}`,
  column: (column: Value, message: Value) => `{line}, column ${column}: ${message}.`,
  meanwhile: 'Meanwhile:',
  inputKept: 'What you typed is kept. Look at the new state, then decide again.',
}

export const listTable = {
  columns: 'Columns',
}

export const dateField = {
  dayAsTyped: 'dd/mm/yyyy',
}

export const numberField = {
  atLeast: (least: Value) => `At least ${least}.`,
  atMost: (most: Value) => `At most ${most}.`,
}

export const formField = {
  needed: 'Please fill this in.',
  wrongPattern: 'This is not in the form that is asked for.',
}

export const findingList = {
  findings: 'Findings',
  findingCount: (findings: number) => count(findings, 'finding'),
  noFindings: 'No findings',
  nothingStandsOut: 'Nothing stands out. A look at the real bench remains yours.',
  remedy: 'Remedy',
  followsFromIt: 'Follows from it',
  momentInRun: (momentMs: Value) => `Seen on the twin at ${momentMs} s`,
  lineInRun: (line: Value) => `Line ${line} in the run`,
  hintOnRequest: 'The pair may ask for',
  hintShown: 'The pair is shown',
  line: (line: Value) => `line ${line}`,
}

export const jumpLine = {
  label: 'Go to a pair, student, kit or exercise',
  placeholder: 'go to a pair, kit or exercise',
  loading: 'Loading…',
  nothingByThese: 'Nothing by these letters.',
  sheetsAndSteps: 'sheets and steps',
  marksHint: 'of the class',
  whatToType: 'go to a pair, student, kit or exercise',
}

export const keyHelp = {
  keysHere: 'Keys here',
  openThatBench: 'open that bench',
  lettersAndDigits: 'Letters and digits act as keys on this device',
}

export const lineRows = {
  lineInRun: (line: Value) => `Line ${line} in the run`,
  line: (line: Value) => `line ${line}`,
  neverReached: 'The run never comes to this line.',
  timesReached: (times: number, rows: number) =>
    `${plural(times, 'Come to once', `Come to ${times} times`)} in the run on this bench${times > rows ? `; ${rows} of them are shown` : ''}.`,
  variables: 'The line’s variables',
  at: 'at',
  step: 'step',
}

export const loading = {
  loading: 'Loading…',
}

export const measureForm = {
  anew: 'anew',
  differs: 'Differs.',
  agrees: 'Agrees.',
  noNumber: (typed: Value) => `“${typed}” is no number; one such as 4.93 was expected.`,
  benchMeter: 'bench meter',
  saveFailed: 'It could not be kept; try again.',
}

export const notLoaded = {
  message: 'This part could not be loaded. The connection may be lost, or Verifex was updated meanwhile.',
  reload: 'Load the page again',
}

export const notices = {
  loadAgain: 'Load again',
}

export const sessionClock = {
  chooseTheSession: 'Choose the session',
  begins: (day: Value, at: Value) => `begins ${day} ${at}`,
  left: (value: Value) => `${value} left`,
  sessionOver: 'session over',
}

export const stationNav = {
  stations: 'Stations',
}

export const topBar = {
  verifexFirstPage: 'Verifex, first page',
  places: 'Places',
  setUp: 'Set-up',
  floor: 'Floor',
  sums: 'Sums',
  myBench: 'My bench',
  listTheKeys: 'list the keys',
}

export const boardMap = {
  label: (parts: Value, wires: Value) => `Board map: ${parts} parts, ${wires} wires`,
  nothingInThese: 'Nothing in these rows',
  line: (ends: Value, colour: Value, line: Value) => `${ends}${colour}, line ${line}`,
  legPlace: (ref: Value, leg: Value, place: Value) => `${ref}.${leg} in ${place}`,
}

export const netList = {
  outputs: 'Outputs',
  noVoltages: 'No voltages: the board is missing, or this circuit has no operating point.',
}

export const netTable = {
  net: 'Net',
  volts: 'Volts',
  placesOnIt: 'Places on it',
}

export const livePanel = {
  listen: 'Listen to the board',
  help: 'A small helper on the computer that the board is plugged into sends each line here as it is printed.',
  handIn: (lines: Value) => `Hand in the ${lines} lines that were heard`,
  commandHint: 'On the computer with the board, in place of PORT its port (such as /dev/ttyUSB0 or COM4):',
  nothingHasCome: 'Nothing has come for a while. Is the board plugged in, and does its program print?',
  connectionLost: 'The connection is lost; it is tried again.',
  markTheStep: 'Mark the step you are in, before its readings.',
  lastLines: 'The last lines',
  stopAndHandIn: 'Stop and hand in',
  stop: 'Stop',
  lines: (lines: Value) => `${lines} lines`,
}

export const workNote = {
  doneOfTotal: (done: Value, total: Value) => `${done} of ${total}`,
  done: 'Done.',
  save: (fileName: Value) => `Save ${fileName}`,
}

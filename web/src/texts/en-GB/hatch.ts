// The hatch: kits out and back.
import { plural } from './language'
import type { Value } from '../value'

export const cameBack = {
  returned: (tag: Value) => `${tag} is back`,
  subject: 'the kit',
  heading: 'Before it is packed',
  test: (title: Value) => `Test ${title}`,
  well: (well: Value) => `Well: ${well}.`,
  faultOf: (title: Value) => `What is wrong with ${title}`,
  faultLabel: 'What is wrong with it',
  wholeKit: 'Something about the kit as a whole',
  kitFaultExample: 'box broken, sticky with syrup',
  save: 'Save how it came back',
  present: 'there',
  missing: 'missing',
  usedUp: 'used up',
  faulty: 'faulty',
  pictureTakeAnother: (name: Value) => `Picture: ${name}. Take another`,
  addAPicture: 'Add a picture',
  faultMissing: (unsaid: Value) => `Say what is wrong with ${unsaid}.`,
}

export const hatch = {
  whatToDo: 'What to do',
  handOut: 'Hand out',
  takeBack: 'Take back',
  substitute: 'Substitute',
  replace: 'Replace',
  settings: 'Settings',
  kitOrBadge: 'Kit or badge',
  returnedKit: 'Kit that comes back',
  scanExample: 'HB-15, then P-07',
  kitExample: 'HB-15',
  startOver: 'Start over',
  running: 'A moment…',
  enter: 'Enter',
  soundOption: 'a sound for each scan',
  stores: 'Stores',
  kitsSubject: 'the kits',
  comingSessions: 'Coming sessions',
  labelsAndTables: 'Labels and tables',
  returnHint: 'Scan the kit that comes back; then it can be looked through.',
  badgeNext: (named: Value) => `${named}: now the pair’s badge.`,
  nowTheKit: (named: Value) => `${named}: now the kit.`,
  scanAKit: 'Scan a kit and a badge, in either order.',
}

export const kitTagForm = {
  kitItsTag: 'Kit, its tag',
  kitExample: 'HB-15',
}

export const kitTests = {
  heading: 'To test',
  headingHint: 'before the kit goes out again',
  wellIs: (well: Value) => `Well is: ${well}`,
  well: 'It is well',
  broken: 'It is broken',
  brokenBefore: (number: number) =>
    plural(number, 'It was broken once before.', `It was broken ${number} times before.`),
}

export const pictureButton = {
  addAPicture: 'Add a picture',
  picture: 'Picture',
}

export const replaceForm = {
  giveIt: 'Give it',
  partLabel: 'Which part is exchanged',
  tag: 'Tag of the one that is given',
  noneFree: 'no other one is free',
  noneFreeHint: 'No other one is free: all are in kits, faulty or retired.',
  untagged: 'It has no tag: another one comes out of its drawer.',
  reasonExample: 'reads 9 °C too high',
  oldIsFaulty: 'the old one is faulty',
  undo: (done: Value) => `Undo: ${done} as it was`,
}

export const scanAnswers = {
  lastScans: 'Last scans',
  lookThroughIt: 'Look through it…',
  undoReturn: 'Undo: it stays out',
}

export const settingsForm = {
  saveTheSettings: 'Save the settings',
  noSettings: 'Nothing can be noted of this kit: no jumper, no trimmer, no resistor.',
  measuredValueIn: 'measured value in Ω',
  exerciseSetting: (usual: Value) => `the exercise says ${usual}`,
  notKnown: 'not known',
  distanceExample: 'such as 14 cm',
  timeExample: 'such as 5 s',
  shareExample: 'such as 40 %',
  ohmsExample: 'such as 326 or 9.87k',
}

export const substitute = {
  whichResistor: 'Which resistor',
  valueGiven: 'Value given',
  recipeValue: (title: Value) => `${title}: {ohms}`,
  recipeWindow: (title: Value) => `${title}: {ohms}, anything from {window} does`,
  drawerLeft: (drawers: Value, number: Value) => `drawer ${drawers}, ${number} left`,
  noneInWindow: 'The drawers hold nothing inside this window.',
  reasonExample: 'no 330 Ω left in drawer C',
  noLeft: (nominalOhms: Value, joined: Value) => `no ${nominalOhms} left${joined}`,
}

export const substituteForm = {
  recordTheSubstitution: 'Record the substitution',
}

export const pictures = {
  pictureFailed: (ref: Value | null | undefined, message: Value) =>
    `The picture of ${ref || 'the kit'} was not added: ${message}`,
}

export const useScans = {
  failed: 'That did not work; try again.',
}

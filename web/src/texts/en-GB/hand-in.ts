// Handing in: the wiring line by line, the program, the log.
import type { Value } from '../value'

export const handIn = {
  howToEnter: 'How to enter',
  tableOfLeads: 'Table of leads',
  text: 'Text',
  fromAFile: 'From a file',
  draftNotKept: 'This browser cannot keep the draft: hand it in before you leave.',
  draftKept: 'Draft, kept in this browser',
  logHelp: 'Paste what the board printed. Before the readings of each step write a line that begins with #:',
  attemptWasHanded: (number: Value) =>
    `Attempt ${number} was handed in after this draft was begun. Nothing of the draft is lost.`,
  keepDraft: 'Go on with the draft',
  useNewer: 'Use the newer one',
  waitingForConnection:
    'No connection. Your hand-in is kept here and will be sent when the connection is back.',
  doNotSend: 'Do not send it yet',
  handInAttempt: (number: Value) => `Hand in attempt ${number}`,
  handIn: 'Hand in',
  ctrlEnter: 'Ctrl Enter',
  backToAttempt: (number: Value) => `Back to attempt ${number}`,
  wrongFileKind: (name: Value, noun: Value, endings: Value) =>
    `“${name}” is no ${noun}; one of ${endings} was expected.`,
  fileTooLarge: (name: Value, most: Value) => `“${name}” is larger than ${most}, the limit for one hand-in.`,
}

export const leadTable = {
  vocabulary: 'the names of parts and pins',
  line: 'Line',
  type: 'Type',
  places: 'Places',
  colourSettings: 'Colour, settings',
  lineNumber: (line: Value) => `Line ${line}`,
  referenceLine: (line: Value) => `Reference, line ${line}`,
  typeLine: (line: Value) => `Type, line ${line}`,
  resistor: 'resistor',
  placesLine: (line: Value) => `Places, line ${line}`,
  placesExample: 'from to: B1.A0 a6',
  colourOrSettings: (line: Value) => `Colour or settings, line ${line}`,
  red: 'red',
  exchangeTheEnds: (line: Value) => `Exchange the ends, line ${line}`,
  exchangeEnds: 'Exchange the ends (Alt S)',
  copyLine: (line: Value) => `Copy line ${line}`,
  copyAltC: 'Copy (Alt C)',
  removeLine: (line: Value) => `Remove line ${line}`,
  removeAltDelete: 'Remove (Alt Delete)',
  holePerLeg: (legs: Value) => `a hole each: ${legs}`,
  placesHint: 'a hole for each leg',
}

export const liveCheck = {
  checkWhileTyping: 'Check while typing',
  connectionLost: 'The connection is lost; this is the last check, not of what stands there now.',
  line: (line: Value) => `Line ${line}`,
  column: (column: Value, message: Value) => `{line}, column ${column}: ${message}.`,
  lineOf: (line: Value) => `line ${line}`,
  stillToCome: 'Still to come',
  nothingFound: 'Checked as it stands: nothing stands out.',
}

export const entryLine = {
  whatToType: '.8 a12   or   led c16   or   mv U1 2',
  helpHeading: 'How to type a bench',
  helpWire: 'a yellow wire from pin D8 to hole a12. A pin begins with a dot, a rail is +l -l +r -r.',
  thermometerExample: 'th f20',
  helpModule: 'the thermometer, its legs in f20, f21, f22. f22-20 goes upwards.',
  resistorExample: 'r f4 f9 bngnrdgd m=1480',
  helpResistor: 'a resistor with its bands (two letters each) or its value, and what a meter says.',
  legsByName: 'legs by name, or by the beginning of it.',
  commandsExample: 'mv U1 2 · sw R1 · dup R1 · del R1',
  helpCommands: 'moves down two rows, exchanges ends, copies, removes. Ctrl Z takes the last change back.',
  helpTableHeading: 'in a row',
  helpTable:
    'Enter goes down, Alt ↓ moves its part by a row of the board, Alt S exchanges ends, Alt C copies, Alt Delete removes.',
  mayBecome: 'May become',
  tab: 'Tab',
}

export const complete = {
  leg: 'leg',
  setting: 'setting',
  colour: 'colour',
  pinOf: (rows: Value) => `pin of ${rows}`,
}

export const line = {
  secondEndMissing: 'and to where? A hole (a12), a rail (-l) or a pin (.gnd).',
  noPlace: (second: Value) => `“${second}” is no hole, rail, pin or leg.`,
  tooManyEnds: (extra: Value) => `A wire has two ends and a colour; “${extra}” is too much.`,
  unknownColour: (token: Value, colours: Value) => `“${token}” is no wire colour: ${colours}, …`,
  unknownPart: (ref: Value) => `There is no part ${ref} in the table.`,
  whichPart: (name: Value) => `${name} which part? ${name} U1`,
  rowsMissing: 'by how many rows? Down is 3, up is -3.',
  down: (rows: number) => `down ${rows}`,
  up: (rows: number) => `up ${rows}`,
  wouldStandBeyond: (ref: Value, most: Value) =>
    `${ref} would stand beyond the base, which has rows 1 to ${most}.`,
  legsReversed: 'legs the other way round',
  endsExchanged: 'ends exchanged',
  leavesTheTable: (ref: Value) => `${ref} leaves the table`,
}

export const part = {
  legsAndSettings: (id: Value) => `legs and settings of a ${id}`,
  noPlaceForLeg: (assigned: Value, key: Value) => `“${assigned}” is no place for ${key}.`,
  unknownWord: (token: Value, id: Value) => `“${token}” is no place, leg or setting of a ${id}.`,
  alreadyThere: (first: Value) => `${first} is in the table already; mv ${first} 2 moves it.`,
  unknownStart: (first: Value) => `“${first}” is no place and no part. A pin begins with a dot: .8 or .a0.`,
  ambiguous: (typed: Value, parts: Value) => `“${typed}” may be ${parts}.`,
  legsMissing: (legs: Value) => `where? Its legs: ${legs}; one hole fills the rows below it.`,
  legNamesNeeded: (id: Value, legs: Value) => `${id} needs its legs by name, as makers differ: ${legs}`,
  legsAreMissing: (given: number, all: number, names: Value) => `${given} of ${all} legs: ${names}.`,
  rangeTooLong: (letter: Value, from: Value, to: Value) => `${letter}${from}-${to} is longer than any part.`,
}

export const place = {
  beyondBase: (lower: Value, rows: Value) => `${lower} lies beyond the base, which has rows 1 to ${rows}.`,
  unknownRail: (token: Value) => `“${token}” is no rail: +L, -L, +R, -R, with a row where it matters.`,
  unknownPart: (ref: Value) => `There is no part ${ref} in the table.`,
  legsOf: (name: Value) => `legs of ${name}`,
  whichPin: 'which pin? .8 is D8, .a0 is A0, .g is GND, .5v is 5V.',
  unknownPin: (typed: Value) => `The board has no pin “${typed}”.`,
  mayBePin: (typed: Value, pins: Value) => `“.${typed}” may be ${pins}.`,
  unknownLeg: (typed: Value, whole: Value, names: Value) => `“${typed}” is none of the ${whole}: ${names}.`,
  mayBeBegun: (typed: Value, begun: Value) => `“${typed}” may be ${begun}.`,
}

export const handInWords = {
  wiring: 'wiring',
  wiringLabel: 'Wiring in bench notation',
  program: 'program',
  programTitle: 'Program',
  log: 'log',
  logTitle: 'Log',
}

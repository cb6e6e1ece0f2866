// The stores: kits, drawers, faults, sessions, orders, tables.
import { and, count, plural } from './language'
import type { Value } from '../value'

export const comingSessions = {
  comingSessions: 'Coming sessions',
  printLink: 'To print (PDF)',
  tableLink: 'As a table (CSV)',
  subject: 'the coming sessions',
  none: 'No session is planned',
  noneHint:
    'Sessions with their exercises are planned in Set-up; then it stands here what is ready for them.',
  pickingListPdf: 'Picking list (PDF)',
  readyFor: (pairs: number) => `{ready} ready for {pairs} ${plural(pairs, 'pair', 'pairs')}`,
  testFirst: 'Test first',
  fill: 'Fill',
  filled: 'It is filled',
  swapIn: 'Swap in',
  get: 'Get',
  short: (short: number) => `${count(short, 'kit')} short`,
  enoughAfterSome: 'enough, after some work',
  enough: 'enough',
}

export const drawerDialog = {
  addAThing: 'Add a thing to a drawer',
  arrivedLabel: 'How many have come',
  bookIn: 'Book in',
  catalogueLabel: 'Part of the catalogue',
  somethingElse: 'something else',
  value: 'Value',
  ratedWatts: 'Rated watts',
  colour: 'Colour',
  whatItIs: 'What it is',
  thingExample: 'wires, 20 cm',
  drawer: 'Drawer',
  smallestStock: 'Smallest stock',
  addIt: 'Add it',
  movesLabel: 'What happened in this drawer',
  movesHeading: 'In this drawer',
  beyondTheCount: (short: Value) => `${short} beyond the count`,
  valueNotRead: (typed: Value) => `“${typed}” is not read as a value; write 330, 4k7 or 10k.`,
  noPower: (watts: Value) => `“${watts}” is not read as watts; write 0.25 or 500 mW.`,
}

export const drawerList = {
  belowTheSmallest: (low: Value) => `${low} below the smallest stock.`,
  typeWhatLies: 'Type what lies in the drawer, then Enter. Esc ends it.',
  addAThing: 'Add a thing…',
  countingIsDone: 'Counting is done',
  countTheDrawers: 'Count the drawers',
  subject: 'the drawers',
  nothingIsCounted: 'Nothing is counted yet',
  resistorsLights:
    'Resistors, lights, wires and the like are counted by drawer, each with its smallest stock.',
  drawer: 'Drawer',
  smallest: 'Smallest',
  found: 'Found',
  last: 'Last',
  beyondCount: (short: Value) => `${short} taken beyond the count: count it`,
  foundIn: (drawer: Value, title: Value) => `Found in ${drawer}: ${title}`,
}

export const faultList = {
  subject: 'the faults',
  nothingIsFaulty: 'Nothing is faulty',
  noneHint:
    'A fault that is noted at the hatch or at a module stands here until somebody says that it is well.',
  inRepair: 'on the repair bench',
  notInspected: 'not looked at yet',
  pictureOf: (title: Value) => `Picture of ${title}`,
  whatWasDone: 'What was done',
  retireReason: 'Why it is thrown away',
  repairHint: 'What was done (may stay empty)',
  retireHint: 'Why (may stay empty)',
  confirmRepaired: 'It is well',
  retireIt: 'Retire it',
  repaired: 'It is well…',
  startRepair: 'To the repair bench',
  retire: 'Retire…',
  closed: 'Closed',
  fault: 'Fault',
  cameTo: 'Came to',
  on: 'On',
}

export const importTable = {
  import: (title: Value) => `Import ${title}`,
  help: (needed: string[]) =>
    `The first row names the columns: {head}. ${and(needed)} must be there, the others may be left out. Nothing is stored before you have seen what would change.`,
  fileHelp: 'CSV, XLSX or ODS up to 1 MB',
  orPasteCells: 'Or paste cells from a spreadsheet',
  whatYouPasted: 'what you pasted',
  preview: 'See what would change',
  leftOut: (wrong: Value) => `${wrong} left out`,
  changeCounts: (added: number, changed: Value, same: Value) =>
    `{file}: ${count(added, 'row')} new, ${changed} changed, ${same} as it is{part}.`,
  importRows: (will: number) => `Import ${count(will, 'row')}`,
  nothingToImport: 'Nothing to import',
  anotherFile: 'Another file',
}

export const kitTable = {
  findHint: 'Tag, exercise or pair',
  findAKit: 'Find a kit',
  whichKits: 'Which kits',
  todays: 'Today’s',
  all: 'All',
  noKitsYet: 'No kits yet',
  noneHint: 'A kit is a tagged box filled to the recipe of an exercise.',
  tag: 'Tag',
  with: 'With',
  note: 'Note',
  putRightLabel: (tag: Value, wasInRepair: boolean) =>
    `${tag} is ${wasInRepair ? 'repaired' : 'complete'} now`,
  repaired: 'Repaired',
  completeNow: 'Complete now',
  alsoFor: (serves: Value) => `also for ${serves}`,
  stateCounts: (ready: number, out: number, held: number) => `${ready} ready, ${out} out, ${held} held back`,
}

export const orderList = {
  heading: 'To order',
  tableLink: 'As a table (CSV)',
  subject: 'the orders',
  nothingEverySmallest: 'Nothing: every smallest stock lasts through the coming sessions.',
  orderBy: 'Order by',
  immediately: 'at once',
  days: (leadDays: Value) => `${leadDays} days`,
}

export const tablesAndLabels = {
  labels: 'Labels',
  kindLabel: 'Of what',
  sheet: 'Sheet',
  firstFreeLabel: (number: Value) => `First free label, 1 to ${number}`,
  tagsLabel: 'Only these tags (empty: all)',
  openLabels: 'Open the labels (PDF)',
  listsOnPaper: 'Lists on paper',
  inspectionList: 'Inspection list of this session (PDF)',
  comingLink: 'What the coming sessions need, and orders (PDF)',
  tables: 'Tables',
  subject: 'the tables',
  asCsv: (title: Value) => `${title} as CSV`,
  csv: 'CSV',
  asXlsx: (title: Value) => `${title} as XLSX`,
  xlsx: 'XLSX',
  import: (title: Value) => `Import ${title}`,
  importTable: 'Import…',
  modulesAndBoards: 'Modules and boards',
  badges: 'Badges of the pairs',
}

// The stores: kits, drawers, faults, sessions, orders, tables.
import { and, count, plural } from './language'
import type { Value } from '../value'

export const comingSessions = {
  comingSessions: 'Coming sessions',
  toPrintPdf: 'To print (PDF)',
  asATableCsv: 'As a table (CSV)',
  theComingSessions: 'the coming sessions',
  noSessionIsPlanned: 'No session is planned',
  sessionsWithTheirExercises:
    'Sessions with their exercises are planned in Set-up; then it stands here what is ready for them.',
  pickingListPdf: 'Picking list (PDF)',
  readyFor: (pairs: number) => `{ready} ready for {pairs} ${plural(pairs, 'pair', 'pairs')}`,
  testFirst: 'Test first',
  fill: 'Fill',
  itIsFilled: 'It is filled',
  swapIn: 'Swap in',
  get: 'Get',
  short: (short: number) => `${count(short, 'kit')} short`,
  enoughAfterSome: 'enough, after some work',
  enough: 'enough',
}

export const drawerDialog = {
  addAThing: 'Add a thing to a drawer',
  howManyHaveCome: 'How many have come',
  bookIn: 'Book in',
  partOfTheCatalogue: 'Part of the catalogue',
  somethingElse: 'something else',
  value: 'Value',
  ratedWatts: 'Rated watts',
  colour: 'Colour',
  whatItIs: 'What it is',
  thingExample: 'wires, 20 cm',
  drawer: 'Drawer',
  smallestStock: 'Smallest stock',
  addIt: 'Add it',
  whatHappenedInThisDrawer: 'What happened in this drawer',
  inThisDrawer: 'In this drawer',
  beyondTheCount: (short: Value) => `${short} beyond the count`,
  isNotRead: (typed: Value) => `“${typed}” is not read as a value; write 330, 4k7 or 10k.`,
  isNotReadAsWatts: (watts: Value) => `“${watts}” is not read as watts; write 0.25 or 500 mW.`,
}

export const drawerList = {
  belowTheSmallest: (low: Value) => `${low} below the smallest stock.`,
  typeWhatLies: 'Type what lies in the drawer, then Enter. Esc ends it.',
  addAThing: 'Add a thing…',
  countingIsDone: 'Counting is done',
  countTheDrawers: 'Count the drawers',
  theDrawers: 'the drawers',
  nothingIsCounted: 'Nothing is counted yet',
  resistorsLights:
    'Resistors, lights, wires and the like are counted by drawer, each with its smallest stock.',
  drawer: 'Drawer',
  smallest: 'Smallest',
  found: 'Found',
  last: 'Last',
  takenBeyondTheCount: (short: Value) => `${short} taken beyond the count: count it`,
  foundIn: (drawer: Value, title: Value) => `Found in ${drawer}: ${title}`,
}

export const faultList = {
  theFaults: 'the faults',
  nothingIsFaulty: 'Nothing is faulty',
  aFaultThatIsNoted:
    'A fault that is noted at the hatch or at a module stands here until somebody says that it is well.',
  onTheRepairBench: 'on the repair bench',
  notLookedAtYet: 'not looked at yet',
  pictureOf: (title: Value) => `Picture of ${title}`,
  whatWasDone: 'What was done',
  whyItIsThrownAway: 'Why it is thrown away',
  whatWasDoneMayStay: 'What was done (may stay empty)',
  whyMayStayEmpty: 'Why (may stay empty)',
  itIsWell: 'It is well',
  retireIt: 'Retire it',
  itIsWellAsk: 'It is well…',
  toTheRepairBench: 'To the repair bench',
  retire: 'Retire…',
  closed: 'Closed',
  fault: 'Fault',
  cameTo: 'Came to',
  on: 'On',
}

export const importTable = {
  import: (title: Value) => `Import ${title}`,
  theFirstRowNames: (needed: string[]) =>
    `The first row names the columns: {head}. ${and(needed)} must be there, the others may be left out. Nothing is stored before you have seen what would change.`,
  csvXlsxOrOdsUp: 'CSV, XLSX or ODS up to 1 MB',
  orPasteCells: 'Or paste cells from a spreadsheet',
  whatYouPasted: 'what you pasted',
  seeWhatWouldChange: 'See what would change',
  leftOut: (wrong: Value) => `${wrong} left out`,
  newChangedAsItIs: (added: number, changed: Value, same: Value) =>
    `{file}: ${count(added, 'row')} new, ${changed} changed, ${same} as it is{part}.`,
  importRows: (will: number) => `Import ${count(will, 'row')}`,
  nothingToImport: 'Nothing to import',
  anotherFile: 'Another file',
}

export const kitTable = {
  tagExerciseOrPair: 'Tag, exercise or pair',
  findAKit: 'Find a kit',
  whichKits: 'Which kits',
  todays: 'Today’s',
  all: 'All',
  noKitsYet: 'No kits yet',
  aKitIsATagged: 'A kit is a tagged box filled to the recipe of an exercise.',
  tag: 'Tag',
  with: 'With',
  note: 'Note',
  isNow: (tag: Value, wasInRepair: boolean) => `${tag} is ${wasInRepair ? 'repaired' : 'complete'} now`,
  repaired: 'Repaired',
  completeNow: 'Complete now',
  alsoFor: (serves: Value) => `also for ${serves}`,
  readyOutHeldBack: (ready: number, out: number, held: number) =>
    `${ready} ready, ${out} out, ${held} held back`,
}

export const orderList = {
  toOrder: 'To order',
  asATableCsv: 'As a table (CSV)',
  theOrders: 'the orders',
  nothingEverySmallest: 'Nothing: every smallest stock lasts through the coming sessions.',
  orderBy: 'Order by',
  atOnce: 'at once',
  days: (leadDays: Value) => `${leadDays} days`,
}

export const tablesAndLabels = {
  labels: 'Labels',
  ofWhat: 'Of what',
  sheet: 'Sheet',
  firstFreeLabel: (number: Value) => `First free label, 1 to ${number}`,
  onlyTheseTagsEmpty: 'Only these tags (empty: all)',
  openTheLabelsPdf: 'Open the labels (PDF)',
  listsOnPaper: 'Lists on paper',
  inspectionList: 'Inspection list of this session (PDF)',
  whatTheComingSessions: 'What the coming sessions need, and orders (PDF)',
  tables: 'Tables',
  theTables: 'the tables',
  asCsv: (title: Value) => `${title} as CSV`,
  csv: 'CSV',
  asXlsx: (title: Value) => `${title} as XLSX`,
  xlsx: 'XLSX',
  import: (title: Value) => `Import ${title}`,
  importTable: 'Import…',
  modulesAndBoards: 'Modules and boards',
  badgesOfThePairs: 'Badges of the pairs',
}

// The stores: modules and their batches.
import { count } from './language'
import type { Value } from '../value'

export const batchDialog = {
  batches: 'Batches',
  choose: 'Choose…',
  markingLabel: 'Maker’s marking, as you read it',
  legsLabel: 'Legs in the order they are printed',
  boughtOn: 'Bought on',
  figuresHeading: 'Figures in which it deviates from its kind',
  saveTheBatch: 'Save the batch',
  back: 'Back to the list',
  subject: 'the batches',
  noneHint:
    'No batch yet. A batch carries what its modules have in common: leg order, supplier, figures of their own.',
  legs: 'Legs',
  uses: 'Uses',
  faultRateLabel: 'Faults to be expected at each use',
  rate: 'Rate',
  edit: 'Edit',
  newBatch: 'New batch…',
  figureNotRead: (figure: Value, typed: Value) => `${figure}: “${typed}” is not read as a number.`,
}

export const boughtFields = {
  supplier: 'Supplier',
  leadTimeDays: 'Lead time, days',
  priceAPiece: 'Price a piece',
  amountWithoutCurrency: 'an amount such as 1.20, without the currency',
}

export const calibrateForm = {
  how: 'How',
  validFor: (how: Value, days: Value) => `${how} It counts for ${days} days.`,
  withWhat: 'With what',
  referenceThermometer: 'reference thermometer',
  onDay: 'On (empty: today)',
  saveTheCalibration: 'Save the calibration',
  noNumber: (label: Value, typed: Value) => `${label}: “${typed}” is no number.`,
}

export const moduleDialog = {
  module: 'Module',
  subject: 'the module',
  whereIn: (where: Value) => `in ${where}`,
  legs: (legOrder: Value) => `legs ${legOrder}`,
  bought: (boughtOn: Value) => `bought ${boughtOn}`,
  calibrations: 'Calibrations',
  calibrate: 'Calibrate…',
  withdrawn: 'withdrawn',
  tooOldSince: (until: Value) => `too old since ${until}`,
  countsUntil: (until: Value) => `counts until ${until}`,
  withdraw: 'Withdraw',
  notCalibrated: 'Not calibrated: its sheets count with the limits of its family.',
  faults: (history: number) => count(history, 'fault'),
  faultLabel: 'What is wrong with it',
  noteTheFault: 'Note the fault',
  kitLabel: 'Tag of the kit it lies in',
  kitExample: 'Kit it lies in: HB-15',
  putItThere: 'Put it there',
  asItIs: 'As it is',
  none: 'none',
  notKnown: 'not known',
  headersSoldered: 'Headers soldered on',
  yes: 'yes',
  no: 'no',
  note: 'Note',
}

export const moduleList = {
  findHint: 'Tag, kind, kit or batch',
  findAModule: 'Find a module',
  whichModules: 'Which modules',
  batches: 'Batches…',
  tagModules: 'Tag modules…',
  subject: 'the modules',
  none: 'No module is tagged yet',
  noneHint:
    'A tagged module keeps its leg order, its settings and its calibrations wherever it goes. Untagged kits work as well.',
  noModuleFits: 'No module fits.',
  tag: 'Tag',
  where: 'Where',
  calibration: 'Calibration',
  loose: 'loose',
  tooOld: 'too old',
  all: 'all',
  heldBack: 'held back',
  withoutKit: 'in no kit',
  calibrationToo: 'calibration too old',
  modules: (all: number) => count(all, 'module'),
}

export const tagModules = {
  tagModules: 'Tag modules',
  choose: 'Choose…',
  countedPartsOption: 'show parts that are usually counted by drawer, too',
  lettersLabel: 'Letters of the tags',
  none: 'none',
  tagThem: 'Tag them',
}

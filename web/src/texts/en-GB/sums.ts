// The sums beside a bench.
import type { Value } from '../value'

export const bandPicture = {
  bands: (colours: Value) => `Bands: ${colours}`,
}

export const bandsSheet = {
  colourBands: 'Colour bands',
  decodeHeading: 'From bands to a value',
  howManyBands: 'How many bands',
  bands: (n: Value) => `${n} bands`,
  readBackwards: 'Read from the other end',
  betweenAnd: 'between {lowOhms} and {highOhms}',
  readBackwardsDoubt: (orderDoubt: Value) => `Read from the other end? ${orderDoubt}.`,
  meterLabel: 'A meter says',
  nothingYet: 'nothing yet',
  fits: "It fits, the meter's own error included.",
  doesNotFit: 'It does not fit these bands.',
  useThese: 'use these',
  perhaps: (bands: Value) => `Perhaps ${bands}: {ohms} {link}`,
  noUsualMisreading: 'No usual misreading explains it. Measured in the circuit it reads too low.',
  encodeHeading: 'From a value to bands',
  fromAValue: 'From a value',
  value: 'value',
  series: 'series',
  tolerance: 'tolerance, %',
  ppmPerKelvin: (ppm: number) => `${ppm} ppm/K`,
  nearestIn: (series: Value) => `nearest in ${series}`,
  inSeries: 'It is a value of the series.',
  neighbours: 'next down {down}, next up {up}',
}

export const sumDrawing = {
  label: 'The circuit of this sum',
}

export const sumSheet = {
  none: 'none',
  usualValues: 'usual values',
  workingItOut: 'Working it out…',
}

export const sums = {
  sums: 'Sums',
  subject: 'the sums',
  colourBands: 'Colour bands',
  nextSum: 'next sum',
  sumBefore: 'sum before',
}

export const bands = {
  figure: (position: Value) => `figure ${position}`,
}

// `$name` is what was entered, `=name` what came out; both stand in another language as they are.
export const drawings = {
  upper: 'upper  $upper',
  lower: 'lower  $lower',
  load: 'load  $load',
  loadSupply: 'supply of the load',
  pin: 'pin',
  module: 'module',
  lead: 'lead  $lead',
  upWithin: 'up within  $slot',
  lowerLower: 'lower  =lower',
  pinAtMost: 'pin, at most $most',
  together: 'together  =ohms',
  bit: '$bits bit',
  reference: 'reference',
  countStep: 'a count is =step',
  against: 'against $reference',
  echoPath: 'there and back =pulse',
  airC: 'air $air °C',
  cell: 'cell  =dark … =bright',
  best: 'best  =best',
  sensor: 'sensor  =ohms',
  pitch: 'pitch =pitch',
  roll: 'roll =roll',
  worstCase: 'worst case =worst',
  off: 'off  $off',
  on: 'on  $on',
  onAt: 'on at =on_at',
  offAt: 'off at =off_at',
}

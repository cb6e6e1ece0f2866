// The sheet of expected values.
import type { Value } from '../value'

export const sheetStudy = {
  reading: 'Reading',
  shown: 'Shown',
  echoTime: 'Echo time',
  heading: 'What would be read',
  stimulusLabel: 'At the sensor',
  echo: 'echo',
  count: 'count',
  prints: 'prints {printed} {limits}',
  readsAndPrints: '{read} {raw}, prints {printed} {limits}',
  assumedHeading: 'If it were measured as',
  nothingToMeasure: 'Nothing on this bench would narrow it by being measured.',
  reset: 'Back to what is known',
  assumed: (moved: Value) => `Tried: ${moved}. Nothing is kept.`,
}

export const sheetTable = {
  pinHeading: 'At the pin',
  limitsHeading: 'and limits',
  shouldPrint: 'Should print',
  outputs: 'Outputs',
  predicted: 'Predicted',
  flatEnd: 'flat end, not judged',
  endOfRange: 'end of range',
  none: 'none',
  echo: 'Echo',
}

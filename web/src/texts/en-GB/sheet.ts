// The sheet of expected values.
import type { Value } from '../value'

export const sheetStudy = {
  reading: 'Reading',
  shown: 'Shown',
  echoTime: 'Echo time',
  whatWouldBeRead: 'What would be read',
  atTheSensor: 'At the sensor',
  echo: 'echo',
  count: 'count',
  prints: 'prints {printed} {limits}',
  readsAndPrints: '{read} {raw}, prints {printed} {limits}',
  ifItWereMeasuredAs: 'If it were measured as',
  nothingOnThisBench: 'Nothing on this bench would narrow it by being measured.',
  backToWhatIsKnown: 'Back to what is known',
  triedNothingIsKept: (moved: Value) => `Tried: ${moved}. Nothing is kept.`,
}

export const sheetTable = {
  atThePin: 'At the pin',
  andLimits: 'and limits',
  shouldPrint: 'Should print',
  outputs: 'Outputs',
  predicted: 'Predicted',
  flatEndNotJudged: 'flat end, not judged',
  endOfRange: 'end of range',
  none: 'none',
  echo: 'Echo',
}

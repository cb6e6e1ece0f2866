// Why a count changed, as it is told.
export const WHY: Record<string, string> = {
  first: 'entered',
  bought: 'bought',
  given: 'given',
  filled: 'filled into a kit',
  used: 'used up',
  'put-back': 'put back',
  broken: 'broken',
  counted: 'counted',
}

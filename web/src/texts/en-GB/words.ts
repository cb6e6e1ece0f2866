// What the server's short names are called: stations, severities, states. By the name that the server sends.
type Words = Record<string, string>

export const stations: Words = {
  kit: 'Kit',
  wiring: 'Wiring',
  power: 'Power',
  program: 'Program',
  readings: 'Readings',
  mark: 'Mark',
}

export const roles: Words = { instructor: 'instructor', assistant: 'assistant' }

export const severities: Words = {
  stop: 'Stop',
  fix: 'Fix',
  check: 'Check',
  note: 'Note',
  unchecked: 'Not checked',
}

export const verdicts: Words = {
  likely: 'in limits',
  'in-limits': 'in limits, wide',
  out: 'out',
  missing: 'missing',
  exempt: 'not judged here',
  unjudged: 'not judged',
}

/** A station of a docket, as a table of the class says it. */
export const stationStates: Words = {
  passed: 'passed',
  asks: 'asks',
  'sent-back': 'sent back',
  working: 'working',
  voided: 'voided',
}

/** A station of a docket, in full. */
export const padWords: Words = {
  done: 'passed',
  asks: 'asks for a person',
  back: 'sent back',
  here: 'being worked at',
  ahead: 'not reached',
}

/** The parts of Set-up. */
export const setUpParts: Words = {
  people: 'People',
  pairs: 'Pairs',
  room: 'Room',
  exercise: 'Exercise',
  kits: 'Kits',
  session: 'Session',
  course: 'Course, sections and staff',
  records: 'Copies and event log',
}

export const sessions: Words = { 'to come': 'to come', running: 'running', paused: 'paused', over: 'over' }

export const changes: Words = { added: 'new', removed: 'gone', moved: 'moved', changed: 'changed' }

export const kits: Words = {
  ready: 'ready',
  out: 'out',
  incomplete: 'incomplete',
  repair: 'in repair',
  'to-test': 'to test',
}

export const modules: Words = {
  ready: 'ready',
  out: 'out',
  'to-test': 'to test',
  repair: 'faulty',
  missing: 'missing',
  retired: 'retired',
}

export const faults: Words = {
  open: 'open',
  mending: 'on the repair bench',
  well: 'well',
  retired: 'retired',
}

/** Why the count of a drawer changed. */
export const stockMoves: Words = {
  first: 'entered',
  bought: 'bought',
  given: 'given',
  filled: 'filled into a kit',
  used: 'used up',
  'put-back': 'put back',
  broken: 'broken',
  counted: 'counted',
}

/** How well a fault explains a log. */
export const likelihoods: Words = {
  'fits best': 'fits best',
  'also fits': 'fits as well',
  unlikely: 'less likely',
}

const DECIDED: Words = { pass: 'passed', 'send-back': 'sent back', clear: 'cleared', reopen: 'reopened' }

/** A decision as it is told after the name of who decided: "sent back the wiring". */
export function decidedWords(decision: { act: string; station: string; overruled: boolean }): string {
  const object =
    decision.act === 'clear'
      ? 'bench for power'
      : (stations[decision.station] ?? decision.station).toLowerCase()
  return `${DECIDED[decision.act] ?? decision.act} the ${object}${decision.overruled ? ' over a Stop' : ''}`
}

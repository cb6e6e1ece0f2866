// The marks of a class, and the feedback of one pair.
import { and } from './language'
import type { Value } from '../value'

export const feedback = {
  print: 'Print',
  docketLink: 'Back to the docket',
  docketSubject: 'the docket',
  markSubject: 'the mark',
  benchVersion: (members: string[], bench: Value, version: Value) =>
    `${and(members)} · bench ${bench} · version ${version}`,
  proposedNotClosed: 'proposed, not closed',
  totalOf: (whole: Value) => `{total} of ${whole} {proposedNot}`,
  countsOf: (counts: Value, whole: Value) => `${counts} of ${whole}`,
  changedFrom: (proposed: Value, reason: Value) => `Changed from ${proposed}: ${reason}`,
}

export const marks = {
  closedCount: (closed: Value, rows: Value) =>
    `${closed} of ${rows} closed; the others are proposed as of now`,
  exportAsCsv: 'Export as CSV',
  noSession: 'No session is planned',
  noSessionHint: 'Marks are kept by session: there is none yet.',
  what: 'the marks of the class',
  noDocketsYet: 'No dockets yet',
  noneHint: 'Marks appear when kits are handed out.',
  outOf: (whole: Value) => `of ${whole}`,
  total: 'Total',
  changed: ', changed by an instructor',
  closed: 'closed',
  proposed: 'proposed',
  changedLegend: '* Changed by an instructor, with a reason.',
}

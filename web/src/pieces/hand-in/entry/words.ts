// What can be named on a bench, and the error that says a line was not understood.
import type { Schemas } from '@/api/client'

export type PartName = Schemas['PartNamesOut']
export interface RecipePart {
  ref: string
  part: string
  title: string
  settings: Record<string, string>
}
/** What can be named on this bench. */
export interface Vocabulary {
  pins: string[]
  parts: PartName[]
  recipe: RecipePart[]
  bandCodes: Record<string, string>
  wireColours: string[]
}

export class NotUnderstood extends Error {}

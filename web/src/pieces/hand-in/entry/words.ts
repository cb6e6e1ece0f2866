// What can be named on a bench, and the error that says a line was not understood.
export interface PartName {
  id: string
  title: string
  legs: string[]
  settings: string[]
  by_name: boolean
}
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
}

export class NotUnderstood extends Error {}

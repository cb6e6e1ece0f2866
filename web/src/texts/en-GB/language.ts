// The language of the texts: numbers, dates and plurals follow it by the platform.

import { dateEnGB } from 'naive-ui'

export const LANGUAGE = 'en-GB'
/** How the library's fields for days and times write them. */
export const FIELD_DATES = dateEnGB
export const DAY_FORMAT = 'dd/MM/yyyy'
/** The week begins on Monday, which the library counts as 0. */
export const FIRST_DAY_OF_WEEK = 0

const PLURALS = new Intl.PluralRules(LANGUAGE)

/** Of two wordings the one that the language asks for with this number: "1 pair waits", "3 pairs wait". */
export function plural(number: number, one: string, other: string): string {
  return PLURALS.select(number) === 'one' ? one : other
}

/** A number with its noun: "1 pair", "12 pairs". */
export function count(number: number, one: string, other = `${one}s`): string {
  return `${number} ${plural(number, one, other)}`
}

const ALL_OF = new Intl.ListFormat(LANGUAGE)
const ONE_OF = new Intl.ListFormat(LANGUAGE, { type: 'disjunction' })

/** Things in a row as the language says them: "Tag, Kind and Batch". */
export function and(things: string[]): string {
  return ALL_OF.format(things)
}

/** Things of which it is one: "A, B or C". */
export function or(things: string[]): string {
  return ONE_OF.format(things)
}

// The language of the texts: numbers, dates and plurals follow it by the platform.

export const LANGUAGE = 'en-GB'

const PLURALS = new Intl.PluralRules(LANGUAGE)

/** Of two wordings the one that the language asks for with this number: "1 pair waits", "3 pairs wait". */
export function plural(number: number, one: string, other: string): string {
  return PLURALS.select(number) === 'one' ? one : other
}

/** A number with its noun: "1 pair", "12 pairs". */
export function count(number: number, one: string, other = `${one}s`): string {
  return `${number} ${plural(number, one, other)}`
}

// How bands are drawn. Their names stand under them: nothing depends on the colour alone.
import { bands as texts } from '@texts/sums'
export const PAINT: Record<string, string> = {
  black: '#1c1a19',
  brown: '#7b4a23',
  red: '#c22b2b',
  orange: '#e07b1d',
  yellow: '#e3c22b',
  green: '#2f8a4a',
  blue: '#2c5fc0',
  violet: '#7d46a6',
  grey: '#85888f',
  white: '#f6f3ea',
  gold: '#b8923a',
  silver: '#b9bcc2',
  pink: '#d983a8',
}

/** What a band says, by its place and how many there are. */
export function roleOf(index: number, count: number): string {
  const figures = count <= 4 ? 2 : 3
  if (index < figures) return texts.figure(index + 1)
  return ['times', 'tolerance', 'drift'][index - figures] ?? ''
}

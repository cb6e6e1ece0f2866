// The wires' own colours, so that the map can be held against the real board.
const COLOURS: Record<string, string> = {
  red: '#c22737',
  black: '#2b2f3a',
  yellow: '#c79a00',
  green: '#2b8a4b',
  blue: '#2f62c4',
  orange: '#d4721a',
  white: '#b8b4a8',
  brown: '#7a4b25',
  violet: '#7a46a8',
  purple: '#7a46a8',
  grey: '#80848f',
  gray: '#80848f',
  pink: '#d0679a',
}

/** Colours that a light of several shows by mixing. */
const MIXED: Record<string, string> = { cyan: '#1f9aa6', magenta: '#b03a9b' }

/** The colour a light shows; undefined for a state that is none (on, a pitch, a brightness). */
export function lightColour(said: string): string | undefined {
  return COLOURS[said] ?? MIXED[said]
}

export function wireColour(name: string | null, dark: boolean): string {
  if (name === 'black' && dark) return '#9aa0ae'
  return COLOURS[name ?? ''] ?? (dark ? '#9aa0ae' : '#6a6f7d')
}

import { describe, expect, it } from 'vitest'

import { textOf } from '@/shared/files'

const LOG = '# Room air\n21.5 °C\n'

function utf16(text: string, little: boolean, marked: boolean): Blob {
  const units = [...(marked ? '\ufeff' : ''), ...text].map((c) => c.charCodeAt(0))
  const bytes = units.flatMap((unit) => (little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255]))
  return new Blob([new Uint8Array(bytes)])
}

describe('a text file', () => {
  it.each([
    ['UTF-8', new Blob([LOG])],
    ['UTF-8 with its mark', new Blob(['\ufeff' + LOG])],
    ['UTF-16, little end first', utf16(LOG, true, true)],
    ['UTF-16, big end first', utf16(LOG, false, true)],
    ['UTF-16 without its mark', utf16(LOG, true, false)],
    ['one byte a letter', new Blob([Uint8Array.from(LOG, (c) => c.charCodeAt(0))])],
  ])('is read in %s', async (_, file) => {
    expect(await textOf(file)).toBe(LOG)
  })
})

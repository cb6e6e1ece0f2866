// The texts of src/texts: each export belongs to one file, and no text stands there that nobody shows.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

const FOLDER = 'src/texts/en-GB'
const files = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .filter((path) => /\.(vue|ts)$/.test(path) && !path.startsWith('texts'))
  .map((path) => readFileSync(join('src', path), 'utf8'))

/** Of an export of the texts: the sources that import it, each with the name it has there. */
const usersOf = (file: string, name: string) =>
  files.flatMap((source) => {
    const imported = source.match(
      new RegExp(`import \\{[^}]*\\b${name}\\b(?: as (\\w+))?[^}]*\\} from '@texts/${file}'`),
    )
    return imported ? [{ source, as: imported[1] ?? name }] : []
  })

const exported = readdirSync(FOLDER)
  .map((name) => name.replace('.ts', ''))
  .filter((file) => !['language', 'words'].includes(file))
  .flatMap((file) =>
    [
      ...readFileSync(join(FOLDER, `${file}.ts`), 'utf8').matchAll(/export const (\w+) = \{\n(.*?)\n\}\n/gs),
    ].map(([, name, body]) => ({
      file,
      name: name!,
      keys: [...body!.matchAll(/^ {2}(\w+):/gm)].map((m) => m[1]!),
    })),
  )

describe('texts', () => {
  it.each(exported.filter(({ name }) => name !== 'common'))(
    '$file: $name belong to one file',
    ({ file, name }) => {
      expect(usersOf(file, name)).toHaveLength(1)
    },
  )

  it.each(exported)('$file: $name are named by meaning, not by their first words', ({ keys }) => {
    const words = (key: string) => key.match(/[A-Z]?[a-z]+|[A-Z]|\d+/g)!.length
    const sentence = /^(n\d|a|an|it|is|of|and|that|the|there|this|to)([A-Z]|$)/
    expect(keys.filter((key) => words(key) > 4 || sentence.test(key))).toEqual([])
  })

  it.each(exported)('$file: $name are all shown somewhere', ({ file, name, keys }) => {
    const users = usersOf(file, name)
    const unused = keys.filter((key) => !users.some((user) => user.source.includes(`${user.as}.${key}`)))
    expect(unused).toEqual([])
  })
})

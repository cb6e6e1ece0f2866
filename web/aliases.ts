// The two short names of folders: `@` is src, `@texts` the texts of the language that is built; and what stands for a
// dependency of a library that is not used.
import { fileURLToPath, URL } from 'node:url'

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const language = process.env.VERIFEX_LANGUAGE ?? 'en-GB'

export const aliases = {
  'async-validator': folder('./src/pieces/fields/no-validator.ts'),
  '@texts': folder(`./src/texts/${language}`),
  '@': folder('./src'),
}

// The two short names of folders: `@` is src, `@texts` the texts of the language that is built.
import { fileURLToPath, URL } from 'node:url'

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const language = process.env.VERIFEX_LANGUAGE ?? 'en-GB'

export const aliases = { '@texts': folder(`./src/texts/${language}`), '@': folder('./src') }

// A server that stands in: it says what the real one was recorded to say, or what a test wants it to say instead.
import { vi } from 'vitest'
import { wire } from '../setup'
import assistant from './answers/tomas.reed.json'
import instructor from './answers/ines.marlow.json'
import pair from './answers/leo.castell.json'

export const PEOPLE = { instructor, assistant, pair }
export type Person = keyof typeof PEOPLE
export const NUMBERS = instructor.numbers
/** When it was recorded: the session of the demo is running then. */
const RECORDED_AT = new Date(instructor.at)

/** An answer with another status than 200. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly message: string,
    readonly more: object = {},
  ) {}
}
/** No answer while the test lasts. */
export const NEVER = Symbol('never')
/** The connection is lost. */
export const LOST = Symbol('lost')

export interface Sent {
  method: string
  path: string
  body: Record<string, unknown>
  headers: Headers
}

export function standIn(who: Person, changes: Record<string, unknown> = {}) {
  vi.useFakeTimers({ toFake: ['Date'], now: RECORDED_AT })
  const sent: Sent[] = []
  const unknown: string[] = []
  const answers: Record<string, unknown> = { ...PEOPLE[who].answers, ...changes }

  function of(method: string, path: string): unknown {
    const plain = path.split('?')[0]!
    for (const key of [`${method} ${path}`, `${method} ${plain}`]) if (key in answers) return answers[key]
    if (method === 'GET') for (const key of [path, plain]) if (key in answers) return answers[key]
    unknown.push(`${method} ${path}`)
    return new Refusal(404, `the stand-in knows nothing of ${method} ${path}`)
  }
  wire.answer = async (input, init) => {
    const request =
      input instanceof Request ? input : new Request(new URL(String(input), location.href), init)
    const { pathname, search } = new URL(request.url)
    const text = request.method === 'GET' ? '' : await request.clone().text()
    const body = text ? (JSON.parse(text) as Record<string, unknown>) : {}
    if (request.method !== 'GET')
      sent.push({ method: request.method, path: pathname, body, headers: request.headers })
    let answer = of(request.method, pathname + search)
    if (typeof answer === 'function') answer = (answer as (body: object) => unknown)(body)
    answer = await answer
    if (answer === NEVER) return new Promise(() => undefined)
    if (answer === LOST) throw new TypeError('Failed to fetch')
    const headers = { 'Content-Type': 'application/json', Date: new Date().toUTCString() }
    if (answer instanceof Refusal) {
      const { status, message, more } = answer
      return new Response(JSON.stringify({ message, problems: [], changes: [], ...more }), {
        status,
        headers,
      })
    }
    return new Response(JSON.stringify(answer), { status: 200, headers })
  }
  return { sent, unknown, answers, last: () => sent.at(-1) }
}

/** Until something is so; says what stands on the page where it never comes. */
export function until(look: () => unknown): Promise<void> {
  return vi.waitFor(
    () => {
      if (!look())
        throw new Error(`not so yet: ${look.toString()}\n${document.body.textContent?.slice(0, 1500)}`)
    },
    { timeout: 15_000, interval: 10 },
  )
}

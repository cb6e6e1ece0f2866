import createClient from 'openapi-fetch'
import { ref } from 'vue'
import { client as texts } from '@texts/app'
import type { components, paths } from './schema'

export type Schemas = components['schemas']

/** What every refusal of the server looks like (`ErrorOut` in exercises/schemas.py). */
export interface ErrorOut {
  message: string
  problems: { line: number; column: number; message: string }[]
  changes: string[]
}

function csrfToken(): string {
  return document.cookie.match(/(?:^|; )csrftoken=([^;]+)/)?.[1] ?? ''
}

/** How far the server's clock is ahead of this device's, in ms, as its last answer told. */
export const serverAheadMs = ref(0)

export const client = createClient<paths>({ baseUrl: '/' })
client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrfToken())
    return request
  },
  onResponse({ response }) {
    const said = Date.parse(response.headers.get('Date') ?? '')
    // The header counts whole seconds; a smaller difference is none.
    if (Math.abs(said - Date.now() - serverAheadMs.value) > 1500) serverAheadMs.value = said - Date.now()
    return response
  },
})

/** A refused or failed call: what to say, with located problems and what changed meanwhile. */
export class ApiError extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly problems: ErrorOut['problems'] = [],
    readonly changes: string[] = [],
  ) {
    super(message)
  }
}

const LOST = texts.connectionLost

/** The data of a call, or an ApiError that can be shown as it is. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let result
  try {
    result = await call
  } catch {
    throw new ApiError(LOST, 0)
  }
  if (result.response.ok && result.data !== undefined) return result.data
  const error = result.error as Partial<ErrorOut> | undefined
  const message = error?.message ?? texts.serverFailed
  throw new ApiError(message, result.response.status, error?.problems ?? [], error?.changes ?? [])
}

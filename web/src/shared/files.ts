// Files to and from the server.
import { ApiError, type ErrorOut } from '@/api/client'
import { files as texts } from '@texts/app'

/** A file's bytes as base64, as JSON carries them. */
export async function base64Of(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  let text = ''
  for (let at = 0; at < bytes.length; at += 0x8000)
    text += String.fromCharCode(...bytes.subarray(at, at + 0x8000))
  return btoa(text)
}

/** What a POST answers, saved as a file. Throws an ApiError where it is refused. */
export async function saveFile(path: string, name: string): Promise<{ message: string }> {
  const token = document.cookie.match(/(?:^|; )csrftoken=([^;]+)/)?.[1] ?? ''
  let answer: Response
  try {
    answer = await fetch(path, { method: 'POST', headers: { 'X-CSRFToken': token } })
  } catch {
    throw new ApiError(texts.connectionLost, 0)
  }
  if (!answer.ok) {
    const said = (await answer.json().catch(() => null)) as ErrorOut | null
    throw new ApiError(said?.message ?? texts.serverFailed, answer.status)
  }
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await answer.blob())
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
  return { message: texts.saved(name) }
}

/** A text file's text: UTF-8, UTF-16 as some consoles save it, or the one-byte code of older systems. */
export async function textOf(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  return new TextDecoder(codeOf(bytes)).decode(bytes)
}

function codeOf(bytes: Uint8Array): string {
  const head = bytes.subarray(0, LOOKED_AT)
  const zerosAt = (offset: number) => head.filter((byte, at) => at % 2 === offset && byte === 0).length
  if (head[0] === 0xff && head[1] === 0xfe) return 'utf-16le'
  if (head[0] === 0xfe && head[1] === 0xff) return 'utf-16be'
  if (zerosAt(1) > head.length / 5 && zerosAt(0) === 0) return 'utf-16le'
  if (zerosAt(0) > head.length / 5 && zerosAt(1) === 0) return 'utf-16be'
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    return 'utf-8'
  } catch {
    return 'windows-1252'
  }
}
const LOOKED_AT = 400 // bytes

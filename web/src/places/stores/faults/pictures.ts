// Pictures of faults, sent one by one: a large one must not make the others wait.
import { ask, client } from '@/api/client'
import { base64Of } from '@/shared/files'
import { pictures as texts } from '@texts/hatch'

export async function sendPicture(faultId: number, picture: File) {
  const body = { data: await base64Of(picture) }
  const path = { fault_id: faultId }
  return ask(client.POST('/api/faults/{fault_id}/photos', { params: { path }, body }))
}

/** Each picture to its fault, by reference; which could not be added, with the reason. */
export async function sendPictures(
  faults: Record<string, number>,
  pictures: Record<string, File>,
  send: typeof sendPicture = sendPicture,
): Promise<string[]> {
  const refused: string[] = []
  for (const [ref, picture] of Object.entries(pictures)) {
    const fault = faults[ref]
    if (fault === undefined) continue
    try {
      await send(fault, picture)
    } catch (wrong) {
      refused.push(texts.pictureFailed(ref, (wrong as Error).message))
    }
  }
  return refused
}

// An id that is remembered over reloads, in this browser or in this tab only.
import { useStorage } from '@vueuse/core'
import type { Ref } from 'vue'

const asId = {
  read: (text: string) => (/^\d+$/.test(text) ? Number(text) : null),
  write: (id: number | null) => String(id ?? ''),
}

export function rememberedId(name: string, storage: Storage = localStorage): Ref<number | null> {
  return useStorage<number | null>(name, null, storage, { serializer: asId })
}

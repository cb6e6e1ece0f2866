// The server's clock counts: waits are measured against it, not against the reader's device.
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { serverAheadMs } from '@/api/client'

export function useServerNow() {
  const local = useNow({ interval: 5000 })
  return { now: computed(() => local.value.getTime() + serverAheadMs.value) }
}

// The server's clock counts: waits are measured against it, not against the reader's device.
import { useNow } from '@vueuse/core'
import { computed, type Ref, ref, watch } from 'vue'

export function useServerNow(serverTime?: Ref<string | undefined>) {
  const ahead = ref(0)
  const local = useNow({ interval: 5000 })
  watch(
    () => serverTime?.value,
    (at) => {
      if (at) ahead.value = Date.parse(at) - Date.now()
    },
    { immediate: true },
  )
  return { now: computed(() => local.value.getTime() + ahead.value) }
}

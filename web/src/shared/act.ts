// One act on the server: running, refused with a reason, or done with a word. What is shown of it is then asked for anew.
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'

export function useAct(stale: readonly string[]) {
  const queries = useQueryClient()
  const busy = ref(false)
  const error = ref<unknown>(null)
  const said = ref('')
  /** What the call gives; null where it was refused, and then `error` says why. */
  async function run<T>(call: () => Promise<T>): Promise<T | null> {
    busy.value = true
    error.value = null
    said.value = ''
    try {
      const done = await call()
      said.value = (done as { message?: string } | undefined)?.message ?? ''
      return done
    } catch (wrong) {
      error.value = wrong
      return null
    } finally {
      busy.value = false
      await Promise.all(stale.map((key) => queries.invalidateQueries({ queryKey: [key] })))
    }
  }
  return { busy, error, said, run }
}

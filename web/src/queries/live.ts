// Readings as the board prints them: the lines as server-sent events, and what is said of them so far.
import { useIntervalFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { ask, client, type Schemas } from '@/api/client'

interface Heard {
  lines: string[]
  open: boolean
  code: string
  quiet: boolean
  heard: boolean
}
const SAID_MS = 1500

export function useLive(docket: Ref<number>, mine: boolean) {
  const lines = shallowRef<string[]>([])
  const now = ref<Omit<Heard, 'lines'>>({ open: false, code: '', quiet: false, heard: false })
  const said = shallowRef<Schemas['LiveVerdictOut'] | null>(null)
  const error = ref<unknown>(null)
  const lost = ref(false)
  let source: EventSource | null = null

  function hear() {
    source?.close()
    lines.value = []
    source = new EventSource(`/api/${mine ? 'my/' : ''}dockets/${docket.value}/live`)
    source.onmessage = (event) => {
      const { lines: more, ...rest } = JSON.parse(event.data as string) as Heard
      lost.value = false
      if (more.length) lines.value = [...lines.value, ...more]
      now.value = rest
      if (!rest.open) source?.close()
    }
    // Each answer ends and the browser comes again by itself; only a closed source is an error.
    source.onerror = () => (lost.value = source?.readyState === EventSource.CLOSED && now.value.open)
  }
  watch(docket, hear, { immediate: true })
  onScopeDispose(() => source?.close())

  let judged = 0
  useIntervalFn(() => void look(), SAID_MS)
  async function look() {
    if (lines.value.length === judged || !lines.value.length) return
    judged = lines.value.length
    const params = { params: { path: { docket_id: docket.value } } }
    try {
      said.value = await ask(
        mine
          ? client.GET('/api/my/dockets/{docket_id}/live/said', params)
          : client.GET('/api/dockets/{docket_id}/live/said', params),
      )
    } catch {
      judged = 0 // many checks are running: looked at again in a moment
    }
  }
  async function run(act: 'open' | 'stop' | 'mark', step = '') {
    error.value = null
    const params = { params: { path: { docket_id: docket.value } } }
    try {
      if (act === 'open') {
        await ask(
          mine
            ? client.POST('/api/my/dockets/{docket_id}/live', params)
            : client.POST('/api/dockets/{docket_id}/live', params),
        )
        said.value = null
        judged = 0
        hear()
      } else if (act === 'stop')
        await ask(
          mine
            ? client.POST('/api/my/dockets/{docket_id}/live/stop', params)
            : client.POST('/api/dockets/{docket_id}/live/stop', params),
        )
      else {
        const body = { step }
        await ask(
          mine
            ? client.POST('/api/my/dockets/{docket_id}/live/mark', { ...params, body })
            : client.POST('/api/dockets/{docket_id}/live/mark', { ...params, body }),
        )
      }
      return true
    } catch (wrong) {
      error.value = wrong
      return false
    }
  }
  return { lines, now, said, error, lost, run }
}

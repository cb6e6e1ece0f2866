// A key shows its own effect first: what is slow to draw follows after the next picture, and only its latest state.
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'

export function afterPaint<T>(source: () => T): Readonly<ShallowRef<T>> {
  const drawn = shallowRef(source()) as ShallowRef<T>
  let frame = 0
  watch(source, () => {
    if (frame) return
    frame = requestAnimationFrame(() =>
      setTimeout(() => {
        frame = 0
        drawn.value = source()
      }),
    )
  })
  onScopeDispose(() => cancelAnimationFrame(frame))
  return drawn
}

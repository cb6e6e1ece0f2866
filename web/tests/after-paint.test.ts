// What is slow to draw follows after the next picture, and only its latest state.
import { effectScope, nextTick, ref } from 'vue'
import { expect, it } from 'vitest'
import { afterPaint } from '@/shared/after-paint'

const paint = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)))

it('what is drawn stays until the next picture, and is then the latest state', async () => {
  const scope = effectScope()
  const value = ref(1)
  const drawn = scope.run(() => afterPaint(() => value.value))!
  value.value = 2
  await nextTick()
  value.value = 3
  await nextTick()
  expect(drawn.value).toBe(1)
  await paint()
  await paint()
  expect(drawn.value).toBe(3)
  value.value = 4
  await nextTick()
  scope.stop()
  await paint()
  await paint()
  expect(drawn.value).toBe(3)
})

import { beforeEach, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { rememberedId } from '@/shared/remembered'

beforeEach(() => localStorage.clear())

it('gives an id back as the number it was, also after a reload', async () => {
  const first = rememberedId('a-test')
  expect(first.value).toBeNull()
  first.value = 12
  await nextTick()
  expect(rememberedId('a-test').value).toBe(12)
})

it('takes what is no number for nothing', () => {
  localStorage.setItem('another', 'null')
  expect(rememberedId('another').value).toBeNull()
  localStorage.setItem('third', 'x{')
  expect(rememberedId('third').value).toBeNull()
})

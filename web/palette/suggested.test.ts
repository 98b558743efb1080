import { beforeEach, expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import { forgetOwn } from '../stores/own.ts'
import { useSuggested } from './suggested.ts'

beforeEach(() => localStorage.clear())

it('what was put aside stays aside after a reload, for what was asked and in its own room', async () => {
  const asked = ref('room accent library')
  const clock = useSuggested(asked)
  clock.putAside(['rust', 'plum'])
  clock.putAside(['moss'])
  await nextTick()
  const later = useSuggested(asked)
  expect([...later.seen.value]).toEqual(['rust', 'plum', 'moss'])
  expect(later.turned.value).toBe(2)
  asked.value = 'room white library'
  expect(later.seen.value.size).toBe(0)
  expect(useSuggested('another-room accent library').seen.value.size).toBe(0)
})

it('the page before comes back as it was put aside, and no further than the first', () => {
  const { seen, turned, putAside, back } = useSuggested('a')
  putAside(['rust'])
  putAside(['moss'])
  back()
  expect([...seen.value]).toEqual(['rust'])
  back()
  back()
  expect(turned.value).toBe(0)
})

it('is forgotten with the sign-out, and nothing else is', async () => {
  useSuggested('a').putAside(['rust'])
  localStorage.setItem('bonitas.ground', 'dark')
  await nextTick()
  forgetOwn()
  expect(Object.keys(localStorage)).toEqual(['bonitas.ground'])
})

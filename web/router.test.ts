import { expect, it } from 'vitest'
import { steps } from '#core/steps/index.ts'
import { router } from './router.ts'

it.each(steps.map((step) => [step.name, step.title]))('the step %s has its page', (name, title) => {
  const [found] = router.getRoutes().filter((route) => route.name === name)
  expect(found?.path).toBe(`/makeovers/:id/${name}`)
  expect(found?.meta.title).toBe(title)
})
it('what is of the whole has its page too', () => {
  for (const name of ['day', 'studio', 'sign-in', 'history', 'remarks', 'piece'])
    expect(router.hasRoute(name)).toBe(true)
})

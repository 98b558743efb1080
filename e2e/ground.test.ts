/** Ground one can trust: two people at once, and a server that is away. */
import { expect, test } from '@playwright/test'
import { begin, clean, dialog, expectLine, makeStudio, planPiece, signBudget, toStep } from './person.ts'
import { addNeed, colleague, need, openPiece } from './colleague.ts'

test('two people follow each other, merge what differs, and choose where it is the same', async ({ page, browser }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  await planPiece(page, { name: 'Settle', category: 'Furniture', allowance: '100' })
  const otherPage = await colleague(page, browser, 'Ilo')
  await expect(page.getByText('Ilo is at Pieces')).toBeVisible()
  await expect(otherPage.getByText('Tess Ting is at Pieces')).toBeVisible()

  await openPiece(page)
  await openPiece(otherPage)
  await dialog(page).getByLabel('What is wanted').fill('Box settle')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(otherPage.getByRole('heading', { name: 'Box settle', level: 1 })).toBeVisible() // followed, with a form open

  // the same field: both are offered, and what was typed beside it is not lost
  await dialog(otherPage).getByLabel('Quantity').fill('2')
  await dialog(otherPage).getByLabel('What is wanted').fill('Long settle')
  await dialog(otherPage).getByRole('button', { name: 'Save' }).click()
  const both = otherPage.getByRole('dialog', { name: 'Changed by two at once' })
  await expect(both).toContainText('Long settle')
  await expect(both).toContainText('Box settle')
  await expect(both).toContainText('Theirs · Tess Ting')
  await expect(both.getByRole('button', { name: 'Keep what is marked' })).toBeDisabled()
  await clean(otherPage, 'conflict')
  await both.getByRole('button', { name: 'Decide later' }).click()
  await expect(otherPage.getByText('1 change to decide')).toBeVisible()
  await otherPage.reload() // it is kept till then, also over a reload
  await otherPage.getByRole('button', { name: '1 change to decide' }).click()
  await dialog(otherPage).getByRole('button', { name: 'Choose whose' }).click()
  await both.getByRole('radio', { name: 'Long settle' }).check()
  await both.getByRole('button', { name: 'Keep what is marked' }).click()
  await expect(both).toBeHidden()
  for (const thisPage of [page, otherPage]) {
    await expect(thisPage.getByRole('heading', { name: 'Long settle', level: 1 })).toBeVisible()
    await expect(thisPage.getByText('2 pieces').first()).toBeVisible()
  }

  // one takes away what the other is changing: it can be put back whole, or let go
  await toStep(page, 'Brief')
  await toStep(otherPage, 'Brief')
  await addNeed(page, 'Sleep')
  await expect(need(otherPage, 'Sleep')).toBeVisible()
  await otherPage.getByRole('button', { name: 'Change Sleep' }).click()
  await page.getByRole('button', { name: 'Change Sleep' }).click()
  await dialog(page).getByRole('button', { name: 'Take away' }).click()
  await expect(need(page, 'Sleep')).toHaveCount(0)
  await dialog(otherPage).getByLabel('What has to be possible').fill('Sleep till noon')
  await dialog(otherPage).getByRole('button', { name: 'Save' }).click()
  await expect(otherPage.getByText(/no longer there/).or(both)).toBeVisible()
})

test('typing goes on while the server is away, through a reload, and all of it arrives once and in order', async ({
  page,
  context,
  browser,
}) => {
  await makeStudio(page)
  await begin(page)
  const otherPage = await colleague(page, browser, 'Una')
  let away = true
  let lost = 0
  await context.route('**/api/makeovers/*/changes', async (route) => {
    if (!away) return route.continue()
    if (lost++ === 1) await route.fetch() // this one goes through, and only its answer is lost
    return route.abort('connectionreset')
  })
  await addNeed(page, 'Play chess')
  await expect(page.getByText('Not saved yet, will try again')).toBeVisible()
  await addNeed(page, 'Nap')
  await page.getByRole('button', { name: 'Change Nap' }).click()
  await dialog(page).getByLabel('What has to be possible').fill('Nap at noon') // rests on the one before, which is not sent yet
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(need(page, 'Nap at noon')).toHaveCount(1)
  await page.getByRole('button', { name: '3 changes waiting' }).click()
  await expect(dialog(page).getByRole('listitem')).toHaveText([/Play chess/, /Nap/, /Nap at noon/])
  await clean(page, 'waiting')
  await page.keyboard.press('Escape')
  await expect.poll(() => lost).toBeGreaterThan(2)
  await page.reload()
  await expect(need(page, 'Nap at noon')).toHaveCount(1)
  await expect(page.getByText('3 changes waiting')).toBeVisible()
  const url = page.url()
  await page.close({ runBeforeUnload: false })
  away = false
  const again = await context.newPage()
  await again.goto(url)
  await expect(again.getByText(/^Saved/)).toBeVisible()
  for (const page of [again, otherPage]) {
    for (const name of ['Play chess', 'Nap at noon']) await expect(need(page, name)).toHaveCount(1)
  }
})

test('two words close together: the one whose answer comes late is not lost', async ({ page, browser }) => {
  await makeStudio(page)
  await begin(page)
  const otherPage = await colleague(page, browser, 'Una')
  let asked = 0
  let release = (): void => undefined
  const released = new Promise<void>((resolve) => (release = resolve))
  await otherPage.route('**/changes?after=*', async (route) => {
    const mine = ++asked
    const response = await route.fetch() // what the diary says now, told later
    if (mine === 1) await released
    else if (mine === 2) await otherPage.waitForTimeout(700)
    await route.fulfill({ response })
  })
  await addNeed(page, 'Sleep')
  await expect.poll(() => asked).toBe(1)
  await addNeed(page, 'Read')
  await page.waitForTimeout(400) // the second word has come
  release()
  for (const name of ['Sleep', 'Read']) await expect(need(otherPage, name)).toHaveCount(1)
})

test('the page opens and takes what is typed while there is no server at all, and forgets its copies with the sign-out', async ({
  browser,
}) => {
  const context = await browser.newContext({ serviceWorkers: 'allow' })
  const page = await context.newPage()
  await makeStudio(page)
  await begin(page)
  await page.evaluate(() => navigator.serviceWorker.ready)
  await page.reload() // from here on the service worker is asked first
  await expect(page.getByRole('region', { name: 'Reckoning' })).toBeVisible()
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByText(/No answer from the server: as of/)).toBeVisible()
  await addNeed(page, 'Watch the weather')
  await page.reload()
  await expect(need(page, 'Watch the weather')).toHaveCount(1)
  await toStep(page, 'Palette') // pages that were never opened are there as well
  await expect(page.getByRole('heading', { name: 'Palette', level: 1 })).toBeVisible()
  await toStep(page, 'Brief')
  await context.setOffline(false)
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.goto('/')
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByLabel('Email')).toBeVisible()
  await expect.poll(() => page.evaluate(() => caches.has('bonitas-copies'))).toBe(false)
  await context.close()
})

test('a change that is refused later comes back with its reason and its text, and what does not rest on it goes on', async ({
  page,
  context,
  browser,
}) => {
  await makeStudio(page)
  await begin(page)
  await addNeed(page, 'Write letters')
  const otherPage = await colleague(page, browser, 'Odo')
  let away = true
  await context.route('**/api/makeovers/*/changes', (route) =>
    away ? route.abort('connectionreset') : route.continue(),
  )
  await page.getByRole('button', { name: 'Change Write letters' }).click()
  await dialog(page).getByLabel('What has to be possible').fill('Write long letters')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(need(page, 'Write long letters')).toBeVisible()
  await addNeed(page, 'Mend clothes')
  // meanwhile somebody takes that need away
  await otherPage.getByRole('button', { name: 'Change Write letters' }).click()
  await dialog(otherPage).getByRole('button', { name: 'Take away' }).click()
  await expect(need(otherPage, 'Write letters')).toHaveCount(0)
  away = false
  await expect(need(otherPage, 'Mend clothes')).toBeVisible()
  await page.getByRole('button', { name: '1 change to decide' }).click()
  await expect(dialog(page)).toContainText('Write long letters')
  await dialog(page).getByRole('button', { name: 'Choose whose' }).click()
  const both = page.getByRole('dialog', { name: 'Changed by two at once' })
  await both.getByRole('radio', { name: /put it back/ }).check()
  await both.getByRole('button', { name: 'Keep what is marked' }).click()
  for (const thisPage of [page, otherPage]) await expect(need(thisPage, 'Write long letters')).toBeVisible()
})

test('a signature that came second is refused with its reason, and what was typed in it is still there to read', async ({
  page,
  context,
  browser,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  const otherPage = await colleague(page, browser, 'Eda')
  let away = true
  await context.route('**/api/makeovers/*/changes', (route) =>
    away ? route.abort('connectionreset') : route.continue(),
  )
  for (const [window, sum, why] of [
    [page, '1200', 'A better stool'],
    [otherPage, '1300', 'A longer bench'],
  ] as const) {
    await window.getByRole('button', { name: 'Sign a change' }).click()
    await dialog(window).getByLabel('Sum for Furniture').fill(sum)
    await dialog(window).getByLabel('Why it changes').fill(why)
    await dialog(window).getByRole('button', { name: 'Signed' }).click()
    await expect(dialog(window)).toBeHidden()
  }
  away = false
  await page.getByRole('button', { name: '1 change to decide' }).click()
  await expect(dialog(page)).toContainText(/Not made: .*another change was signed or drafted meanwhile/)
  for (const words of ['A better stool', '1 200.00'])
    await expect(dialog(page)).toContainText(words.replace(' ', words.startsWith('1') ? '\u00a0' : ' '))
  await dialog(page).getByRole('button', { name: 'Let it go' }).click()
  await page.keyboard.press('Escape')
  await expectLine(page, { Agreed: '1 300.00' })
})

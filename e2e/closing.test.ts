/** The end of the job: a picture over a line that breaks, the pair brought over each other, and the account closed by the client with the keyboard alone. */
import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { clean, openOwn, openOwnMusicRoom, toStep } from './person.ts'

/** A picture of noise, so that it is large however it is packed. */
const picture = async (background: string): Promise<Buffer> =>
  sharp({
    create: { width: 700, height: 500, channels: 3, background, noise: { type: 'gaussian', mean: 128, sigma: 60 } },
  })
    .png()
    .toBuffer()

test('a large picture goes on where the line broke, and a pair is brought over each other by four points', async ({
  page,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Reveal')
  await page.getByRole('button', { name: /from the survey$/ }).click()
  const view = page.getByRole('listitem').filter({ hasText: 'no picture yet' }).first()
  const name = (await view.locator('.name').textContent()) ?? ''
  // the line breaks once, in the middle of the file
  const parts: string[] = []
  let broken = false
  await page.route('**/api/uploads/*/*', (route) => {
    parts.push(new URL(route.request().url()).pathname.split('/').at(-1) ?? '')
    if (parts.length === 2 && !broken) {
      broken = true
      return route.abort('connectionreset')
    }
    return route.continue()
  })
  const own = page.getByRole('listitem').filter({ has: page.getByText(name, { exact: true }) })
  await own
    .getByLabel(`Drop a picture, or choose one: ${name}, before`)
    .setInputFiles({ name: 'b.png', mimeType: 'image/png', buffer: await picture('#777') })
  await expect(own.getByText('no picture after')).toBeVisible({ timeout: 20_000 })
  // the part that broke was sent again, and none of those before it
  expect(broken).toBe(true)
  expect(parts.filter((at) => at === '0')).toHaveLength(1)
  expect(parts[1]).toBe(parts[2])
  await own
    .getByLabel(`Drop a picture, or choose one: ${name}, after`)
    .setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: await picture('#999') })
  await own.getByRole('button', { name: 'Compare' }).click()
  const later = own.getByAltText(`${name}, after`)
  const before = await later.evaluate((picture) => getComputedStyle(picture).transform)
  await own.getByRole('button', { name: 'By four points' }).click()
  const box = own.locator('.over').first()
  await box.scrollIntoViewIfNeeded()
  const size = await box.boundingBox()
  if (!size) throw new Error('the pair is on the page')
  // each point lies a twentieth further right in the earlier picture: the later one moves by as much
  for (const [x, y] of [
    [0.1, 0.1],
    [0.8, 0.1],
    [0.8, 0.8],
    [0.1, 0.8],
  ] as const) {
    await box.click({ position: { x: x * size.width, y: y * size.height } })
    await expect(own.getByRole('status').filter({ hasText: 'earlier picture' })).toBeVisible()
    await box.click({ position: { x: (x + 0.05) * size.width, y: y * size.height } })
  }
  await expect(own.getByRole('status').filter({ hasText: 'picture: point' })).toBeHidden()
  await expect.poll(() => later.evaluate((picture) => getComputedStyle(picture).transform)).not.toBe(before)
  const moved = () =>
    later.evaluate((picture) => {
      const area = picture.getBoundingClientRect()
      const around = picture.closest('.over')?.getBoundingClientRect()
      return around ? (area.left - around.left) / around.width : Number.NaN
    })
  // it is laid over by the fourth point, and stands as soon as the picture is drawn anew
  await expect.poll(moved).toBeCloseTo(0.05, 2)
})

test('the closing statement is signed by the client with the keyboard alone, and the account is closed for both', async ({
  page,
  browser,
}) => {
  await openOwn(page, 'tea-room-long-acre-allotments', 'Tea room, Long Acre allotments')
  await toStep(page, 'Reveal')
  await page.getByRole('button', { name: 'Put it before the client' }).click()
  await expect(page.getByText(/lies before the client/)).toBeVisible()
  await page.getByRole('link', { name: 'The client’s side' }).click()
  await page.getByRole('button', { name: /^Send to/ }).click()
  const letter = page.getByRole('listitem').filter({ hasText: 'Open it as they would' }).first()
  const address = await letter.getByRole('link', { name: 'Open it as they would' }).getAttribute('href')
  const client = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await client.goto(new URL(address ?? '', page.url()).href)
  await expect(client.getByRole('heading', { name: 'The account, to be closed' })).toBeAttached()
  await clean(client, 'the closing statement')
  const name = client.getByLabel('Your name, as your signature').last()
  for (let step = 0; step < 400 && !(await name.evaluate((field) => field === document.activeElement)); step++)
    await client.keyboard.press('Tab')
  await expect(name).toBeFocused()
  await client.keyboard.press('Enter')
  await expect(client.getByRole('alert')).toContainText('Type your name')
  await client.keyboard.type('Bram Oduya')
  await client.keyboard.press('Enter')
  await expect(client.getByText(/The account was closed on/)).toBeVisible()
  await toStep(page, 'Reveal')
  await expect(page.getByText(/by typing “Bram Oduya” on their own page/)).toBeVisible()
  // no more money until it is opened again, with a reason
  await page.getByRole('button', { name: 'Open it again' }).click()
  await expect(page.getByRole('alert')).toContainText('say why it is opened again')
  await page.getByLabel('Why it is opened again').fill('A lamp came broken')
  await page.getByRole('button', { name: 'Open it again' }).click()
  await expect(page.getByRole('button', { name: 'Put it before the client' })).toBeVisible()
})

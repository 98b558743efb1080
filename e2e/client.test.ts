/** The client's side: a version sent, opened by its link on a phone, answered, signed; and the reveal. */
import { expect, test } from '@playwright/test'
import { clean, dialog, openOwnMusicRoom, toStep } from './person.ts'

test('a version is sent, opened without an account on a phone, answered with a picture, and the answer moves what waits', async ({
  page,
  browser,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Reveal')
  await page.getByRole('link', { name: 'The client’s side' }).click()
  await page.getByLabel('A word to begin with').fill('The room as we see it now.')
  await page.getByLabel(/^A word that opens it/).fill('tern')
  await page.getByRole('button', { name: /^Send to/ }).click()
  const letter = page.getByRole('listitem').filter({ hasText: 'To Nell Ashgrove' }).first()
  const address = await letter.getByRole('link', { name: 'Open it as they would' }).getAttribute('href')
  await clean(page, 'the client’s side')

  // as the client: no account, a phone, a word
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const client = await phone.newPage()
  const asked: string[] = []
  client.on('request', (request) => asked.push(`${request.url()} ${request.headers().referer ?? ''}`))
  await client.goto(new URL(address ?? '', page.url()).href)
  await client.getByLabel(/^The word that the studio told you/).fill('gull')
  await client.getByRole('button', { name: 'Open' }).click()
  await expect(client.getByText('That is not the word.')).toBeVisible()
  await client.getByLabel(/^The word that the studio told you/).fill('tern')
  await client.getByRole('button', { name: 'Open' }).click()
  await expect(client.getByRole('heading', { level: 1, name: /Music room/ })).toBeVisible()
  await expect(client.getByText('The room as we see it now.')).toBeVisible()
  // the token is in no address, no referrer, and not in the history
  const token = (address ?? '').split('#')[1] ?? ''
  expect(token.length).toBe(43)
  expect(asked.filter((line) => line.includes(token))).toEqual([])
  expect(client.url()).not.toContain(token)
  expect(await client.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await clean(client, 'the client’s page on a phone')

  // what is typed outlives a reload; a yes with a word and a picture
  await client.getByRole('button', { name: 'Say something on Listening bench' }).click()
  await client.getByLabel('Your words on Listening bench').fill('A hand lower, please')
  await client.reload()
  await client.getByLabel(/^The word that the studio told you/).fill('tern')
  await client.getByRole('button', { name: 'Open' }).click()
  await expect(client.getByLabel('Your words on Listening bench')).toHaveValue('A hand lower, please')
  await client.getByLabel('Pictures for Listening bench').setInputFiles({
    name: 'bench.png',
    mimeType: 'image/png',
    buffer: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    ),
  })
  await client.getByRole('button', { name: 'Yes to Listening bench' }).click()
  await expect(client.getByText('You: yes, “A hand lower, please”')).toBeVisible()
  await expect(client.getByAltText('A picture sent with this answer')).toBeVisible()
  // a place on the plan
  await client.getByRole('button', { name: /^Plan of Music room/ }).click({ position: { x: 120, y: 120 } })
  await client.getByLabel('Your words on this place').fill('Is there a socket here?')
  await client.getByRole('button', { name: 'Ask back about this place' }).click()
  await expect(client.getByText('You: “Is there a socket here?”')).toBeVisible()

  // the studio sees it at once, as the client's own
  await expect(page.getByText('A hand lower, please')).toBeVisible()
  await expect(page.getByText('with a place on the plan')).toBeVisible()
  await page.getByRole('button', { name: 'I have seen all of it' }).click()
  await expect(page.getByRole('button', { name: 'I have seen all of it' })).toBeHidden()
  await page.getByRole('link', { name: /^History/ }).click()
  await expect(page.getByText(/says yes to Listening bench/).first()).toBeVisible()
  await expect(page.getByText('the client’s page').first()).toBeVisible()

  // a link that is taken back shuts the page that is still open
  await page.goBack()
  const taking = page.getByRole('button', { name: 'Take its link back' })
  for (const left of [1, 0]) {
    await taking.last().click()
    await expect(taking).toHaveCount(left)
  }
  await client.getByRole('button', { name: 'Yes to this version' }).click()
  await expect(client.getByRole('alert')).toContainText('It has run out, was taken back')
  await phone.close()
})

test('the reveal: views from the survey, needs ticked, what goes back, what comes later, and why it cannot be closed yet', async ({
  page,
}) => {
  await openOwnMusicRoom(page)
  await toStep(page, 'Reveal')
  await page.getByRole('button', { name: /views from the survey$/ }).click()
  await expect(page.getByText('no picture yet').first()).toBeVisible()
  await page
    .getByRole('group', { name: 'Somewhere to put down a cup' })
    .getByRole('button', { name: 'stands in' })
    .click()
  await expect(
    page.getByRole('group', { name: 'Somewhere to put down a cup' }).getByRole('button', { name: 'stands in' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByText('Ordered and not paid')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Close the account' })).toBeDisabled()
  await page.getByRole('button', { name: 'Add a reminder' }).click()
  await dialog(page).getByLabel('What is to be done').fill('Winter curtains up')
  await dialog(page).getByLabel(/^On/).fill('1 Oct 2031')
  await dialog(page)
    .getByLabel(/^Kept at/)
    .fill('the loft')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('kept at the loft')).toBeVisible()
  await clean(page, 'the reveal')
})

/** The studio as a place of work: invited, given a role, taken out; a second factor; what is kept of oneself. */
import { expect, test, type Browser, type Page } from '@playwright/test'
import { generateSync } from 'otplib'
import { begin, choose, clean, dialog, makeStudio, openOwn, signIn } from './person.ts'

const words = 'four herons over slate'
const toStudio = (page: Page, way?: string) =>
  page
    .getByRole('link', { name: 'Studio', exact: true })
    .click()
    .then(() => (way === undefined ? undefined : page.getByRole('link', { name: way }).click()))
const newPage = async (browser: Browser): Promise<Page> => (await browser.newContext()).newPage()

/** Invites somebody as an owner does, and opens the letter as they would. */
async function invite(page: Page, browser: Browser, email: string, as: string, costs?: boolean): Promise<Page> {
  await page.goto('/studio')
  await page.getByRole('button', { name: /^Invite somebody/ }).click()
  await dialog(page).getByLabel('Email').fill(email)
  await choose(page, dialog(page), 'Here as', as)
  if (costs === false) await expect(dialog(page).getByRole('checkbox')).not.toBeChecked()
  await clean(page, 'invite')
  await dialog(page).getByRole('button', { name: 'Write the invitation' }).click()
  await expect(page.getByText('The invitation is in the post')).toBeVisible()
  await page.getByRole('link', { name: 'Record and post' }).click()
  const row = page.getByRole('row').filter({ hasText: email })
  const opens = await row.getByRole('link', { name: 'Open as they would' }).getAttribute('href')
  const theirs = await newPage(browser)
  await theirs.goto(opens ?? '')
  return theirs
}

test('somebody comes in by a letter, sees no costs, is made a member while at work, and is taken out', async ({
  page,
  browser,
}) => {
  await openOwn(page, 'tea-room-long-acre-allotments', 'Tea room, Long Acre allotments')
  const email = `looker-${Date.now()}@test.example`
  const theirs = await invite(page, browser, email, 'Looker-on: sees, and changes nothing', false)
  await expect(theirs.getByRole('heading', { name: 'Come into Test studio' })).toBeVisible()
  expect(theirs.url()).not.toContain('#') // the token stays in no history
  await clean(theirs, 'join')
  await theirs.getByLabel('Your name').fill('Ila Reed')
  await theirs.getByLabel('Password').fill('passwordpassword')
  await theirs.keyboard.press('Enter')
  await expect(theirs.getByText('is easily guessed')).toBeVisible()
  await theirs.getByLabel('Password').fill(words)
  await theirs.keyboard.press('Enter')
  await expect(theirs.getByRole('list', { name: 'All makeovers' })).toBeVisible()
  await expect(theirs.getByRole('button', { name: 'Begin a makeover' })).toBeHidden()

  await theirs
    .getByRole('list', { name: 'All makeovers' })
    .getByRole('link', { name: /Tea room/ })
    .click()
  await expect(theirs.getByText('You look on: nothing is changed from here, and costs are not shown.')).toBeVisible()
  await expect(theirs.getByRole('region', { name: 'Reckoning' })).toBeHidden()
  await expect(theirs.getByRole('link', { name: 'Purchases' })).toBeHidden()
  await theirs.getByRole('link', { name: /^Pieces/ }).click()
  await expect(theirs.getByRole('heading', { name: 'Pieces', level: 1 })).toBeVisible()
  expect(await theirs.locator('main').innerText()).not.toMatch(/\d[.,]\d\d\b(?! m)/) // no sum, written with its decimals
  await theirs.getByRole('link', { name: /^Brief/ }).click()
  await theirs.getByRole('button', { name: 'Add a need' }).click()
  await expect(theirs.getByText('You are here as looker-on, which does not change a need.')).toBeVisible()
  await expect(dialog(theirs)).toBeHidden()
  // what is there can be read in its form, and nothing is typed there in vain
  await theirs.getByRole('link', { name: /^Pieces/ }).click()
  await theirs.getByText('Wicker chairs').first().click()
  await expect(theirs.getByText('which does not change a need')).toBeHidden({ timeout: 10_000 }) // it goes by itself
  await clean(theirs, 'a piece that is looked at')
  await theirs.getByRole('region', { name: 'Piece', exact: true }).getByRole('button', { name: 'Change' }).click()
  await expect(dialog(theirs).getByLabel('What is wanted')).toHaveValue('Wicker chairs')
  await expect(dialog(theirs).getByLabel('What is wanted')).toBeDisabled()
  await expect(dialog(theirs).getByLabel('Allowance')).toHaveValue('–')
  await expect(dialog(theirs).getByRole('combobox').first()).toBeDisabled()
  await expect(dialog(theirs).getByText('which does not change a piece')).toBeVisible()
  await dialog(theirs).getByRole('button', { name: 'Close', exact: true }).click()

  // made a member while they work: it counts without signing in again
  await page.getByRole('link', { name: 'People and files' }).click()
  await page.getByRole('button', { name: 'Role of Ila Reed' }).click()
  await choose(page, dialog(page), 'Here as', 'Member: works on every makeover, money too')
  await dialog(page).getByRole('button', { name: 'Change it' }).click()
  await expect(page.getByText('Ila Reed is member now.')).toBeVisible()
  await expect(theirs.getByText('You look on')).toBeHidden()
  await theirs.reload()
  await expect(theirs.getByRole('region', { name: 'Reckoning' })).toBeVisible()

  // the last owner cannot step down; who is taken out is out at once
  await page.getByRole('button', { name: 'Role of Tess Ting' }).click()
  await choose(page, dialog(page), 'Here as', 'Member: works on every makeover, money too')
  await dialog(page).getByRole('button', { name: 'Change it' }).click()
  await expect(dialog(page).getByText('Nobody would be left who says who works here.')).toBeVisible()
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Take Ila Reed out' }).click()
  await dialog(page).getByRole('button', { name: 'Take out' }).click()
  await expect(page.getByText('Worked here: Ila Reed.')).toBeVisible()
  await expect(theirs.getByRole('dialog', { name: 'Sign in again' })).toBeVisible()
  await clean(page, 'studio')
  await page.getByRole('link', { name: 'Record and post' }).click()
  const record = page.getByRole('region', { name: 'The record' })
  for (const what of [
    'invited somebody as looker-on',
    'came in by an invitation',
    'made somebody member',
    'took somebody out',
  ])
    await expect(record.getByText(what, { exact: true })).toBeVisible()
  await clean(page, 'record and post')
})

test('a second factor is set up by keyboard, asked for at the door, and its recovery code opens once', async ({
  page,
  browser,
}) => {
  const who = await makeStudio(page)
  await toStudio(page)
  const section = page.getByRole('region', { name: 'Your second factor' })
  await section.getByRole('button', { name: 'Set it up' }).press('Enter')
  await dialog(page).getByLabel('Your password').fill(who.password)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: 'Show this to your app' })).toBeVisible()
  await clean(page, 'second factor')
  const secret = (await dialog(page).locator('.key').innerText()).replaceAll(' ', '')
  await dialog(page).getByLabel('Six figures').fill('000000')
  await page.keyboard.press('Enter')
  await expect(dialog(page).getByText('is not right')).toBeVisible()
  await dialog(page).getByLabel('Six figures').fill(generateSync({ secret }))
  await page.keyboard.press('Enter')
  const codes = page.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem')
  await expect(codes).toHaveCount(10)
  const first = await codes.first().innerText()

  const elsewhere = await newPage(browser)
  const door = async (code: string): Promise<void> => {
    await elsewhere.goto('/sign-in')
    await elsewhere.getByLabel('Email').fill(who.email)
    await elsewhere.getByLabel('Password').fill(who.password)
    await elsewhere.keyboard.press('Enter')
    await expect(elsewhere.getByText('Type the six figures')).toBeVisible()
    await clean(elsewhere, 'a code is asked')
    await elsewhere.getByLabel('Code').fill(code)
    await elsewhere.keyboard.press('Enter')
  }
  await door(first)
  await expect(elsewhere.getByRole('button', { name: 'Sign out', exact: true })).toBeVisible()
  await elsewhere.getByRole('button', { name: 'Sign out', exact: true }).click()
  await door(first)
  await expect(elsewhere.getByText('is not right: expected the six figures')).toBeVisible()
})

test('another password is set by a letter, and the former opens nothing', async ({ page, browser }) => {
  await makeStudio(page)
  const email = `member-${Date.now()}@test.example`
  const theirs = await invite(page, browser, email, 'Member: works on every makeover, money too')
  await theirs.getByLabel('Your name').fill('Una Marl')
  await theirs.getByLabel('Password').fill(words)
  await theirs.keyboard.press('Enter')
  await expect(theirs.getByRole('button', { name: 'Sign out', exact: true })).toBeVisible()
  const door = await newPage(browser)
  await door.goto('/sign-in')
  await door.getByRole('link', { name: 'Another password' }).click()
  await expect(door.getByRole('heading', { name: 'Another password' })).toBeVisible()
  await door.getByLabel('Email').fill(email)
  await clean(door, 'another password')
  await door.keyboard.press('Enter')
  await expect(door.getByText('If that address is somebody’s here')).toBeVisible()
  await page.goto('/studio/record')
  const row = page.getByRole('row').filter({ hasText: 'Another password' })
  await door.goto((await row.getByRole('link', { name: 'Open as they would' }).getAttribute('href')) ?? '')
  await expect(door.getByText(`For ${email}.`)).toBeVisible()
  await door.getByLabel('The new one').fill('seven ferns under rain')
  await door.keyboard.press('Enter')
  await expect(door.getByText('The password is set')).toBeVisible()
  await theirs.reload()
  await expect(theirs.getByLabel('Password')).toBeVisible()
  await signIn(theirs, { email, password: 'seven ferns under rain' })
})

test('what is kept of oneself comes as one file', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await page.goto('/studio')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'What is kept of you, as one file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('what is kept of me.json')
})

test('a passkey lets in without a password; forgotten, it opens nothing', async ({ page, context, baseURL }) => {
  // a passkey is for a name: the same server under the name of this machine
  const at = (baseURL ?? '').replace('127.0.0.1', 'localhost')
  const devtools = await context.newCDPSession(page)
  await devtools.send('WebAuthn.enable')
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
  const who = { email: `key-${Date.now()}@test.example`, password: words }
  const made = await page.request.post(`${at}/api/studios`, {
    data: { studioName: 'Test studio', timeZone: 'UTC', name: 'Kay Ling', ...who },
  })
  expect(made.status()).toBe(201)
  await page.goto(`${at}/studio`)
  await page.getByRole('button', { name: 'Make one for this device' }).click()
  await dialog(page).getByLabel('Your password').fill('not my password')
  await dialog(page).getByRole('button', { name: 'Make it' }).click()
  await expect(dialog(page).getByText('is not right')).toBeVisible()
  await dialog(page).getByLabel('Your password').fill(who.password)
  await dialog(page).getByRole('button', { name: 'Make it' }).click()
  await expect(page.getByRole('list', { name: 'Passkeys' }).getByRole('listitem')).toHaveCount(1)
  await clean(page, 'passkeys')
  await page.goto(at)
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await page.getByRole('button', { name: 'With a passkey' }).click()
  await expect(page.getByRole('button', { name: 'Sign out', exact: true })).toBeVisible()
  await page.goto(`${at}/studio`)
  await page.getByRole('button', { name: 'Forget the passkey This device' }).click()
  await expect(page.getByText('This device opens nothing here any more.')).toBeVisible()
  await page.goto(at)
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await page.getByRole('button', { name: 'With a passkey' }).click()
  await expect(page.getByText('That passkey opens nothing here')).toBeVisible()
})

/** What was is kept: waiting changes of an older page, undo, earlier moments, files out and in. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { unzipSync } from 'fflate'
import {
  begin,
  chooseCandidate,
  clean,
  dialog,
  expectLine,
  makeStudio,
  planPiece,
  signBudget,
  toStep,
} from './person.ts'
import { addNeed, colleague, need } from './colleague.ts'

test('a change that an older page left waiting is told anew and sent; one that cannot be read is kept and shown', async ({
  page,
}) => {
  await makeStudio(page)
  const id = await begin(page)
  const room = await page.evaluate(async (makeover) => {
    const opened = (await (await fetch(`/api/makeovers/${makeover}`)).json()) as {
      makeover: { rows: { room: Record<string, { id: string }> } }
    }
    return Object.keys(opened.makeover.rows.room)[0] ?? ''
  }, id)
  const [first, second] = ['01900000-0000-7000-8000-00000000aa01', '01900000-0000-7000-8000-00000000aa02']
  await page.evaluate(
    ([makeover, change, row, roomId]) => {
      localStorage.setItem(
        `bonitas.unsent.${makeover ?? ''}`,
        JSON.stringify({
          id: change,
          schemaVersion: 1,
          sentence: 'Wrote down the need “Sing”',
          operations: [
            {
              op: 'put',
              kind: 'need',
              id: row,
              base: null,
              fields: { roomId, zoneId: null, name: 'Sing', importance: 'must' },
            },
          ],
        }),
      )
    },
    [id, first, second, room],
  )
  await page.reload()
  await expect(need(page, 'Sing')).toBeVisible()
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.evaluate(
    (makeover) => localStorage.setItem(`bonitas.unsent.${makeover}`, '{"sentence":"Chose the green one","opera'),
    id,
  )
  await page.reload()
  await page.getByRole('button', { name: '1 change to decide' }).click()
  await expect(dialog(page)).toContainText('Chose the green one')
  await dialog(page).getByRole('button', { name: 'Let it go' }).click()
  await expect(dialog(page)).toContainText('Everything is saved')
})

test('undo and redo go across steps with a sentence, and what is a fact is answered by its opposite', async ({
  page,
  browser,
}) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  await planPiece(page, { name: 'Table', category: 'Furniture', allowance: '500' })
  await toStep(page, 'Brief')
  await addNeed(page, 'Eat')
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Undid “Wrote down the need “Eat””/)).toBeVisible()
  await expect(need(page, 'Eat')).toHaveCount(0)
  await page.reload() // what was done before the page was opened can be undone as well
  await expect(page.getByRole('region', { name: 'Reckoning' })).toBeVisible()
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(page.getByText(/^Redid “Wrote down/)).toBeVisible()
  await expect(need(page, 'Eat')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(need(page, 'Eat')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Undid “Planned/)).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/cannot be undone: .*(fixed|signed)/i)).toBeVisible()

  // somebody else built on it: refused, with the reason
  await addNeed(page, 'Rest')
  const otherPage = await colleague(page, browser, 'Bea')
  await otherPage.getByRole('button', { name: 'Change Rest' }).click()
  await dialog(otherPage).getByLabel('What has to be possible').fill('Rest well')
  await dialog(otherPage).getByRole('button', { name: 'Save' }).click()
  await expect(need(page, 'Rest well')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(
    page.getByText(
      /“Wrote down the need “Rest”” cannot be undone: name of the need “Rest well” was changed again since/,
    ),
  ).toBeVisible()

  // money that moved is entered back the other way
  await planPiece(page, { name: 'Stool', category: 'Furniture', allowance: '100' })
  await page.getByRole('button', { name: 'Add a candidate' }).click()
  const form = dialog(page)
  await form.getByLabel('Seller').fill('A seller')
  await form.getByLabel('What it is').fill('Oak stool')
  await form.getByLabel(/^Price( of a pack)?$/).fill('80')
  await form.getByLabel('Lead time').fill('7')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form).toBeHidden()
  await chooseCandidate(page, 'Oak stool', 'Solid')
  await page.getByRole('button', { name: 'Order', exact: true }).click()
  await dialog(page).getByRole('button', { name: 'Order', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Purchases' })).toBeVisible()
  await page.getByRole('button', { name: 'Pay', exact: true }).click()
  await dialog(page).getByLabel('Amount').fill('80')
  await dialog(page).getByRole('button', { name: 'Paid' }).click()
  await expectLine(page, { Paid: '80.00' })
  await expect(dialog(page)).toBeHidden() // keys rest while a form is open
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/cannot be undone: a payment is never changed or taken away/)).toBeVisible()
  await page.getByRole('button', { name: 'Enter the opposite instead' }).click()
  await expectLine(page, { Paid: '0.00' })
})

test('any earlier moment can be looked at on every page, and nothing changed there', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await signBudget(page, { Furniture: '1000' }, '0')
  await addNeed(page, 'Eat')
  await addNeed(page, 'Drink')
  await page.keyboard.press('h')
  await page.getByRole('button', { name: /Wrote down the need “Eat”/ }).click()
  await page.getByRole('button', { name: 'Look at this moment' }).click()
  const line = page.getByRole('region', { name: 'Earlier moment' })
  await expect(line).toContainText('after “Wrote down the need “Eat””')
  await toStep(page, 'Brief')
  await expect(need(page, 'Eat')).toHaveCount(1)
  await expect(need(page, 'Drink')).toHaveCount(0)
  await clean(page, 'an earlier moment')
  await page.getByRole('button', { name: 'Add a need' }).click()
  await expect(page.getByText('This is an earlier moment: go back to now to change something.')).toBeVisible()
  await expect(dialog(page)).toBeHidden()
  await line.getByRole('button', { name: 'Earlier' }).click()
  await expectLine(page, { Agreed: '1 000.00' })
  await line.getByRole('button', { name: 'Earlier' }).click()
  await expect(page.getByRole('region', { name: 'Reckoning' })).not.toContainText('1 000.00')
  await line.getByRole('button', { name: 'Back to now' }).click()
  await expect(need(page, 'Drink')).toHaveCount(1)
})

test('a makeover leaves as a file and comes in elsewhere after a look at what it would do', async ({
  page,
  browser,
}) => {
  await makeStudio(page)
  await page.getByRole('link', { name: 'Studio', exact: true }).click()
  await expect(page.getByText('Only this machine can reach Bonitas now.')).toBeVisible()
  await clean(page, 'studio')
  const choose = page.getByLabel(/^Bring in a makeover/)
  await choose.setInputFiles({
    name: 'holiday.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('not a zip at all'),
  })
  await expect(page.getByRole('alert')).toContainText(
    'holiday.zip: zip: this is no zip, or it is cut short. Nothing was changed.',
  )
  await choose.setInputFiles(join(import.meta.dirname, '../demo/music-room-tern-house.zip'))
  const dry = page.getByRole('region', { name: 'Music room, Tern House' })
  await expect(dry).toContainText('You do not have this makeover yet. Nothing is changed until you say so.')
  await clean(page, 'dry run')
  await dry.getByRole('button', { name: 'Bring it in' }).click()
  await page.getByRole('button', { name: 'Open it' }).click()
  await expect(page.getByRole('heading', { name: 'Brief', level: 1 })).toBeVisible()
  await expectLine(page, { Agreed: '9 080.00' })

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'without', exact: true }).click(),
  ])
  const json = (path: string): unknown =>
    JSON.parse(Buffer.from(unzipSync(new Uint8Array(readFileSync(path)))['makeover.json'] ?? []).toString()) as unknown
  expect(json(await download.path())).toEqual(json(join(import.meta.dirname, '../demo/music-room-tern-house.zip')))
  await page.goto('/studio')
  await choose.setInputFiles(await download.path())
  await expect(page.getByText('they are the same: nothing would change')).toBeVisible()
  await page.getByRole('radio', { name: /As a copy/ }).check()
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await expect(page.getByText('Music room, Tern House is in.')).toBeVisible()
  const stranger = await (await browser.newContext()).newPage()
  await makeStudio(stranger)
  expect(
    (
      await stranger.request.get(`/api/makeovers/${(json(await download.path()) as { id: string }).id}/export`)
    ).status(),
  ).toBe(404)
  // whose name a history bears is the word of the file, and shown as that
  await stranger.goto('/')
  await begin(stranger, { name: 'Box room' })
  const [withHistory] = await Promise.all([
    stranger.waitForEvent('download'),
    stranger.getByRole('link', { name: 'with its history', exact: true }).click(),
  ])
  await stranger.goto('/studio')
  await stranger.getByLabel(/^Bring in a makeover/).setInputFiles(await withHistory.path())
  await stranger.getByRole('radio', { name: /As a copy/ }).check()
  await stranger.getByRole('button', { name: 'Bring it in' }).click()
  await stranger.getByRole('button', { name: 'Open it' }).click()
  await stranger.getByRole('link', { name: /^History/ }).click()
  await expect(stranger.getByText('Tess Ting, as a file tells').first()).toBeVisible()
})

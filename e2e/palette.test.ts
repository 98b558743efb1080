/** The palette begun from everywhere, and the tray moved by mouse, touch and keyboard. */
import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { labFromHex } from '#core/colour/lab.ts'
import { begin, boxOf, choose, clean, dialog, makeStudio, toStep } from './person.ts'
import { chip, lay, role, tagOf } from './tray-hand.ts'

test('a palette is begun from the library, a meter that strays and a photograph; shares work before anybody measured', async ({
  page,
}) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  await page.getByRole('button', { name: 'Lay down the first' }).click()
  const form = dialog(page)
  await form.getByRole('button', { name: 'From the library' }).click()
  await form.getByLabel('Find in the library').fill('grey blue eggshell')
  await expect(form.getByText('1 finish.')).toBeVisible()
  await clean(page, 'the library')
  await form.getByRole('button', { name: 'Take Eggshell grey blue' }).click()
  await expect(form.getByLabel('Name')).toHaveValue('Eggshell grey blue')
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
  await chip(page, 'Eggshell grey blue').click()
  await expect(tagOf(page)).toContainText(/Stands up to\s*wet, scrub.*Area, typical\s*32\.00\sm²/)
  await expect(page.getByText(/100 %|typical of an ordinary room, since nobody measured yet/).first()).toBeVisible()

  // the meter meets a stain: the reading is left out, and the mean is taken
  await page.keyboard.press('n')
  await form.getByLabel('Name').fill('Read off the quilt')
  await form.getByRole('button', { name: 'With a meter' }).click()
  await expect(form.getByText('Simulated')).toBeVisible()
  await choose(page, form, 'The meter lies on', 'Wool, madder')
  await choose(page, form, 'How the meter behaves', 'meets a stain now and then')
  for (let at = 0; at < 4; at++) {
    await form.getByRole('button', { name: 'Take a reading' }).click()
    await expect(form.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(at + 1)
  }
  await expect(form.getByText(/left out: ΔE \d/)).toBeVisible()
  await expect(form.getByRole('status').filter({ hasText: 'they agree' })).toBeVisible()
  await clean(page, 'the meter')
  await choose(page, form, 'How the meter behaves', 'does not lie flat')
  await form.getByRole('button', { name: 'Take a reading' }).click()
  await expect(form.getByRole('alert')).toContainText('press it down and read again')
  await form.getByRole('button', { name: 'Use the mean' }).click()
  await choose(page, form, 'Role', 'accent')
  await choose(page, form, 'On', 'a thing')
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()

  // picked from a picture of two halves: by the arrows from one into the other
  const picture = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#2f6f73' } })
    .composite([
      { input: { create: { width: 200, height: 200, channels: 3, background: '#d9d0bd' } }, left: 0, top: 0 },
    ])
    .png()
    .toBuffer()
  await page.keyboard.press('n')
  await form.getByLabel('Name').fill('From the picture')
  await form.getByRole('button', { name: 'From a picture' }).click()
  await form
    .getByLabel('Choose a picture to pick from')
    .setInputFiles({ name: 'halves.png', mimeType: 'image/png', buffer: picture })
  const view = form.getByRole('application')
  await view.focus()
  for (let at = 0; at < 5; at++) await view.press('Shift+ArrowRight')
  await form.getByRole('button', { name: 'wide', exact: true }).click()
  const { L, a, b } = labFromHex('#2f6f73') ?? { L: 0, a: 0, b: 0 }
  await expect(form.getByText(`L* ${L.toFixed(1)}, a* ${a.toFixed(1)}, b* ${b.toFixed(1)}`)).toBeVisible()
  await clean(page, 'picking from a picture')
  await form.getByRole('button', { name: 'Use this colour' }).click()
  await form.getByRole('button', { name: 'Lay it in' }).click()
  await expect(form).toBeHidden()
  await chip(page, 'From the picture').click()
  await expect(tagOf(page)).toContainText('On this screen#2f6f73')
  await form.waitFor({ state: 'hidden' })
  await page.keyboard.press('n')
  await form.getByRole('button', { name: 'From a picture' }).click()
  await form
    .getByLabel('Choose a picture to pick from')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('not a picture') })
  await expect(form.getByRole('alert')).toContainText('notes.txt cannot be opened as a picture')
})

test('a chip is moved by mouse, keyboard and tag, kept over a reload, and taken back', async ({ page }) => {
  await makeStudio(page)
  await begin(page)
  await toStep(page, 'Palette')
  await lay(page, 'Oat', '#d9d0bd', {}, '60')
  await lay(page, 'Moss', '#6b7a58', { Role: 'secondary', On: 'a thing' }, '30')
  await lay(page, 'Rust', '#a84f33', { Role: 'accent', On: 'a thing' }, '10')
  await expect(page.getByText('Dominant 60 %')).toBeVisible()
  // dragged into the column of the secondary, before the one that lies there
  await page.evaluate(() => window.scrollTo(0, 0))
  const [start, to] = [await boxOf(chip(page, 'Rust')), await boxOf(chip(page, 'Moss'))]
  await page.mouse.move(start.x + 20, start.y + 30)
  await page.mouse.down()
  await page.mouse.move(start.x - 20, start.y + 60, { steps: 4 })
  await page.mouse.move(to.x + to.width / 2, to.y + 12, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByText('Secondary 40 %')).toBeVisible()
  await expect(tagOf(page)).toBeHidden() // a drag is no click
  await chip(page, 'Rust').click()
  await expect(role(page, 'secondary')).toHaveAttribute('aria-pressed', 'true')
  // by keyboard: below the other, and back to the accent
  await chip(page, 'Rust').focus()
  await page.keyboard.press('Alt+ArrowDown')
  await expect(page.getByRole('status').filter({ hasText: 'Rust: secondary, place 2 of 2' })).toBeAttached()
  await expect(async () =>
    expect((await boxOf(chip(page, 'Rust'))).y).toBeGreaterThan((await boxOf(chip(page, 'Moss'))).y),
  ).toPass()
  await page.keyboard.press('Alt+ArrowRight')
  await expect(page.getByText('Accent 10 %')).toBeVisible()
  await role(page, 'dominant').click()
  await expect(page.getByText('Dominant 70 %')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Dominant 70 %')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Accent 10 %')).toBeVisible()
  // Escape lets a chip fall back
  const box = await boxOf(chip(page, 'Rust'))
  await page.mouse.move(box.x + 20, box.y + 30)
  await page.mouse.down()
  await page.mouse.move(300, 400, { steps: 5 })
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect(page.getByText('Accent 10 %')).toBeVisible()
})

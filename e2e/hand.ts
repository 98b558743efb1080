/** A hand that counts: every click, every key, as a person with a mouse and a keyboard makes them. */
import type { Locator, Page } from '@playwright/test'

export class Hand {
  clicks = 0
  keys = 0
  constructor(private readonly page: Page) {}

  async click(target: Locator): Promise<void> {
    this.clicks += 1
    await target.click()
  }
  /** Types into a field: clicked first, unless the cursor stands in it already. */
  async type(field: Locator, text: string): Promise<void> {
    await field.waitFor()
    // a dialog puts the cursor where it begins a moment after it is there
    for (let tries = 0; tries < 5 && !(await isFocused(field)); tries++) await this.page.waitForTimeout(60)
    if (!(await isFocused(field))) await this.click(field)
    this.keys += [...text].length
    await field.fill(text)
  }
  /** Chooses from a list: opened with a click, taken with a click. */
  async choose(scope: Locator, label: string, option: string | RegExp): Promise<void> {
    this.clicks += 2
    await scope.getByLabel(label, { exact: true }).click({ force: true })
    await this.page.getByRole('option', { name: option, exact: true }).filter({ visible: true }).click()
  }
}

const isFocused = (field: Locator): Promise<boolean> => field.evaluate((element) => element === document.activeElement)

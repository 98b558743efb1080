export default async ({ desk, open, shot }: any) => {
  const page = await desk()
  await open(page, /Music room/i, 'surfaces/windows')
  await page.waitForTimeout(2500)
  await shot(page, 'w1')
  await open(page, /Breakfast/i, 'surfaces/windows')
  await page.waitForTimeout(2500)
  await page.getByRole('button', { name: 'Hang another before it' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Hang it' }).click()
  await page.waitForTimeout(1500)
  await shot(page, 'w3')
  await page.getByRole('button', { name: 'Low window' }).nth(1).click()
  await shot(page, 'w4')
}

import { demoDecorator } from '#demo/index.ts'
export default async ({ desk: makeDesk, phone: makePhone, shot, base }: any) => {
  const desk = await makeDesk()
  await desk.goto(base + '/studio'); await desk.waitForTimeout(800)
  await desk.keyboard.press('n'); await desk.waitForTimeout(800)
  await desk.getByLabel('Email').last().fill('new.hand@wrenandtide.example'); await shot(desk, 'invite')
  await desk.getByRole('button', { name: 'Write the invitation' }).click(); await desk.waitForTimeout(1000)
  await desk.goto(base + '/studio/record'); await desk.waitForTimeout(1200)
  const href = await desk.getByRole('link', { name: 'Open as they would' }).first().getAttribute('href')
  const other = await desk.context().browser().newContext({ viewport: { width: 1280, height: 800 } })
  const page = await other.newPage()
  await page.goto(base + href); await page.waitForTimeout(1200); await shot(page, 'join')
  console.log(page.url())
  await page.goto(base + '/sign-in')
  await page.getByLabel('Email').fill('perrin@wrenandtide.example'); await page.getByLabel('Password').fill(demoDecorator.password)
  await page.getByRole('button', { name: 'Sign in' }).click(); await page.waitForTimeout(2500)
  await shot(page, 'looker-day')
  await page.getByRole('list', { name: 'All makeovers' }).getByRole('link').first().click(); await page.waitForTimeout(2500); await shot(page, 'looker-brief')
  const id = page.url().split('/')[4]
  for (const step of ['pieces', 'calendar', 'remarks']) { await page.goto(`${base}/makeovers/${id}/${step}`); await page.waitForTimeout(2500); await shot(page, `looker-${step}`) }
}

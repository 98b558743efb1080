export default async ({ desk, phone, shot, open, base }: any) => {
  const d = await desk()
  await open(d, /music/i, 'client'); await shot(d, 'r1')
  await d.getByRole('button', { name: /^Send to/ }).click(); await d.getByRole('link', { name: 'Open it as they would' }).first().waitFor(); await shot(d, 'r2', true)
  const href = await d.getByRole('link', { name: 'Open it as they would' }).first().getAttribute('href')
  const p = await phone()
  await p.goto(base + href); await p.getByRole('heading', { level: 1 }).waitFor(); await p.waitForTimeout(1500); await shot(p, 'r3', true)
  await d.goto(base + href); await d.getByRole('heading', { level: 1 }).waitFor(); await d.waitForTimeout(1500); await shot(d, 'r4', true)
  await open(d, /tea/i, 'reveal'); await d.waitForTimeout(800); await shot(d, 'r5', true)
  await d.getByRole('button', { name: 'Compare' }).first().click(); await d.waitForTimeout(800); await shot(d, 'r6')
}

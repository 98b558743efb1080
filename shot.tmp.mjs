import { chromium } from '@playwright/test'
const base = process.env.BASE ?? 'http://127.0.0.1:8123'
const [w,h] = (process.env.SIZE ?? '1280x800').split('x').map(Number)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync'] })
const page = await browser.newPage({ viewport: { width: w, height: h } })
page.on('console', m => ['error','warning'].includes(m.type()) && console.log('CONSOLE', m.text().slice(0,300)))
page.on('pageerror', e => console.log('PAGEERROR', e.message.slice(0,400)))
const wanted = process.argv.slice(2)
const shot = async (name) => { await page.waitForTimeout(900); await page.screenshot({ path: `/tmp/shots/${name}.png` }) }
await page.goto(base + '/sign-in')
if (wanted.includes('sign-in')) await shot('sign-in')
await page.getByLabel('Email').fill('ottilie@wrenandtide.example'); await page.getByLabel('Password').fill('lamplight-on-larch'); await page.getByRole('button', { name: 'Sign in' }).click()
await page.getByRole('heading', { name: /Music room/ }).waitFor()
if (wanted.includes('day')) await shot('day')
await page.getByRole('heading', { name: /Music room/ }).click()
await page.getByRole('heading', { name: 'Brief', exact: true }).waitFor()
const id = page.url().split('/')[4]
for (const name of wanted) {
  if (['sign-in','day'].includes(name)) continue
  const [path, ...acts] = name.split('+')
  await page.goto(`${base}/makeovers/${id}/${path}`)
  await page.locator('h1').first().waitFor()
  for (const act of acts) {
    const [kind, label] = act.split('=')
    if (kind === 'click') await page.getByRole('button', { name: label }).first().click()
    if (kind === 'link') await page.getByRole('link', { name: label }).first().click()
    if (kind === 'shift') await page.getByRole('button', { name: label }).first().click({ modifiers: ['Shift'] })
    if (kind === 'key') await page.keyboard.press(label)
    await page.waitForTimeout(400)
  }
  await shot(name.replace(/[^a-z]+/gi, '-'))
}
await browser.close()

export default async ({ desk, shot, open }: any) => {
  const d = await desk()
  d.on('requestfinished', async (r: any) => { const s = await r.response(); if (s && s.status() >= 400) console.log('REQ', s.status(), r.method(), r.url(), await s.text()) })
  await open(d, /music/i, 'client'); await d.getByRole('button', { name: /^Send to/ }).click(); await d.waitForTimeout(2500); await shot(d, 'r2', true)
}

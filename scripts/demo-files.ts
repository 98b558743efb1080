/** npm run demo-files: writes demo/*.zip (the demo makeovers as of one day) and docs/makeover.schema.json. */
import { createHash } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import { demoFiles } from '#demo/files.ts'
import { writeParcel } from '#core/parcel/index.ts'
import { parcelSchema } from '#core/parcel/schema.ts'

const root = join(import.meta.dirname, '..')
const draw = async (svg: string) => {
  const bytes = new Uint8Array(await sharp(Buffer.from(svg)).png({ palette: true }).toBuffer())
  return { bytes, sha256: createHash('sha256').update(bytes).digest('hex') }
}
for (const { name, documents, files } of await demoFiles(draw))
  writeFileSync(join(root, 'demo', `${name}.zip`), writeParcel(documents, files, null))
writeFileSync(join(root, 'docs', 'makeover.schema.json'), `${JSON.stringify(parcelSchema(), null, 1)}\n`)

import { wrap, type Remote } from 'comlink'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Look, Print } from '#core/texture/index.ts'
import type { TextureWorker } from '../workers/texture.worker.ts'

let worker: Remote<TextureWorker> | undefined
const drawn = new Map<string, Promise<string>>()
const side = 320

/** The address of a tile of a finish, drawn once and kept, as fine as the screen; grain differs between finishes, not between visits. */
export function textureOf({ family, texture, sheen, lab }: Look, print?: Print): Promise<string> {
  const fine = window.devicePixelRatio > 1.2 ? 2 : 1
  const hex = hexFromLab(lab)
  const key = `${family} ${texture} ${sheen} ${hex} ${fine}${print ? ` ${JSON.stringify(print)}` : ''}`
  const known = drawn.get(key)
  if (known) return known
  worker ??= wrap<TextureWorker>(
    new Worker(new URL('../workers/texture.worker.ts', import.meta.url), { type: 'module' }),
  )
  const seed = Number.parseInt(hex.slice(1), 16) % 9973
  const made = worker
    .draw(
      { family, texture, sheen, lab: { L: lab.L, a: lab.a, b: lab.b } },
      seed,
      side * fine,
      print && structuredClone(print),
    )
    .then((blob) => URL.createObjectURL(blob))
  drawn.set(key, made)
  return made
}

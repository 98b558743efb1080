import { wrap, type Remote } from 'comlink'
import type { Lab } from '#core/colour/lab.ts'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Family, Sheen } from '#core/makeover/choices.ts'
import type { Print } from '#core/palette/index.ts'
import type { TextureWorker } from '../workers/texture.worker.ts'

let worker: Remote<TextureWorker> | undefined
const drawn = new Map<string, Promise<string>>()

/** The address of a tile of a finish, drawn once and kept; grain differs between finishes, not between visits. */
export function textureOf(family: Family, sheen: Sheen, lab: Lab, print?: Print): Promise<string> {
  const hex = hexFromLab(lab)
  const key = `${family} ${sheen} ${hex}${print ? ` ${JSON.stringify(print)}` : ''}`
  const known = drawn.get(key)
  if (known) return known
  worker ??= wrap<TextureWorker>(new Worker(new URL('../workers/texture.worker.ts', import.meta.url), { type: 'module' }))
  const seed = Number.parseInt(hex.slice(1), 16) % 9973
  const made = worker.draw(family, sheen, { L: lab.L, a: lab.a, b: lab.b }, seed, print && structuredClone(print)).then((blob) => URL.createObjectURL(blob))
  drawn.set(key, made)
  return made
}

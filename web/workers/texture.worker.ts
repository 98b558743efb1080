/** Draws finishes as material away from the main thread. */
import { expose } from 'comlink'
import type { Lab } from '#core/colour/lab.ts'
import type { Family, Sheen } from '#core/makeover/choices.ts'
import { drawTexture, type Print } from '#core/palette/index.ts'

const worker = {
  async draw(family: Family, sheen: Sheen, lab: Lab, seed: number, print?: Print): Promise<Blob> {
    const { width, height, pixels } = drawTexture(family, sheen, lab, seed, 320, 320, print)
    const canvas = new OffscreenCanvas(width, height)
    canvas.getContext('2d')?.putImageData(new ImageData(pixels, width, height), 0, 0)
    return canvas.convertToBlob({ type: 'image/png' })
  },
}

export type TextureWorker = typeof worker
expose(worker)

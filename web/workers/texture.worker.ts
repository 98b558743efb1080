/** Draws finishes as material away from the main thread. */
import { expose } from 'comlink'
import { drawTile, type Look, type Print } from '#core/texture/index.ts'

const worker = {
  /** A tile of so many device pixels each way, as a picture. */
  async draw(look: Look, seed: number, size: number, print?: Print): Promise<Blob> {
    const { width, height, pixels } = drawTile(look, seed, size, size, print)
    const canvas = new OffscreenCanvas(width, height)
    canvas.getContext('2d')?.putImageData(new ImageData(pixels, width, height), 0, 0)
    return canvas.convertToBlob({ type: 'image/png' })
  },
}

export type TextureWorker = typeof worker
expose(worker)

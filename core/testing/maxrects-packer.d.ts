/** The file of the packer that Node can read; its package names one that it cannot. */
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export class MaxRectsPacker {
    constructor(width: number, height: number, padding: number, options: object)
    addArray(all: readonly { readonly width: number; readonly height: number }[]): void
    readonly bins: readonly { readonly rects: readonly { readonly y: number; readonly height: number }[] }[]
  }
}

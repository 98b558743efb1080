import { shallowRef, watchEffect, type Ref } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Makeover } from '#core/makeover/document.ts'
import { paletteFinishes } from '#core/makeover/laid.ts'
import { labOf } from '#core/palette/index.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { textureOf } from '../parts/textures.ts'

/** What a thing is drawn in: the finish of the palette that it carries, else the colour of what was chosen. */
export type Cover = { readonly id: string; readonly hex: string; readonly tile: string }

export function useCovers(
  makeover: Readonly<Ref<Makeover | null>>,
  things: Readonly<Ref<ReadonlyMap<string, { readonly piece: Row<'piece'> }>>>,
): Readonly<Ref<ReadonlyMap<string, Cover>>> {
  const found = shallowRef<ReadonlyMap<string, Cover>>(new Map())
  watchEffect((onCleanup) => {
    let wanted = true
    onCleanup(() => (wanted = false))
    const opened = makeover.value
    if (!opened) return
    const finishes = new Map(paletteFinishes(opened).map((finish) => [finish.pieceId, finish]))
    const all = [...things.value.values()].map(({ piece }) => {
      const finish = finishes.get(piece.id)
      const chosen = opened.rows.candidate[piece.chosenId ?? '']
      const { labL, labA, labB } = chosen ?? { labL: null, labA: null, labB: null }
      const lab = finish
        ? labOf(finish)
        : labL !== null && labA !== null && labB !== null
          ? { L: labL, a: labA, b: labB }
          : null
      return {
        cover: { id: piece.id, hex: lab ? hexFromLab(lab) : '#fff', tile: '' },
        tile: finish
          ? textureOf({ family: finish.family, texture: finish.texture, sheen: finish.sheen, lab: labOf(finish) })
          : null,
      }
    })
    found.value = new Map(all.map(({ cover }) => [cover.id, cover]))
    void Promise.all(all.map(async ({ cover, tile }) => ({ ...cover, tile: (await tile) ?? '' }))).then((drawn) => {
      if (wanted) found.value = new Map(drawn.map((cover) => [cover.id, cover]))
    })
  })
  return found
}

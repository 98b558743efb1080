import { shallowRef, watchEffect, type Ref } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { LaidFinish } from '#core/makeover/laid.ts'
import type { Shape } from '#core/surfaces/index.ts'
import { labOf } from '#core/palette/index.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import { textureOf } from '../parts/textures.ts'
import { printOf } from '../palette/print.ts'

/** A finish as a drawing fills a surface with it: its colour, its tile, and how large the tile is in the room, in mm. */
export type Material = {
  /** Of its treatment. */
  readonly id: string
  readonly hex: string
  readonly tile: string
  readonly sizeMm: number
}

/** A strip, tile or board as it is drawn: in the material of its treatment. */
export type Drawn = Shape & { readonly treatmentId: string }

/** How large a tile of a plain material is in the room. */
const plainMm = 900
/** A tile shows so many repeats of a pattern. */
const repeats = 3

/** The materials of finishes, drawn at their true size; a colour alone until its tile is there. */
export function useMaterials(
  finishes: Readonly<Ref<readonly LaidFinish[]>>,
  parts: Readonly<Ref<readonly Row<'patternPart'>[]>>,
  rules: Readonly<Ref<Rules>>,
): Readonly<Ref<ReadonlyMap<string, Material>>> {
  const found = shallowRef<ReadonlyMap<string, Material>>(new Map())
  /** Tiles that were drawn: they stand until newer ones are there. */
  const tiles = new Map<string, string>()
  watchEffect((onCleanup) => {
    let wanted = true
    onCleanup(() => (wanted = false))
    const all = finishes.value.flatMap((finish) => {
      const printed = printOf(finish, finishes.value, parts.value, rules.value)
      const print = printed && { pattern: printed.pattern, repeats, parts: printed.parts }
      const { family, sheen } = finish
      return [...new Map(finish.lies.map((lie) => [lie.treatmentId, lie])).values()].map(({ treatmentId, how }) => {
        // where tiles are laid out one by one, the material itself shows none
        const texture = how === 'tile' && finish.texture === 'tile' && finish.fate === null ? 'usual' : finish.texture
        return {
          material: {
            id: treatmentId,
            hex: hexFromLab(labOf(finish)),
            tile: '',
            sizeMm: printed ? printed.repeatMm * repeats : plainMm,
          },
          tile: textureOf({ family, texture, sheen, lab: labOf(finish) }, print),
        }
      })
    })
    found.value = new Map(all.map(({ material }) => [material.id, { ...material, tile: tiles.get(material.id) ?? '' }]))
    void Promise.all(all.map(async ({ material, tile }) => ({ ...material, tile: await tile }))).then((drawn) => {
      if (!wanted) return
      for (const { id, tile } of drawn) tiles.set(id, tile)
      found.value = new Map(drawn.map((material) => [material.id, material]))
    })
  })
  return found
}

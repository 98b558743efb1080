/** What each material does to its own colour, point by point. */
import { chroma, type Lab } from '../colour/lab.ts'
import type { Family, Sheen, Texture } from '../makeover/choices.ts'
import { lattice, layered, noise, scatter, type Field } from './noise.ts'

/**
 * `relief` is how much lighter or darker than its colour it is at each point, in L*; `cast` how far its hue goes there,
 * −1 to 1, towards `towards` (a*, b*).
 */
export type Material = {
  readonly relief: Field
  readonly cast?: Field
  readonly towards?: readonly [a: number, b: number]
}
type Made = (seed: number, lab: Lab) => Material

const turn = 2 * Math.PI
const plain =
  (relief: (seed: number) => Field): Made =>
  (seed) => ({ relief: relief(seed) })

const grain = plain((seed) => {
  const [bending, bands, waves] = [layered(2, 2, 2, seed + 40), layered(1, 11, 3, seed), layered(1, 2, 2, seed + 9)]
  const [fibres, pores] = [noise(4, 120, seed + 33), noise(26, 200, seed + 21)]
  return (u, v) => {
    const bend = 0.014 * bending(u, v)
    const pore = pores(u, v)
    return (
      6.5 * bands(u, v + bend) +
      1.3 * Math.sin(turn * (13 * (v + bend) + 1.3 * waves(u, v))) +
      1.2 * fibres(u, v) +
      2.2 * pore * Math.abs(pore)
    )
  }
})

const weave = plain((seed) => {
  const threads = 64
  const [along, across] = [noise(5, threads, seed), noise(threads, 5, seed + 3)]
  return (u, v) => {
    const over = (Math.floor(u * threads) + Math.floor(v * threads)) % 2 === 0
    const bump = Math.abs(Math.sin(Math.PI * (over ? u : v) * threads))
    return 9 * bump + 1.9 * (along(u, v) + across(u, v))
  }
})

const brushed = plain((seed) => {
  const [fine, broad] = [noise(3, 150, seed), noise(6, 75, seed + 5)]
  return (u, v) => 4.2 * fine(u, v) + 3 * broad(u, v) + 1.4 * Math.sin(turn * (v + 0.2))
})

/** A room mirrored in curved metal: broad bands of light and dark with sharp edges between. */
const polished = plain((seed) => {
  const [bend, soft] = [layered(2, 2, 2, seed), layered(1, 4, 2, seed + 6)]
  return (u, v) => {
    const place = 2 * v + 0.35 * bend(u, v) + 0.12 * Math.sin(turn * u)
    const wave = Math.sin(turn * place)
    return 15 * Math.tanh(2.6 * wave) * (0.6 + 0.4 * Math.sin(turn * (place / 2 + 0.1))) + 4 * soft(u, v)
  }
})

/** Worn and darkened: spots where it was not touched, bright where it was; on what holds copper the spots lean to verdigris. */
const aged: Made = (seed, lab) => {
  const [blots, spots, lines] = [layered(4, 4, 4, seed), layered(22, 22, 2, seed + 7), noise(3, 120, seed + 11)]
  const worn: Field = (u, v) => blots(u, v) + 0.45 * spots(u, v)
  return {
    relief: (u, v) => 13 * Math.min(0.35, worn(u, v)) + 1.4 * lines(u, v),
    cast: (u, v) => Math.max(-1, Math.min(1, 1.6 * (-0.12 - worn(u, v)))),
    towards: [-0.18 * chroma(lab), -0.24 * chroma(lab)],
  }
}

/** Squares of thin leaf laid over each other, a shade apart, with the lap brighter. */
const gilded = plain((seed) => {
  const [crumple, wear] = [layered(18, 18, 3, seed), layered(5, 5, 3, seed + 4)]
  const count = 3
  return (u, v) => {
    const [x, y] = [u * count + 0.06 * crumple(u, v), v * count + 0.06 * crumple(v, u)]
    const edge = Math.min(x - Math.floor(x), y - Math.floor(y))
    return (
      5 * lattice((Math.floor(x) + count) % count, (Math.floor(y) + count) % count, seed) +
      (edge < 0.035 ? 6 : 0) +
      7 * crumple(u, v) +
      4 * wear(u, v)
    )
  }
})

const veined = plain((seed) => {
  const [flow, cloud] = [layered(3, 3, 4, seed), layered(4, 4, 4, seed + 30)]
  return (u, v) => 3.4 * cloud(u, v) - 11 * Math.max(0, 0.16 - Math.abs(Math.sin(turn * (u + v + 1.6 * flow(u, v)))))
})

/** Chips of stone in a ground of cement, no two alike, some warmer and some cooler. */
const terrazzo: Made = (seed) => {
  const [large, small, dust] = [scatter(9, seed), scatter(21, seed + 50), noise(90, 90, seed + 8)]
  // how a chip lies there: its own chance where a point is within it, −1 where it is ground
  let [lastU, lastV, found] = [NaN, NaN, -1]
  const chip = (u: number, v: number): number => {
    if (u === lastU && v === lastV) return found
    ;[lastU, lastV, found] = [u, v, -1]
    const look = (reach: number) => (cell: { dx: number; dy: number; chance: number; turn: number }) => {
      const [c, s] = [Math.cos(cell.turn), Math.sin(cell.turn)]
      const [x, y] = [Math.abs(cell.dx * c + cell.dy * s), Math.abs(cell.dy * c - cell.dx * s)]
      if (x + 0.7 * y + 0.5 * Math.max(x, y) < reach * (0.35 + cell.chance)) found = cell.chance
    }
    small(u, v, look(0.42))
    large(u, v, look(0.52))
    return found
  }
  return {
    relief: (u, v) => {
      const found = chip(u, v)
      return found < 0 ? 1.2 * dust(u, v) : (((found * 37) % 1) - 0.55) * 34
    },
    cast: (u, v) => {
      const found = chip(u, v)
      return found < 0 ? 0 : 2 * ((found * 91) % 1) - 1
    },
    towards: [4, 9],
  }
}

const hide = plain((seed) => {
  const [pebble, wear] = [layered(26, 26, 2, seed), layered(5, 5, 2, seed + 8)]
  return (u, v) => 5 * pebble(u, v) + 2.6 * wear(u, v)
})

/** Leaves over each other, each with its rib, the lower ones in shade. */
const leaves = plain((seed) => {
  const [boughs, layers] = [
    layered(3, 3, 2, seed + 12),
    [scatter(8, seed), scatter(8, seed + 20), scatter(7, seed + 40)],
  ]
  return (u, v) => {
    let shade = -13
    for (const [depth, layer] of layers.entries())
      layer(u, v, ({ dx, dy, chance, turn: way }) => {
        const [x, y] = [dx * Math.cos(way) + dy * Math.sin(way), dy * Math.cos(way) - dx * Math.sin(way)]
        const half = 0.3 * (1 - (x / 0.85) ** 2)
        if (Math.abs(x) > 0.85 || Math.abs(y) > half) return
        shade =
          -7 + 6 * depth + 7 * (chance - 0.5) + 5 * (y / half) * (chance > 0.5 ? 1 : -1) + (Math.abs(y) < 0.025 ? 5 : 0)
      })
    return shade + 3 * boughs(u, v)
  }
})

const fibre = plain((seed) => {
  const [across, along] = [noise(70, 22, seed), noise(22, 70, seed + 2)]
  return (u, v) => 2 * across(u, v) + 1.5 * along(u, v)
})

/** Pile laid over in strokes: plush takes and throws light by the way it was brushed. */
const pile = plain((seed) => {
  const [strokes, tufts] = [layered(3, 4, 3, seed), layered(80, 80, 2, seed + 14)]
  return (u, v) => 10 * strokes(u, v) + 2.6 * tufts(u, v)
})

/** Strands over and under in a basket, with shadow between them. */
const basket = plain((seed) => {
  const strands = 18
  const fibres = noise(9, 160, seed)
  return (u, v) => {
    const [x, y] = [u * strands, v * strands]
    const over = (Math.floor(x) + Math.floor(y)) % 2 === 0
    const [across, along] = over ? [y, x] : [x, y]
    const round = Math.sin(Math.PI * (across - Math.floor(across)))
    const ends = Math.sin(Math.PI * (along - Math.floor(along)))
    return 15 * Math.sqrt(Math.max(0, round)) + 4 * ends + 2 * fibres(over ? v : u, over ? u : v)
  }
})

/** Glaze that lies thicker here and there, with a faint craze. */
const glazed = plain((seed) => {
  const [pool, craze] = [layered(3, 3, 2, seed), layered(14, 14, 3, seed + 5)]
  return (u, v) => 3.4 * pool(u, v) - 2.4 * Math.max(0, 0.05 - Math.abs(craze(u, v))) * 20
})

/** Tiles in half bond with joints, each a shade of its own and round at its edges; what lies on them is the material’s. */
const tiled =
  (material: Made): Made =>
  (seed, lab) => {
    const { relief } = material(seed, lab)
    const [across, down] = [3, 6]
    const joint = 0.028
    return {
      relief: (u, v) => {
        const row = Math.floor(v * down)
        const x = u * across + (row % 2) / 2
        const [fx, fy] = [x - Math.floor(x), v * down - row]
        const edge = Math.min(fx, 1 - fx, (Math.min(fy, 1 - fy) * across) / down)
        if (edge < joint) return -15
        const own =
          4.5 * (lattice(((Math.floor(x) % across) + across) % across, ((row % down) + down) % down, seed + 3) - 0.5)
        const lip = edge < joint + 0.03 ? (fx < 0.5 && fx < fy ? 4 : -2) : 0
        return own + lip + 0.7 * relief(u, v)
      },
    }
  }

/** Long soft streaks, as light lies in drawn glass. */
const drawn = plain((seed) => {
  const streaks = layered(11, 3, 2, seed)
  return (u, v) => 2.5 * streaks(u + 0.06 * Math.sin(2 * Math.PI * v), v)
})

/** Trowel strokes that cross, and the clouds that lime leaves as it dries. */
const plaster = plain((seed) => {
  const [clouds, left, right, sand] = [
    layered(3, 3, 4, seed),
    layered(5, 2, 3, seed + 3),
    layered(2, 5, 3, seed + 9),
    noise(130, 130, seed + 5),
  ]
  return (u, v) =>
    4.6 * clouds(u, v) + 2.4 * Math.abs(left(u + 0.3 * v, v)) + 2.4 * Math.abs(right(u, v - 0.3 * u)) + 0.7 * sand(u, v)
})

/** Roller stipple: plain on matt paint, flattened out as the sheen rises. */
const stipple = (strength: number): Made =>
  plain((seed) => {
    const [fine, broad] = [layered(60, 60, 2, seed), layered(4, 4, 2, seed + 17)]
    return (u, v) => strength * (1.3 * fine(u, v) + 0.7 * broad(u, v))
  })

const usual: Readonly<Record<Exclude<Family, 'paint'>, Made>> = {
  wood: grain,
  metal: brushed,
  textile: weave,
  plush: pile,
  leather: hide,
  stone: veined,
  ceramic: glazed,
  glass: drawn,
  paper: fibre,
  cane: basket,
  greenery: leaves,
}

/** The ways in which a family can be worked, its usual one first. */
export function texturesOf(family: Family): readonly Texture[] {
  if (family === 'paint') return ['usual', 'plaster']
  if (family === 'metal') return ['usual', 'brushed', 'polished', 'aged', 'leaf']
  if (family === 'stone') return ['usual', 'terrazzo', 'tile']
  return family === 'ceramic' ? ['usual', 'tile'] : ['usual']
}

/** The material of a family worked in a way; a way that the family does not know is its usual one. */
export function materialOf(family: Family, texture: Texture, sheen: Sheen, seed: number, lab: Lab): Material {
  if (family === 'paint')
    return texture === 'plaster'
      ? plaster(seed, lab)
      : stipple({ matt: 1.5, eggshell: 1, satin: 0.6, gloss: 0.15 }[sheen])(seed, lab)
  const own = usual[family]
  if (family === 'metal')
    return { usual: brushed, brushed, polished, aged, leaf: gilded, plaster: own, terrazzo: own, tile: own }[texture](
      seed,
      lab,
    )
  if (texture === 'tile' && (family === 'stone' || family === 'ceramic')) return tiled(own)(seed, lab)
  return texture === 'terrazzo' && family === 'stone' ? terrazzo(seed, lab) : own(seed, lab)
}

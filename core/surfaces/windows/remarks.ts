/** What a decorator would say of what hangs before the windows. */
import { forbiddenIn } from '../../brief/index.ts'
import { headOf, type Makeover } from '../../makeover/document.ts'
import { isBlind } from '../../makeover/dressing-choices.ts'
import { writeLength } from '../../measure/length.ts'
import type { Remark } from '../../remarks/remark.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { remark } from '../catalogue.ts'
import { darkBy, darker, darkFor, hasCord, smallOnes } from './dark.ts'
import type { Dressed } from './dressed.ts'
import { sharesPane, type DressedWindow } from './reckoned.ts'

type Draft = Omit<Parameters<typeof remark>[0], 'subjects'>
/** A layer with what was reckoned of it. */
type Hanging = DressedWindow & { readonly dressed: Dressed }
type Setting = {
  readonly makeover: Makeover
  readonly all: readonly DressedWindow[]
  readonly rules: Rules
  readonly size: (mm: number) => string
}

export function windowRemarks(makeover: Makeover, all: readonly DressedWindow[], rules: Rules): Remark[] {
  const units = headOf(makeover)?.units ?? 'metric'
  const setting = { makeover, all, rules, size: (mm: number) => writeLength(Math.round(mm), units) }
  return all.flatMap((layer) => {
    const { row, window } = layer
    const subjects = [
      { kind: 'dressing' as const, id: row.id },
      { kind: 'opening' as const, id: row.openingId },
    ]
    const found = layer.dressed
    const drafts: readonly (Draft | null)[] = found.ok
      ? checks.map((check) => check({ ...layer, dressed: found }, setting))
      : [
          {
            code: 'dressing-refused',
            title: `${window.name}: the ${row.what} cannot be reckoned`,
            sentence: `${wordsOf[found.field] ?? 'What was typed'} ${found.error}.`,
            numbers: [found.error],
          },
        ]
    return drafts.flatMap((draft) => (draft ? [remark({ ...draft, subjects })] : []))
  })
}
const wordsOf: Readonly<Record<string, string>> = {
  fullness: 'Its fullness',
  repeat: 'The repeat of its cloth',
  width: 'Its cloth',
  cloth: 'The width of its cloth',
  roundBay: 'Round the bay',
  trackMm: 'The pole or track',
  atMm: 'Its height',
  openingId: 'The window',
}

/** The rail goes where there is wall: not past a corner, not into the ceiling, not over a soffit or a built-in thing. */
function railing({ row, window, dressed: { place } }: Hanging, { rules, size }: Setting): Draft | null {
  if (row.inside || isBlind(row.what) || row.what === 'pelmet') return null
  const { ceilingMm, fixed } = window
  const name = row.hung
  if (ceilingMm !== null && place.atMm > ceilingMm - rules['curtain.ceiling'] + 1 && row.hung === 'pole')
    return {
      code: 'pole-place',
      title: `${window.name}: no room for a pole under the ceiling`,
      sentence: `At ${size(place.atMm)} it is ${size(Math.max(0, ceilingMm - place.atMm))} below the ceiling, and its rings and hooks need ${size(rules['curtain.ceiling'])}. A track on the ceiling itself is usual here.`,
      numbers: [Math.round(place.atMm), Math.round(ceilingMm)],
    }
  const low = place.atMm < window.glass.z1 + rules['curtain.ceiling']
  if (low && ceilingMm !== null && ceilingMm - window.glass.z1 < 2 * rules['curtain.ceiling'])
    return {
      code: 'pole-place',
      title: `${window.name}: too little wall over the window`,
      sentence: `Between its head and the ceiling there are ${size(Math.max(0, ceilingMm - window.glass.z1))}: a ${name} there would hang before the glass. Fix a track to the ceiling, or hang a blind in the recess.`,
      numbers: [Math.round(place.atMm), Math.round(ceilingMm - window.glass.z1)],
    }
  if (!row.roundBay && (place.u0 < -1 || place.u1 > window.widthMm + 1))
    return {
      code: 'pole-place',
      title: `${window.name}: the ${name} is longer than its wall`,
      sentence: `${size(place.lengthMm)} about the middle of the window goes ${size(Math.max(-place.u0, place.u1 - window.widthMm))} past the corner. Make it shorter, or hang one curtain that draws to the free side.`,
      numbers: [Math.round(place.lengthMm), Math.round(window.widthMm)],
    }
  const over = fixed.find(
    ({ what, u0, u1, z0, z1 }) =>
      (what === 'soffit' || what === 'built-in') &&
      u0 < place.u1 - 1 &&
      u1 > place.u0 + 1 &&
      z0 < place.atMm + 40 &&
      z1 > place.atMm - 40,
  )
  if (over)
    return {
      code: 'pole-place',
      title: `${window.name}: ${over.name} is where the ${name} goes`,
      sentence: `It is at ${size(over.z0)} to ${size(over.z1)}, the ${name} at ${size(place.atMm)}. Hang it lower, or within the recess.`,
      numbers: [Math.round(place.atMm), Math.round(over.z0)],
    }
  return null
}

/** Cloth to the floor before a radiator takes its heat to the glass. */
function radiator({ row, window, dressed: { place, shut } }: Hanging, { rules, size }: Setting): Draft | null {
  if (isBlind(row.what) || row.what === 'pelmet' || row.inside) return null
  const near = rules['curtain.radiator']
  const heater = window.fixed.find(
    ({ what, u0, u1, z1 }) =>
      what === 'radiator' &&
      place.footMm < z1 &&
      shut.some(
        (part) => u0 < part.u1 + near && u1 > part.u0 - near && Math.min(u1, part.u1) - Math.max(u0, part.u0) > 0,
      ),
  )
  if (!heater) return null
  return {
    code: 'over-radiator',
    title: `${window.name}: the ${row.what} close off ${heater.name.toLowerCase()}`,
    sentence: `Shut, the cloth hangs before it and its heat goes to the glass. Let it end above ${size(heater.z1 + rules['curtain.sill'])}, hang a blind, or keep the long ones open while it is on.`,
    numbers: [Math.round(place.footMm), Math.round(heater.z1)],
  }
}

/** Cloth keeps away from a fire. */
function fire({ row, window, dressed: { shut } }: Hanging, { rules, size }: Setting): Draft | null {
  const near = rules['curtain.fire']
  const hearth = window.fixed.find(
    ({ what, u0, u1 }) => what === 'fireplace' && shut.some((part) => u0 - near < part.u1 && u1 + near > part.u0),
  )
  if (!hearth) return null
  const gap = Math.min(...shut.map((part) => Math.max(0, hearth.u0 - part.u1, part.u0 - hearth.u1)))
  return {
    code: 'near-fire',
    title: `${window.name}: the ${row.what} hang ${size(gap)} from ${hearth.name.toLowerCase()}`,
    sentence: `Cloth stays ${size(near)} or more from a fire that burns; local rules first. A blind in the recess, or the fire kept shut and cold.`,
    numbers: [Math.round(gap), near],
  }
}

function drilling({ row, window }: Hanging, { makeover }: Setting): Draft | null {
  const rule = forbiddenIn(makeover, window.room.id).find(({ word, leave }) => word === 'drill' && leave !== 'yes')
  // a rod that is wedged into its recess, and a blind that is clamped to its frame, need no hole
  if (!rule || (row.inside && row.what !== 'Roman blind' && row.what !== 'pelmet')) return null
  return {
    code: 'pole-drill',
    title: `${window.name}: the ${row.what} need holes that are not allowed`,
    sentence: isBlind(row.what)
      ? 'Usual instead: a pleated or roller blind that clamps to the frame within the recess. Or ask the owner, and fill the holes at the end.'
      : 'Usual instead: light cloth on a rod that is wedged within the recess. Or ask the owner, and fill the holes at the end.',
    numbers: [rule.leave],
  }
}

/** A pole clears what stays behind it. */
function standOff({ row, window, behind, behindMm, dressed: { place } }: Hanging, { size }: Setting): Draft | null {
  if (row.standOffMm === null || behindMm <= 0 || row.standOffMm >= place.needsOffMm - 0.5) return null
  return {
    code: 'stand-off',
    title: `${window.name}: the ${row.hung} stands ${size(row.standOffMm)} off the wall, too near for ${behind}`,
    sentence: `What is behind it comes ${size(behindMm)} off the wall, so its middle needs ${size(place.needsOffMm)}: longer brackets, or blocks under them, or the ${row.hung} over the head-rail.`,
    numbers: [row.standOffMm, Math.round(place.needsOffMm)],
  }
}

/** A recess that is too shallow, or a casement that opens into it. */
function recess({ row, window }: Hanging, { rules, size }: Setting): Draft | null {
  if (!row.inside || row.what === 'pelmet') return null
  if (window.opensIn && isBlind(row.what))
    return {
      code: 'recess',
      title: `${window.name}: it opens into the room`,
      sentence: `The ${row.what} within the recess is in its way. Hang it before the wall, high enough to clear the casement, or on the casement itself.`,
      numbers: ['in'],
    }
  const { revealMm } = window
  if (revealMm === null || revealMm >= rules['blind.recess']) return null
  return {
    code: 'recess',
    title: `${window.name}: the recess is ${size(revealMm)} deep`,
    sentence: `The ${row.what} ${isBlind(row.what) ? 'needs' : 'need'} ${size(rules['blind.recess'])}, and handles need theirs. Hang ${isBlind(row.what) ? 'it' : 'them'} before the wall.`,
    numbers: [revealMm],
  }
}

/** How dark it is made, held to what is wanted; said once for a window, with its nearest layer. */
function light(layer: Hanging, { makeover, all }: Setting): Draft | null {
  const { row, window } = layer
  const together = all.filter((another) => sharesPane(another.window, window))
  if (together[0]?.row.id !== row.id) return null
  const chosen = together.reduce<typeof row.dark>(
    (best, { row: { dark } }) => (dark !== null && darker(dark, best) ? dark : best),
    null,
  )
  const bySleep = darkFor(makeover, window.room.id)
  const wanted = chosen ?? bySleep?.dark ?? null
  const has = darkBy(together)
  if (wanted === null || !darker(wanted, has)) return null
  const gap = Math.max(0, ...together.map(({ dressed }) => (dressed.ok ? dressed.gapMm : 0)))
  return {
    code: 'too-light',
    weight: chosen === null ? 'note' : 'look',
    title: `${window.name}: ${has ?? 'not dimmed'}, where ${wanted} is wanted`,
    sentence: `${chosen === null && bySleep ? `${bySleep.why}. ` : ''}${
      wanted === 'blacked out' && has === 'darkened' && gap > 0
        ? `Light comes in at the sides. Hang it before the wall, or lined curtains over it.`
        : `A lining that darkens, or a blind behind what hangs there.`
    }`,
    numbers: [has ?? 'none', wanted],
  }
}

function covers({ row, window, dressed: { freeShare } }: Hanging, { rules }: Setting): Draft | null {
  // a sheer stays before the glass
  if (freeShare === null || row.what === 'sheers' || freeShare >= rules['curtain.free']) return null
  const share = Math.round(100 * freeShare)
  return {
    code: 'covers-glass',
    title: `${window.name}: open, the ${row.what} leave${isBlind(row.what) ? 's' : ''} ${share} % of the glass free`,
    sentence: isBlind(row.what)
      ? 'Folded up it hangs before the glass. Hung higher, before the wall, it takes less of the light.'
      : 'A longer pole lets them stand beside the glass; where the wall ends, one curtain, a thinner cloth or a blind.',
    numbers: [share],
  }
}

function cords({ row, window }: Hanging, { makeover, size }: Setting): Draft | null {
  if (!hasCord(row) || !smallOnes(makeover, window.room.id)) return null
  return {
    code: 'cords',
    title: `${window.name}: no cord or chain in a child’s reach`,
    sentence: `Ask for the ${row.what} without a cord, or with a wand or a spring; else every loop is held tight on the wall, ${size(1500)} or more above the floor, and no bed or cot stands under it.`,
    numbers: [row.what],
  }
}

const checks = [railing, radiator, fire, drilling, standOff, recess, light, covers, cords]

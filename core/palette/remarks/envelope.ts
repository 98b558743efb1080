/** What the school of one envelope holds a small room to. */
import { besideLimit } from '../../measure/quantity.ts'
import { byId } from '../../makeover/by-id.ts'
import { deltaE } from '../../colour/difference.ts'
import { chroma } from '../../colour/lab.ts'
import { groupBy } from '../../makeover/document.ts'
import { paletteFinishes, liesOn } from '../../makeover/laid.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import { citeRule, type Rules } from '../../rulebook/rulebook.ts'
import { labOf } from '../colour-of.ts'
import { type Checks, saidBy, subjectOf, whole } from './said.ts'
import { soft } from './said.ts'
import { thingOf } from '../../makeover/thing-names.ts'
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'

/** One envelope, for small rooms: one colour all round, warm white or a rich dark, and one thing to look at. */
export const envelope: Checks = (makeover, palette, practice) => {
  const { rules } = practice
  return [...groupBy(paletteFinishes(makeover), (row) => row.roomId).values()].flatMap((rows) => {
    const walls = rows.find((row) => liesOn(row, 'walls'))
    const reckoned = byId(palette.finishes, walls?.id)
    if (!walls || !reckoned) return []
    const remarks: Remark[] = []
    const off = rows.filter(
      (row) =>
        liesOn(row, 'trim', 'door', 'ceiling', 'walls') &&
        row.id !== walls.id &&
        deltaE(labOf(row), labOf(walls)) > rules['envelope.one'],
    )
    if (off.length > 0)
      remarks.push(
        remark({
          code: 'envelope-broken',
          subjects: [subjectOf(walls), ...off.map(subjectOf)],
          title: `${off.map((row) => row.name).join(', ')} ${off.length === 1 ? 'breaks' : 'break'} the envelope`,
          sentence: `${saidBy(practice)} walls, trim, doors and ceiling are one colour: bring ${off.map((row) => row.name).join(', ')} to ${walls.name}.`,
          numbers: off.map((row) => deltaE(labOf(row), labOf(walls))),
        }),
      )
    const dark = reckoned.lrv <= rules['envelope.dark']
    const white = reckoned.lrv >= rules['envelope.pale'] && chroma(labOf(walls)) < rules['colour.near-neutral']
    if (!dark && !(white && reckoned.undertone.warmth === 'warm'))
      remarks.push(
        remark({
          code: 'envelope-depth',
          subjects: [subjectOf(walls)],
          title: `${walls.name} is neither a warm white nor a rich dark`,
          sentence: `It is ${reckoned.undertone.words} with an LRV of ${Math.round(reckoned.lrv)}${walls.lrv === null ? ', an estimate' : ''}. ${saidBy(practice)} an envelope is a warm white from ${citeRule('envelope.pale', rules)}, or dark up to ${citeRule('envelope.dark', rules)}.`,
          numbers: [reckoned.lrv],
        }),
      )
    const focal = rows.filter(
      (row) =>
        row.role === 'accent' &&
        !liesOn(row, 'walls') &&
        (Math.abs(row.labL - walls.labL) > rules['wall.stand-out'] ||
          chroma(labOf(row)) - chroma(labOf(walls)) > rules['envelope.bright']),
    )
    if (focal.length !== 1 && rows.length >= 3)
      remarks.push(
        remark({
          code: 'envelope-focal',
          weight: focal.length === 0 ? 'look' : 'note',
          subjects: focal.length === 0 ? whole(makeover) : focal.map(subjectOf),
          title:
            focal.length === 0 ? 'No focal point in the envelope' : `${focal.length} focal points, where one is meant`,
          sentence: `${saidBy(practice)} one bright or light thing is looked at: an accent more than ${citeRule('wall.stand-out', rules)} from ${walls.name}, or stronger by ${citeRule('envelope.bright', rules)}.${focal.length > 1 ? ` Here ${focal.map((row) => row.name).join(', ')} compete.` : ''}`,
          numbers: [focal.length],
        }),
      )
    if (dark) remarks.push(...unlit(makeover, walls, focal, rules))
    const lost = dark
      ? rows.filter(
          (row) =>
            soft.has(row.family) &&
            row.lies.length === 0 &&
            Math.abs(row.labL - walls.labL) < rules['wall.vanish-lightness'],
        )
      : []
    for (const row of lost)
      remarks.push(
        remark({
          code: 'envelope-lost',
          subjects: [subjectOf(row), subjectOf(walls)],
          title: `${row.name} sinks into the dark`,
          sentence: `In a dark envelope upholstery stands out: it lies ${besideLimit(Math.abs(row.labL - walls.labL), rules['wall.vanish-lightness'])} from ${walls.name} in lightness, under ${citeRule('wall.vanish-lightness', rules)}.`,
          numbers: [row.labL - walls.labL],
        }),
      )
    const rugs = rows.filter((row) => liesOn(row, 'floor') && soft.has(row.family))
    if (rugs.length > 1)
      remarks.push(
        remark({
          code: 'envelope-floor',
          subjects: rugs.map(subjectOf),
          title: `${rugs.length} rugs break up the floor`,
          sentence: `${saidBy(practice)} the floor is unbroken, and rugs are few: ${rugs.map((row) => row.name).join(', ')}.`,
          numbers: [rugs.length],
        }),
      )
    return remarks
  })
}

/** The one bright work of a dark envelope is lit: by a lamp before its wall, or one that is a picture’s own. */
function unlit(makeover: Makeover, walls: Row<'finish'>, focal: readonly Row<'finish'>[], rules: Rules): Remark[] {
  const here = rowsOf(makeover, 'piece').filter((piece) => piece.roomId === walls.roomId && piece.chosenId !== null)
  const bright = new Set(focal.map(({ pieceId }) => pieceId))
  const works = here.filter(
    (piece) => thingOf(piece) === 'work' && (bright.has(piece.id) || isBright(makeover, piece, walls, rules)),
  )
  const [work] = works
  if (!work || works.length > 1) return []
  const lit = here.some(
    (piece) =>
      thingOf(piece) === 'light' &&
      ((work.wallId !== null && piece.wallId === work.wallId) || /\b(picture|spot|display)/i.test(piece.name)),
  )
  if (lit) return []
  return [
    remark({
      code: 'envelope-unlit',
      subjects: [{ kind: 'piece', id: work.id }],
      title: `Nothing lights ${work.name}`,
      sentence: 'In a dark envelope the one bright work is lit: plan a picture light, or a lamp before its wall.',
      numbers: [work.id],
    }),
  ]
}

function isBright(makeover: Makeover, piece: Row<'piece'>, walls: Row<'finish'>, rules: Rules): boolean {
  const labL = piece.chosenId === null ? null : (makeover.rows.candidate[piece.chosenId]?.labL ?? null)
  return labL !== null && labL - walls.labL > rules['wall.stand-out']
}

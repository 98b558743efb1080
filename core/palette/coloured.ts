/** Strong colours that come into a room on chosen pieces and rugs, whether or not a finish of the palette has them. */
import { toneOf, type Tone } from '../colour/lab.ts'
import type { ThingKind } from '../makeover/choices.ts'
import type { Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { labOf } from './colour-of.ts'
import { tieOfTones, type PieceColours } from './ties.ts'
import type { Told } from './told.ts'

/**
 * Groups of pieces of one strong colour each, by their ids, that tie to no finish of the palette. What carries a finish has its
 * colour counted there; woods, metals, leaves and undyed fibres are materials; what only stands in is not counted.
 */
export function colouredPieces(
  makeover: Makeover,
  table: readonly PieceColours[],
  finishes: readonly Row<'finish'>[],
  told: ReadonlyMap<string, Told>,
  rules: Rules,
): string[][] {
  const carrying = new Set(finishes.map(({ pieceId }) => pieceId))
  const tones = finishes.map((row) => toneOf(labOf(row)))
  const groups: { readonly tone: Tone; readonly ids: string[] }[] = []
  for (const {
    pieceId,
    colours: [main],
  } of table) {
    const piece = makeover.rows.piece[pieceId]
    const chosen = piece?.chosenId == null ? undefined : makeover.rows.candidate[piece.chosenId]
    if (!main || !chosen || chosen.source === 'placeholder' || carrying.has(pieceId) || told.get(pieceId)?.natural)
      continue
    const tone = toneOf(main)
    if (chosen.madeOf === null && !clothed.has(piece?.thing ?? 'other') && isLikeWood(tone)) continue
    if (tone.C < rules['colour.near-neutral'] || tones.some((own) => tieOfTones(tone, own, rules) !== null)) continue
    const home = groups.find((group) => tieOfTones(group.tone, tone, rules) !== null)
    if (home) home.ids.push(pieceId)
    else groups.push({ tone, ids: [pieceId] })
  }
  return groups.map(({ ids }) => ids)
}

/** Things of cloth: a brown one of them is a colour that somebody chose. */
const clothed: ReadonlySet<ThingKind> = new Set(['rug', 'curtain', 'textile', 'work'])
/** Of other things, where nobody said what they are made of, the browns of wood, brass and leather are taken for these. */
const isLikeWood = ({ C, h }: Tone): boolean => h > 35 && h < 92 && C < 42

/**
 * The product's one computation: what a makeover comes to. Pure, deterministic and total: bad data gives a remark.
 */
import { briefRemarks, coverage, type NeedReckoning } from '../brief/index.ts'
import { anyRows } from '../makeover/change.ts'
import { emptyStudio, rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import { aSpoken, isKind, isStudioKind, references, type MakeoverKind } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { paletteRemarks, reckonPalette, type Palette } from '../palette/index.ts'
import { pieceDates, pieceRemarks, slackOf, type PieceDates } from '../pieces/index.ts'
import { purchaseRemarks, reckonMoney, type Money } from '../purchases/index.ts'
import { remark, settle, type Remark } from '../remarks/remark.ts'
import { practiceOf, type Practice } from '../rulebook/practice.ts'
import { reckonSurvey, surveyRemarks, type Surveyed } from '../survey/index.ts'
import { attention, type Attention } from './attention.ts'

export type Reckoning = {
  readonly today: PlainDate
  /** Whose practice it was reckoned by. */
  readonly practice: Practice
  readonly needs: readonly NeedReckoning[]
  readonly survey: Surveyed
  readonly palette: Palette
  readonly money: Money
  readonly dates: readonly PieceDates[]
  /** The least slack of any piece awaited, in days; null while nothing is awaited. */
  readonly slackDays: number | null
  readonly remarks: readonly Remark[]
  readonly attention: readonly Attention[]
}

/** Areas, money, dates, coverage and remarks of a makeover by its own practice, as of a day in the studio's time zone. */
export function reckon(
  documents: { readonly makeover: Makeover; readonly studio: Studio },
  today: PlainDate,
): Reckoning {
  const { makeover } = documents
  const practice = practiceOf(documents)
  const { rules } = practice
  const needs = coverage(makeover)
  const { measured, ...survey } = reckonSurvey(makeover, rules)
  const palette = reckonPalette(makeover, practice, survey.finishes, measured)
  const money = reckonMoney(makeover)
  const dates = pieceDates(makeover, money, rules, today)
  const remarks = [
    ...brokenRows(makeover),
    ...briefRemarks(makeover, needs, practice, today),
    ...surveyRemarks(makeover, measured, rules),
    ...paletteRemarks(makeover, palette, practice),
    ...pieceRemarks(makeover, money, dates, practice, today),
    ...purchaseRemarks(makeover, money, rules, today),
  ]
  const reckoned = {
    today,
    practice,
    needs,
    survey,
    palette,
    money,
    dates,
    slackDays: slackOf(dates),
    remarks: settle(remarks, rowsOf(makeover, 'acceptance')),
  }
  return { ...reckoned, attention: attention(makeover, reckoned, rules, today) }
}

/** Rows that point at rows which are not there: only a damaged file or database has them, and they are said, not thrown. */
function brokenRows(makeover: Makeover): Remark[] {
  const all = anyRows({ makeover, studio: emptyStudio(makeover.id) })
  return Object.entries(references).flatMap(([kind, fields]) => {
    if (!isKind(kind) || isStudioKind(kind)) return []
    const makeoverKind: MakeoverKind = kind
    return Object.entries(fields).flatMap(([field, target]) => {
      if (isStudioKind(target)) return []
      return Object.values(all[makeoverKind]).flatMap((row) => {
        const to = row[field]
        if (typeof to !== 'string' || all[target][to]) return []
        return [
          remark({
            code: 'damaged.reference',
            weight: 'stop',
            step: 'brief',
            subjects: [{ kind: makeoverKind, id: row.id }],
            title: `${aSpoken(makeoverKind).replace('a', 'A')} points at ${aSpoken(target)} that is not there`,
            sentence:
              'Figures that rest on it may be wrong. The file or the database it came from is damaged: restore it from a copy.',
            rule: null,
            numbers: [field, to],
          }),
        ]
      })
    })
  })
}

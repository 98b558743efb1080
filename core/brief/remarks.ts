import { type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Remark } from '../remarks/remark.ts'
import { beginRemarks } from './begin-remarks.ts'
import { remark } from './catalogue.ts'
import { agreedNow, agreements } from './agreement.ts'
import {
  because,
  forbiddenIn,
  insteadOf,
  isMethod,
  ruledOut,
  wordsOfCandidate,
  wordsOfFinish,
  type Forbidden,
} from './constraints.ts'
import { keepers } from './keepers.ts'
import { needRemarks } from './need-remarks.ts'
import type { NeedReckoning } from './needs.ts'
import { scopeChoices } from './scope.ts'
import { daysBetween, writeDate, type PlainDate } from '../measure/plain-date.ts'
import { currencyOf, headOf } from '../makeover/document.ts'
import { writeMoney } from '../money/written.ts'
import { splitSeveral } from '../makeover/choices.ts'
import { thingsIn } from '../makeover/things.ts'
import { inWords } from '../measure/quantity.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Subject } from '../remarks/remark.ts'

/** What the brief gives cause to say: an unsigned budget, a need that nothing serves. */
export function briefRemarks(
  makeover: Makeover,
  needs: readonly NeedReckoning[],
  practice: Practice,
  today: PlainDate,
): Remark[] {
  const remarks: Remark[] = []
  const versions = agreements(makeover)
  const pieces = rowsOf(makeover, 'piece').length
  if (agreedNow(versions) === null && pieces > 0)
    remarks.push(
      remark({
        code: 'unsigned',
        subjects: [{ kind: 'makeover', id: makeover.id }],
        title: 'No budget is signed yet',
        sentence:
          'Pieces are planned, and nothing has been agreed that they can be held against. Nothing can be ordered until the client has signed.',
        numbers: ['unsigned'],
      }),
    )
  return [
    ...remarks,
    ...needRemarks(makeover, needs, today),
    ...holesOver(makeover),
    ...breaches(makeover, practice),
    ...keeperRemarks(makeover, today),
    ...unrestored(makeover),
    ...scopeRemarks(makeover, practice),
    ...beginRemarks(makeover, practice),
  ]
}

/** What is chosen although it is forbidden: acting on every finish, candidate and way whose methods or qualities are known. */
function breaches(makeover: Makeover, practice: Practice): Remark[] {
  const { rules } = practice
  const things: {
    subject: Subject
    name: string
    roomId: string
    words: string[]
    step: 'palette' | 'pieces' | 'brief'
  }[] = [
    ...paletteFinishes(makeover).map((row) => ({
      subject: { kind: 'finish' as const, id: row.id },
      name: row.name,
      roomId: row.roomId,
      words: wordsOfFinish(row, rules),
      step: 'palette' as const,
    })),
    ...rowsOf(makeover, 'piece').flatMap((row) => {
      const chosen = row.chosenId === null ? undefined : makeover.rows.candidate[row.chosenId]
      return chosen
        ? [
            {
              subject: { kind: 'piece' as const, id: row.id },
              name: `${row.name}, ${chosen.name}`,
              roomId: row.roomId,
              words: wordsOfCandidate(makeover, chosen, rules),
              step: 'pieces' as const,
            },
          ]
        : []
    }),
    ...rowsOf(makeover, 'scopeOption')
      .filter((row) => row.chosen)
      .map((row) => ({
        subject: { kind: 'scopeOption' as const, id: row.id },
        name: row.name,
        roomId: makeover.rows.scopeChoice[row.choiceId]?.roomId ?? '',
        words: splitSeveral(row.methods),
        step: 'brief' as const,
      })),
  ]
  const forbidden = new Map(rowsOf(makeover, 'room').map((room) => [room.id, forbiddenIn(makeover, room.id)]))
  return things.flatMap(({ subject, name, roomId, words, step }) => {
    const found = ruledOut(forbidden.get(roomId) ?? [], words)
    const units = headOf(makeover)?.units
    // cords that begin above the reach of children hang in nobody's way
    const high = subject.kind === 'piece' && (makeover.rows.piece[subject.id]?.aboveMm ?? 0) >= rules['cords.reach']
    return found
      .filter((forbidden) => !(high && isCordsNearChildren(forbidden)))
      .filter((forbidden) => !paidBack(forbidden, practice))
      .map((forbidden) =>
        remark({
          code: 'forbidden',
          weight: weightOf(forbidden),
          step,
          subjects: [subject, ...forbidden.constraints.map((row) => ({ kind: 'constraint' as const, id: row.id }))],
          title: `${name}: ${forbidden.word} is ruled out`,
          sentence: `${capital(because(forbidden))} forbids it${forbidden.leave === 'waiting' ? ', and permission was asked but not given yet' : forbidden.leave === 'no' ? ', and permission was refused' : ''}. ${isCordsNearChildren(forbidden) ? `Cords strangle: they end ${citeRule('cords.reach', rules, units)} above the floor, out of reach. ` : ''}Usual in its place: ${insteadOf(forbidden.word)}.${isMethod(forbidden.word) && forbidden.leave === 'not asked' ? ' Or ask for permission, and write down the answer.' : ''}`,
          numbers: [forbidden.word, forbidden.leave],
        }),
      )
  })
}

/** Cords in reach of children strangle: a stop, as a method is that was not allowed (EN 13120, from memory). */
const weightOf = (forbidden: Forbidden): 'stop' | 'look' =>
  (isMethod(forbidden.word) && forbidden.leave !== 'waiting') || isCordsNearChildren(forbidden) ? 'stop' : 'look'
const isCordsNearChildren = ({ word, constraints }: Forbidden): boolean =>
  word === 'corded' && constraints.some(({ reason }) => reason === 'children')

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** The school that paints a tenancy and paints it back: it passes once putting it back is planned and paid for. */
const paidBack = (forbidden: Forbidden, { schools }: Practice): boolean =>
  forbidden.word === 'paint' &&
  schools['tenant-walls'] === 'painted-back' &&
  forbidden.leave !== 'no' &&
  (forbidden.permission?.restorePieceId ?? null) !== null

/** Permission to paint is mostly given with the duty to put it back: what that costs belongs in the budget. */
function unrestored(makeover: Makeover): Remark[] {
  return rowsOf(makeover, 'permission').flatMap((row) => {
    if (row.method !== 'paint' || row.answer !== 'yes' || row.restorePieceId !== null) return []
    return [
      remark({
        code: 'unrestored',
        subjects: [{ kind: 'permission', id: row.id }],
        title: 'Painting is allowed, and nothing is planned to put it back',
        sentence:
          `${row.restore ? `It is to be put back: ${row.restore}. ` : ''}Paint, tools and days for it belong in the budget now; or note that it need not be put back.`.replace(
            '..',
            '.',
          ),
        numbers: [row.restore],
      }),
    ]
  })
}

const drilled: ReadonlySet<string> = new Set(['nail', 'screw', 'anchor'])
/** The holes that the hooks of a piece take where it hangs; null where it hangs nowhere, or nobody said how. */
function hooksOf(makeover: Makeover, pieceId: string): number | null {
  const fixing = rowsOf(makeover, 'fixing').find((row) => row.pieceId === pieceId)
  const hung = rowsOf(makeover, 'hanging').filter((row) => row.pieceId === pieceId).length
  if (!fixing || hung === 0 || fixing.method === 'not said') return null
  return drilled.has(fixing.method) ? hung * fixing.hooks : 0
}
/** Holes allowed by number, and the holes that what is chosen takes. */
function holesOver(makeover: Makeover): Remark[] {
  const leave = rowsOf(makeover, 'permission').find(
    (row) => row.method === 'drill' && row.answer === 'yes' && row.holes !== null,
  )
  if (!leave || leave.holes === null) return []
  const taking = rowsOf(makeover, 'piece').flatMap((piece) => {
    const stated = piece.chosenId === null ? null : (makeover.rows.candidate[piece.chosenId]?.holes ?? null)
    const holes = hooksOf(makeover, piece.id) ?? (stated === null ? 0 : stated * thingsIn(piece))
    return holes === 0 ? [] : [{ piece, holes }]
  })
  const used = taking.reduce((total, { holes }) => total + holes, 0)
  if (used <= leave.holes) return []
  return [
    remark({
      code: 'holes-over',
      subjects: [
        { kind: 'permission', id: leave.id },
        ...taking.map(({ piece }) => ({ kind: 'piece' as const, id: piece.id })),
      ],
      title: `${used} holes, where ${leave.holes} are allowed`,
      sentence: `${inWords(taking.map(({ piece, holes }) => `${piece.name} takes ${holes}`))}. Hang ${used - leave.holes === 1 ? 'one' : 'some'} without drilling, or ask for ${used - leave.holes} more.`,
      numbers: [used, leave.holes],
    }),
  ]
}

function keeperRemarks(makeover: Makeover, today: PlainDate): Remark[] {
  return keepers(makeover).flatMap(({ piece, thing, lent }) => {
    const subjects: Subject[] = [{ kind: 'piece', id: piece.id }]
    const remarks: Remark[] = []
    if (thing.goBackOn !== null && thing.goBackOn < today)
      remarks.push(
        remark({
          code: 'go-back-late',
          subjects,
          title: `${piece.name} should have gone back`,
          sentence: `It was to go back ${thing.origin ? `to ${thing.origin} ` : ''}on ${writeDate(thing.goBackOn)}, ${daysBetween(thing.goBackOn, today)} days ago.`,
          numbers: [thing.goBackOn],
        }),
      )
    else if (lent && thing.source !== 'moved' && thing.goBackOn === null)
      remarks.push(
        remark({
          code: 'no-go-back',
          subjects,
          title: `${piece.name} is lent without a date`,
          sentence: `It comes ${thing.origin ? `from ${thing.origin}` : 'from somebody else'}. Agree when it goes back, and write the date down.`,
          numbers: ['no date'],
        }),
      )
    if (thing.source === 'moved' && thing.hole === '')
      remarks.push(
        remark({
          code: 'hole',
          subjects,
          title: `${piece.name} leaves a gap where it stood`,
          sentence: `It was moved ${thing.origin ? `from ${thing.origin}` : 'from another room'}. Say what is missing there now, or that nothing is.`,
          numbers: [thing.origin],
        }),
      )
    return remarks
  })
}

function scopeRemarks(makeover: Makeover, practice: Practice): Remark[] {
  const limit = practice.rules['brief.repaint-near-replace']
  return scopeChoices(makeover, practice).flatMap((choice) => {
    const repaint = choice.ways.find(({ row }) => row.way === 'repaint')
    const replace = choice.ways.find(({ row }) => row.way === 'replace')
    if (choice.repaintShare === null || !repaint || !replace || choice.repaintShare < limit || !repaint.row.chosen)
      return []
    const write = (way: typeof repaint): string => writeMoney(way.row.costMinor, currencyOf(makeover))
    return [
      remark({
        code: 'repaint-near-replace',
        subjects: [{ kind: 'scopeChoice', id: choice.row.id }],
        title: `${choice.row.name}: repainting costs ${Math.round(choice.repaintShare)} % of replacing`,
        sentence: `${write(repaint)} against ${write(replace)}. From ${citeRule('brief.repaint-near-replace', practice.rules)} the two are worth comparing before deciding: what is new lasts longer.`,
        numbers: [choice.repaintShare],
      }),
    ]
  })
}

/** What is said of needs: nothing serves them, too little is held, they are covered for now, or past their day. */
import type { Makeover } from '../makeover/document.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { inWords, writeQuantity } from '../measure/quantity.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import type { NeedReckoning } from './needs.ts'

const wish = { must: 'must have', should: 'should have', nice: 'would like' } as const

export function needRemarks(makeover: Makeover, needs: readonly NeedReckoning[], today: PlainDate): Remark[] {
  if (Object.keys(makeover.rows.piece).length === 0) return []
  return needs.flatMap((need) => {
    const row = makeover.rows.need[need.id]
    if (!row) return []
    const subjects = [{ kind: 'need' as const, id: need.id }]
    const nameOf = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? ''
    if (row.untilOn !== null && row.untilOn < today)
      return [
        remark({
          code: 'need-ended',
          subjects,
          title: `“${row.name}” was needed until ${writeDate(row.untilOn)}`,
          sentence: 'Ask whether it still is: give it another day, or have the client strike it out.',
          numbers: [row.untilOn],
        }),
      ]
    if (need.pieceIds.length === 0)
      return [
        remark({
          code: 'need-unserved',
          weight: row.importance === 'must' ? 'look' : 'note',
          subjects,
          title: `Nothing serves “${row.name}”`,
          sentence: `The client ${wish[row.importance]} it, and no piece is planned for it. Plan one, or ask whether it is still wanted.`,
          numbers: [row.importance],
        }),
      ]
    const said: Remark[] = []
    if (need.covered && row.amount !== null && need.holds !== null) {
      const short = Math.round((row.amount - need.holds) * 1000) / 1000
      if (need.unsaid.length > 0)
        said.push(
          remark({
            code: 'need-unmeasured',
            subjects,
            title: `“${row.name}”: measure how much ${inWords(need.unsaid.map(nameOf))} ${need.unsaid.length === 1 ? 'holds' : 'hold'}`,
            sentence: `${writeQuantity(row.amount, row.unit)} ${row.amount === 1 ? 'is' : 'are'} wanted${need.holds > 0 ? `, and ${writeQuantity(need.holds, row.unit)} ${need.holds === 1 ? 'is' : 'are'} accounted for` : ''}.`,
            numbers: [...need.unsaid.map(nameOf)],
          }),
        )
      else if (short > 0)
        said.push(
          remark({
            code: 'need-short',
            weight: row.importance === 'nice' ? 'note' : 'look',
            subjects: [...subjects, ...need.pieceIds.map((id) => ({ kind: 'piece' as const, id }))],
            title: `“${row.name}”: ${writeQuantity(short, row.unit)} find no place`,
            sentence: `${writeQuantity(row.amount, row.unit)} ${row.amount === 1 ? 'is' : 'are'} wanted; what is chosen takes ${writeQuantity(need.holds, row.unit)}. Choose more of it, or agree with the client what goes.`,
            numbers: [row.amount, need.holds],
          }),
        )
    }
    if (need.elsewhere.length > 0) {
      const zone = row.zoneId === null ? '' : (makeover.rows.zone[row.zoneId]?.name ?? '')
      const [names, verb] = [inWords(need.elsewhere.map(nameOf)), need.elsewhere.length === 1 ? 'stands' : 'stand']
      said.push(
        remark({
          code: 'need-elsewhere',
          subjects: [...subjects, ...need.elsewhere.map((id) => ({ kind: 'piece' as const, id }))],
          title: `“${row.name}”: wanted in “${zone}”`,
          sentence: `${names} ${verb} in another part of the room. Move ${need.elsewhere.length === 1 ? 'it' : 'them'} there, or say that the need is of the whole room.`,
          numbers: [zone],
        }),
      )
    }
    if (need.forNow)
      said.push(
        remark({
          code: 'need-for-now',
          subjects,
          title: `“${row.name}” is covered for now`,
          sentence: `${inWords(need.pieceIds.map(nameOf))} ${need.pieceIds.length === 1 ? 'is' : 'are'} a stand-in or a promise: it is not finished until the thing itself is here.`,
          numbers: need.pieceIds.map(nameOf),
        }),
      )
    return said
  })
}

/** A finish where it would not last: on a floor that is walked on, where hands touch, in the sun. */
import { splitSeveral, type Surface, type Use } from '../../makeover/choices.ts'
import { writeLength } from '../../measure/length.ts'
import { headOf, type Makeover, rowsOf } from '../../makeover/document.ts'
import { paletteFinishes, liesOn } from '../../makeover/laid.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'

const asks: Readonly<Partial<Record<Surface, { readonly use: Use; readonly because: string }>>> = {
  floor: { use: 'traffic', because: 'a floor is walked on' },
  'step edge': { use: 'traffic', because: 'a step is walked on' },
  trim: { use: 'scrub', because: 'trim is knocked and wiped' },
  door: { use: 'scrub', because: 'hands touch a door' },
  switch: { use: 'scrub', because: 'hands touch a switch' },
  rail: { use: 'scrub', because: 'hands touch a rail' },
  window: { use: 'sun', because: 'what hangs at a window fades' },
}

/** Dead-matt paint on walls that children and dogs touch; a dado, or paint above 1.2 m, is out of their reach. */
function touched(makeover: Makeover): Remark[] {
  const units = headOf(makeover)?.units ?? 'metric'
  const touching = rowsOf(makeover, 'constraint').filter(
    ({ reason, note }) =>
      reason === 'children' || (reason === 'pets' && !/\b(cats?|birds?|fish|reptiles?)\b/i.test(note)),
  )
  return paletteFinishes(makeover).flatMap((row) => {
    const who = touching.find(({ roomId }) => roomId === null || roomId === row.roomId)
    if (!who || !liesOn(row, 'walls') || row.family !== 'paint' || row.sheen !== 'matt' || row.fate === 'change')
      return []
    if (splitSeveral(row.suits).includes('scrub') || (row.bandFromMm ?? 0) >= reachMm) return []
    return [
      remark({
        code: 'use',
        subjects: [{ kind: 'finish', id: row.id }],
        title: `${row.name} is dead matt where ${who.reason === 'children' ? 'children' : 'animals'} touch it`,
        sentence: `It marks, and polishes where it is wiped. Take a scrubbable make of the colour to ${writeLength(reachMm, units)} at least, or a sheen more.`,
        numbers: [row.surface, row.sheen],
      }),
    ]
  })
}
/** How high hands and tails reach, in mm; common practice. */
const reachMm = 1200

/** Only where it is known what a finish stands up to: silence where nobody said. */
export function useRemarks(makeover: Makeover): Remark[] {
  const said = paletteFinishes(makeover).flatMap((row) => {
    const wanted = asks[row.surface]
    const suits = splitSeveral(row.suits)
    if (!wanted || suits.length === 0 || suits.includes(wanted.use)) return []
    return [
      remark({
        code: 'use',
        subjects: [{ kind: 'finish', id: row.id }],
        title: `${row.name} is not made for ${row.surface === 'window' ? 'the sun' : wanted.use === 'scrub' ? 'scrubbing' : 'traffic'}`,
        sentence: `It is on the ${row.surface}, and ${wanted.because}; it stands up to ${suits.join(', ')} only. Take a harder sheen or another make of the same colour, or expect to renew it.`,
        numbers: [row.surface, row.suits],
      }),
    ]
  })
  return [...said, ...touched(makeover)]
}

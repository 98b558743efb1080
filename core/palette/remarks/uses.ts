/** A finish where it would not last: on a floor that is walked on, where hands touch, in the sun. */
import { splitSeveral, type Surface, type Use } from '../../makeover/choices.ts'
import { type Makeover, paletteFinishes } from '../../makeover/document.ts'
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

/** Only where it is known what a finish stands up to: silence where nobody said. */
export function useRemarks(makeover: Makeover): Remark[] {
  return paletteFinishes(makeover).flatMap((row) => {
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
}

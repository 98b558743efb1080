/** A sample is judged in the room, on its wall, by evening and lamp light too. */
import { type Makeover, rowsOf } from '../../makeover/document.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import { lightsSeen, unseenByLamp } from '../samples.ts'

const words = (lights: readonly string[]): string =>
  lights.length > 0
    ? `It was seen by ${lights.map((light) => `${light} light`).join(', ')}.`
    : 'Nobody has looked at a sample of it in the room.'

export function sampleRemarks(makeover: Makeover): Remark[] {
  const asked = unseenByLamp(makeover)
  const lamp = asked.map(({ finish, chosen, seen }) =>
    remark({
      code: 'lamp-unseen',
      subjects: [{ kind: 'finish', id: finish.id }],
      title: `${finish.name} was never seen by lamp light`,
      sentence: `${words(seen)} Before it is ordered, put a painted board or a cutting up on its wall, and look again in the evening with the lamps on.`,
      numbers: [seen.join(', '), chosen ? 'chosen' : 'open'],
    }),
  )
  const known = new Set(asked.map(({ finish }) => finish.id))
  const evening = rowsOf(makeover, 'sample').flatMap((row) => {
    const finish = makeover.rows.finish[row.finishId]
    if (!finish || known.has(finish.id) || row.verdict === 'wrong' || row.cameOn === null) return []
    const seen = lightsSeen(makeover, finish.id)
    if (seen.includes('evening') || seen.includes('lamp')) return []
    known.add(finish.id)
    return [
      remark({
        code: 'sample-evening',
        subjects: [{ kind: 'finish', id: finish.id }],
        title: `${finish.name}: the sample was not seen by evening light`,
        sentence: `${words(seen)} Put it up on each wall, and look again in the evening and by lamp.`,
        numbers: [seen.join(', ')],
      }),
    ]
  })
  return [...lamp, ...evening]
}

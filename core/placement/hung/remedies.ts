/** What hangs off its line, or too near what is below it, is hung where it belongs. */
import { edit } from '../../makeover/change.ts'
import { headOf } from '../../makeover/document.ts'
import type { Practice } from '../../makeover/practice.ts'
import { writeLength } from '../../measure/length.ts'
import type { Remedies } from '../../remarks/remedy.ts'
import { roomsOf } from '../../survey/index.ts'
import type { RoomPlaced } from '../reckoned.ts'
import { belongsAt } from './line.ts'
import { sceneOf } from './reckoned.ts'
import { asOne, groupOf, hangablesOf, hungIn } from './works.ts'

type Has = { readonly placed: readonly RoomPlaced[]; readonly practice: Practice }
export const toItsLine: Remedies = {
  words: 'Hang it there',
  find: ({ subjects }, makeover, { placed, practice }: Has) => {
    const { rules } = practice
    const row = subjects.flatMap(({ kind, id }) => (kind === 'hanging' ? (makeover.rows.hanging[id] ?? []) : []))[0]
    for (const room of roomsOf(makeover, rules)) {
      const works = hungIn(makeover, room, hangablesOf(makeover))
      const work = works.find(({ id }) => id === row?.id)
      if (!row || !work) continue
      const bodies = placed.find(({ roomId }) => roomId === room.id)?.bodies ?? []
      const scene = sceneOf(makeover, room, work.wall, works, bodies, practice)
      // a group goes up or down as one
      const group = groupOf(work, works)
      const whole = asOne(group) ?? work
      const belongs = belongsAt(room, whole, scene.before, scene.lineMm, rules).centre
      const tenth = (mm: number): number => Math.round(mm * 10) / 10
      const units = headOf(makeover)?.units ?? 'metric'
      return [
        {
          title: `Hung ${whole.name} at ${writeLength(Math.round(belongs), units)}`,
          detail: 'Its middle comes to where it belongs; along the wall it stays.',
          operations: group.map((member) =>
            edit('hanging', member.row, { centreMm: tenth(member.centre + belongs - whole.centre) }),
          ),
        },
      ]
    }
    return []
  },
}

import type { MakeoverKind } from '../makeover/kinds.ts'
import type { Money } from '../purchases/index.ts'
import { part, type Given, type Step } from '../steps/step.ts'
import type { TakeOff } from '../surfaces/index.ts'
import type { Surveyed } from '../survey/index.ts'
import { calendarAttention } from './attention.ts'
import { catalogue } from './catalogue.ts'
import { calendarGuards } from './guards.ts'
import { calendarKinds } from './kinds.ts'
import { ordinaryM2 } from './makeover-work.ts'
import { calendarRemarks } from './remarks.ts'
import { scheduleOf, type Schedule } from './schedule.ts'

export const step = {
  name: 'calendar',
  title: 'Calendar',
  kinds: Object.keys(calendarKinds) as MakeoverKind[],
  catalogue,
  parts: [
    part({
      name: 'schedule',
      reads: {
        rows: ['room', 'piece', 'candidate', 'task', 'hand', 'permission'],
        figures: ['makeover', 'question', 'absence', 'taskLink', 'deferral', 'constraint'],
        rules: ['work.', 'dry.', 'dates.client-answer', 'dates.owner-answer', 'words.pale-from'],
        schools: true,
        today: true,
        parts: ['takeOffs', 'money', 'survey'],
      },
      reckon: ({
        makeover,
        practice,
        today,
        parts,
      }: Given<{ takeOffs: readonly TakeOff[]; money: Money; survey: Surveyed }>): Schedule =>
        scheduleOf({
          makeover,
          practice,
          today,
          takeOffs: parts.takeOffs,
          money: parts.money,
          floorM2: (roomId) => floorOf(parts.survey, roomId),
        }),
    }),
  ],
  remarks: part({
    name: 'remarks of the calendar',
    reads: {
      rows: ['absence', 'arrival', 'hand', 'room', 'zone', 'piece'],
      figures: ['makeover', 'task', 'taskLink', 'candidate', 'purchase', 'order'],
      rules: ['work.'],
      schools: true,
      today: true,
      parts: ['schedule', 'money', 'survey'],
    },
    reckon: ({ makeover, practice, today, parts }: Given<{ schedule: Schedule; money: Money; survey: Surveyed }>) =>
      calendarRemarks({
        makeover,
        plan: parts.schedule,
        money: parts.money,
        practice,
        today,
        floorM2: (roomId) => floorOf(parts.survey, roomId),
      }),
  }),
  attention: part({
    name: 'attention to the calendar',
    reads: {
      rows: ['arrival', 'snag', 'piece', 'deferral'],
      figures: ['purchase'],
      today: true,
      parts: ['schedule', 'money'],
    },
    reckon: ({ makeover, today, parts }: Given<{ schedule: Schedule; money: Money }>) =>
      calendarAttention(makeover, parts.schedule, parts.money, today),
  }),
  guards: (_before, after) => calendarGuards(after.makeover),
  // how much of the work is done
  progress: (_makeover, { schedule: { tasks } }: { schedule: Schedule }) => {
    const work = tasks.filter(({ is }) => is === 'work')
    return work.length === 0 ? 0 : work.filter(({ isDone }) => isDone).length / work.length
  },
} as const satisfies Step

export const floorOf = ({ rooms }: Surveyed, roomId: string): number =>
  rooms.find((room) => room.roomId === roomId)?.areas?.floorM2 ?? ordinaryM2

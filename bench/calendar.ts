/** The calendar: a rich demo, two thousand tasks, a thousand runs and ten. Median, one core. */
import { oddsOf, scheduleOf, type Net } from '#core/calendar/index.ts'
import { backward, forward, ordered, type NetTask } from '#core/calendar/network.ts'
import { floorOf } from '#core/calendar/step.ts'
import { everyDay, mondayToFriday, startOfDay, WorkDays } from '#core/calendar/working-time.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { seeded } from '#core/measure/seeded.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { demoDocuments } from '#core/testing/demos.ts'
import { median, say } from './timing.ts'

const today = plainDate('2026-09-01')
for (const documents of demoDocuments()) {
  const { practice, money, takeOffs, survey, schedule } = reckon(documents, today)
  const asked = {
    makeover: documents.makeover,
    practice,
    money,
    takeOffs,
    today,
    floorM2: (roomId: string) => floorOf(survey, roomId),
  }
  const name = documents.makeover.rows.makeover[documents.makeover.id]?.name ?? ''
  say(`${name}, ${schedule.tasks.length} tasks: ${median(() => scheduleOf(asked), 60).toFixed(1)} ms (goal: under 4)`)
}

const random = seeded(1)
const hands = ['a', 'b', 'c', 'd', 'e', 'f', null]
const days = { worked: new WorkDays(mondayToFriday), always: new WorkDays(everyDay) }
const network = (count: number): NetTask[] =>
  Array.from({ length: count }, (_, at): NetTask => {
    const hand = hands[Math.floor(random() * hands.length)] ?? null
    const after = at === 0 ? [] : [Math.max(0, at - 1 - Math.floor(random() * 20)), Math.floor(random() * at)]
    return {
      id: String(at),
      hand,
      days: hand === null ? days.always : days.worked,
      work: Math.round(random() * 960),
      from: startOfDay(today),
      pinned: null,
      done: null,
      after: [...new Set(after)].map((id) => ({ id: String(id), wait: random() < 0.2 ? 240 : 0 })),
    }
  })
const many = network(2000)
say(
  `2000 tasks of six hands, ordered, forth and back: ${median(() => {
    const work = ordered(many)
    forward(work)
    backward(work, startOfDay(plainDate('2028-01-01')))
  }, 20).toFixed(1)} ms (goal: under 50)`,
)
const net: Net = {
  times: [
    { time: everyDay, elapses: false },
    { time: mondayToFriday, elapses: false },
  ],
  tasks: network(200).map(({ days: _days, ...task }) => ({
    ...task,
    time: task.hand === null ? 0 : 1,
    range: { least: task.work * 0.8, likely: task.work, most: task.work * 1.5 },
  })),
}
say(
  `10 000 runs of 200 tasks: ${median(() => oddsOf(net, [], plainDate('2027-01-01'), { runs: 10_000, seed: 1 }), 3).toFixed(0)} ms (goal: under 1000 in the worker)`,
)

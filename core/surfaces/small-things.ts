/** The small things of a job: how much of each is sensible by what is done and how large it is. Common practice of the trade. */
import type { Fields } from '../makeover/kinds.ts'
import { aboutArea } from '../measure/area.ts'
import type { UnitSystem } from '../measure/length.ts'

export type Job = {
  readonly how: Fields<'treatment'>['how']
  readonly m2: number
  readonly edgeMm: number
  readonly rolls: number
}
export type SmallThing = {
  readonly id: string
  readonly name: string
  readonly quantity: number
  readonly unit: string
  readonly because: string
}

const up = (value: number): number => Math.ceil(value - 1e-9)

/** What the jobs of one room take together, each thing once. Areas in m², edges in mm. */
export function smallThings(jobs: readonly Job[], units: UnitSystem): SmallThing[] {
  const about = (m2: number): string => aboutArea(m2, units)
  const run = (mm: number): string => (units === 'metric' ? `${mm / 1000} m` : `${Math.round(mm / 304.8)} feet`)
  const jobsOf = (...hows: readonly Job['how'][]): readonly Job[] => jobs.filter(({ how }) => hows.includes(how))
  const area = (list: readonly Job[]): number => list.reduce((sum, { m2 }) => sum + m2, 0)
  const edge = (list: readonly Job[]): number => list.reduce((sum, { edgeMm }) => sum + edgeMm, 0)
  const painted = jobsOf('paint')
  const papered = jobsOf('paper')
  const tiled = jobsOf('tile')
  const floored = jobsOf('boards', 'carpet', 'sheet')
  const things: SmallThing[] = []
  const add = (id: string, name: string, quantity: number, unit: string, because: string): void => {
    if (quantity > 0) things.push({ id, name, quantity, unit, because })
  }
  const wetM2 = area([...painted, ...papered, ...tiled])
  add('sugar-soap', 'Sugar soap', up(wetM2 / 50), 'bottles', `one washes down about ${about(50)}`)
  add('filler', 'Filler, tub of 600 g', up(wetM2 / 40), 'tubs', `one to about ${about(40)} of wall`)
  add('abrasive', 'Abrasive paper, 120 and 180', up(wetM2 / 10), 'sheets', `one to about ${about(10)}`)
  add(
    'sheets',
    'Dust sheets',
    wetM2 > 0 ? Math.max(2, up(wetM2 / 20)) : 0,
    'pieces',
    'floor and what stays in the room',
  )
  add('tape', `Masking tape, ${run(50_000)}`, up(edge(painted) / 50_000), 'rolls', 'along every edge that is painted')
  add('sleeves', 'Roller sleeves', up(area(painted) / 40), 'pieces', `one to about ${about(40)}`)
  add('brush', 'Brush, 50 mm', painted.length > 0 ? 1 : 0, 'pieces', 'for edges')
  add('tray', 'Roller tray and liner', painted.length > 0 ? 1 : 0, 'pieces', 'one a job')
  add(
    'paste',
    'Paste',
    up(papered.reduce((sum, { rolls }) => sum + rolls, 0) / 5),
    'packets',
    'one hangs about five rolls',
  )
  add(
    'blades',
    'Blades',
    up(papered.reduce((sum, { rolls }) => sum + rolls, 0) / 2),
    'pieces',
    'a fresh one to every few strips',
  )
  add('seam-roller', 'Seam roller and smoother', papered.length > 0 ? 1 : 0, 'sets', 'one a job')
  add(
    'spacers',
    'Tile spacers, bag of 200',
    tiled.length > 0 ? up(area(tiled) / 4) : 0,
    'bags',
    `one to about ${about(4)}`,
  )
  add(
    'sealant',
    'Sealant',
    up(edge([...tiled, ...jobsOf('moulding', 'panels')]) / 12_000),
    'cartridges',
    `one to about ${run(12_000)} of edge`,
  )
  add(
    'adhesive-grab',
    'Mounting adhesive',
    up(edge(jobsOf('moulding', 'panels')) / 8000),
    'cartridges',
    `one to about ${run(8000)}`,
  )
  add(
    'spacing-wedges',
    'Wedges for the gap at the walls',
    up(edge(floored.filter(({ how }) => how === 'boards')) / 20_000),
    'sets',
    `one to about ${run(20_000)} of wall`,
  )
  add('gripper', `Gripper rods, ${run(1500)}`, up(edge(jobsOf('carpet')) / 1500), 'rods', 'along the walls, less doors')
  return things
}

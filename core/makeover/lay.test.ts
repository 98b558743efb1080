/** Where a finish lies: told by older versions, laid, moved, taken off, and only thought of. */
import { describe, expect, it } from 'vitest'
import { change } from '../testing/small-makeover.ts'
import { finish, idOf, newId, world } from '../testing/coloured-room.ts'
import { isKind } from './kinds.ts'
import { laidFinish, liesOn, paletteFinishes, surfaceWords } from './laid.ts'
import { howOf, layOn, relay, treatmentsOut } from './lay.ts'
import { upgradeOperations } from './upgrade.ts'

type Put = { op: string; kind: string; id: string; base: string | null; fields: Record<string, unknown> }
const told = (operations: readonly unknown[]): Put[] => (upgradeOperations(9, operations, 10) ?? []) as Put[]

describe('operations of version 9, which said it on the finish', () => {
  const fields = {
    name: 'Sage',
    family: 'paint',
    texture: 'usual',
    surface: 'walls',
    wallId: 'w',
    bandFromMm: null,
    bandToMm: 900,
  }
  it('a new finish on a surface gets a treatment there, with its own id', () => {
    const [row, treatment, part] = told([{ op: 'put', kind: 'finish', id: 'f', base: null, fields }])
    expect(row?.fields).toEqual({ name: 'Sage', family: 'paint', texture: 'usual' })
    expect(treatment).toMatchObject({ kind: 'treatment', id: 'f', base: null, fields: { finishId: 'f', how: 'paint' } })
    expect(part).toMatchObject({
      kind: 'treatedPart',
      id: 'f',
      fields: { treatmentId: 'f', surface: 'walls', wallId: 'w', bandToMm: 900 },
    })
    expect([row, treatment, part].every((put) => put !== undefined && isKind(put.kind))).toBe(true)
  })
  it('on a thing it gets none; a change of where it lies is one of its treated surface, on the version that was seen', () => {
    expect(
      told([{ op: 'put', kind: 'finish', id: 'f', base: null, fields: { ...fields, surface: 'piece' } }]),
    ).toHaveLength(1)
    expect(told([{ op: 'put', kind: 'finish', id: 'f', base: 'v', fields: { wallId: null } }])).toEqual([
      { op: 'put', kind: 'treatedPart', id: 'f', base: 'v', fields: { wallId: null } },
    ])
    expect(
      told([{ op: 'put', kind: 'finish', id: 'f', base: 'v', fields: { name: 'Reed', bandToMm: 800 } }]).map(
        ({ kind }) => kind,
      ),
    ).toEqual(['finish', 'treatedPart'])
    const taken = { op: 'remove', kind: 'finish', id: 'f', base: 'v' }
    expect(told([taken])).toEqual([taken])
  })
})

describe('a finish', () => {
  const laid = world.with(
    finish('Wall', '#e9e2d3', { surface: 'walls', bandToMm: 900 }),
    finish('Pull', '#b08d57', { family: 'metal' }),
  )
  const wall = () => laidFinish(laid.makeover, idOf('Wall'))
  const after = (where: Parameters<typeof relay>[3], said = {}): ReturnType<typeof wall> => {
    const row = wall()
    if (!row) throw new Error('it is laid')
    const operations = relay(laid.makeover, row, { family: 'paint', texture: 'usual', ...said }, where, newId)
    return laidFinish(change(laid, operations).makeover, idOf('Wall'))
  }
  it('lies where its treatment says, and else on a thing', () => {
    expect(wall()).toMatchObject({ surface: 'walls', bandToMm: 900 })
    expect(laidFinish(laid.makeover, idOf('Pull'))).toMatchObject({ surface: 'other', lies: [] })
    expect(surfaceWords(wall() ?? { lies: [] })).toBe('walls')
  })
  it('is moved, taken off, and done otherwise when it becomes another material', () => {
    expect(after({ surface: 'ceiling', bandToMm: null })).toMatchObject({ surface: 'ceiling', bandToMm: null })
    expect(after(null)).toMatchObject({ lies: [] })
    expect(after({ surface: 'walls' }, { family: 'paper' })?.lies[0]?.how).toBe('paper')
  })
  it('on several surfaces is first of all on the one that is no ceiling', () => {
    const both = change(laid, [
      layOn(newId(), { id: idOf('Pull'), family: 'metal', texture: 'usual' }, { surface: 'ceiling' }),
      layOn(newId(), { id: idOf('Pull'), family: 'metal', texture: 'usual' }, { surface: 'trim' }),
    ])
    const pull = laidFinish(both.makeover, idOf('Pull'))
    expect(pull?.surface).toBe('trim')
    expect(pull && [liesOn(pull, 'ceiling'), liesOn(pull, 'trim'), liesOn(pull, 'walls')]).toEqual([true, true, false])
  })
  it('that is only thought of is not in the palette, and goes out with what it stands for', () => {
    const [treatment] = Object.keys(laid.makeover.rows.treatment)
    const thought = change(laid, [
      finish('Paper', '#c9cbb6', { family: 'paper' }),
      layOn(
        newId(),
        { id: idOf('Paper'), family: 'paper', texture: 'usual' },
        { surface: 'walls' },
        { insteadOfId: treatment ?? null },
      ),
    ])
    expect(paletteFinishes(thought.makeover).map(({ name }) => name)).toEqual(['Wall', 'Pull'])
    const gone = change(thought, treatmentsOut(thought.makeover, idOf('Wall')))
    expect(Object.keys(gone.makeover.rows.treatment)).toEqual([])
    expect(Object.keys(gone.makeover.rows.treatedPart)).toEqual([])
  })
  it('is done as its material is', () => {
    expect(howOf({ family: 'wood', texture: 'usual' }, 'floor')).toBe('boards')
    expect(howOf({ family: 'ceramic', texture: 'usual' }, 'walls')).toBe('tile')
    expect(howOf({ family: 'textile', texture: 'usual' }, 'window')).toBe('loose')
    expect(howOf({ family: 'paper', texture: 'usual' }, 'trim')).toBe('as it is')
  })
})

import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, type Documents, type Operation } from '../makeover/change.ts'
import { minor } from '../money/minor.ts'
import { codesOf, reckoned, type Told } from '../testing/palette.ts'
import { change } from '../testing/small-makeover.ts'
import { lightsSeen } from './index.ts'
import { finish, idOf, newId, piece, school, titles, world } from '../testing/coloured-room.ts'

describe('samples', () => {
  const sample = (name: string, lights: readonly ('morning' | 'noon' | 'evening' | 'lamp')[]): Operation[] => {
    const id = newId()
    return [
      add('sample', id, { ...blank.sample, finishId: idOf(name) }),
      ...lights.map((light) => add('viewing', newId(), { ...blank.viewing, sampleId: id, light })),
    ]
  }
  const asked = (documents: Documents) =>
    reckoned(documents).remarks.find((remark) => remark.code === 'palette.lamp-unseen')
  it('a paint never seen by lamp light is an open question; chosen and about to be ordered it needs a hand', () => {
    const paint = world.with(finish('Wall', '#e9e2d3', { surface: 'walls' }))
    expect(asked(paint)).toMatchObject({ weight: 'note', title: 'Wall was never seen by lamp light' })
    expect(asked(change(paint, sample('Wall', ['morning', 'noon', 'evening'])))?.sentence).toContain(
      'morning light, noon light, evening light',
    )
    expect(asked(change(paint, sample('Wall', ['lamp'])))).toBeUndefined()
    const bought = world.with(piece('Paint', '#e9e2d3'))
    const chosen = change(bought, [finish('Wall', '#e9e2d3', { surface: 'walls', pieceId: idOf('Paint') })])
    expect(asked(chosen)?.weight).toBe('note')
    expect(reckoned(chosen).attention).toMatchObject([{ kind: 'sample', title: 'Wall' }])
    expect(lightsSeen(change(chosen, sample('Wall', ['lamp', 'morning'])).makeover, idOf('Wall'))).toEqual([
      'morning',
      'lamp',
    ])
  })
  it('what is there already is not asked for, nor wood or cloth', () => {
    expect(
      asked(
        world.with(
          finish('Old', '#e9e2d3', { surface: 'walls', fate: 'keep' }),
          finish('Oak', '#b98d55', { family: 'wood' }),
          finish('Cloth', '#a84f33', { family: 'textile' }),
        ),
      ),
    ).toBeUndefined()
  })
})

describe('what a finish stands up to', () => {
  it('is held against where it lies, and nothing is said where nobody knows', () => {
    const floor = (suits: string) =>
      codesOf(world.with(finish('Rug', '#a84f33', { surface: 'floor', family: 'textile', suits }))).includes(
        'palette.use',
      )
    expect([floor('sun'), floor('traffic, sun'), floor('')]).toEqual([true, false, false])
    expect(titles(world.with(finish('Trim', '#f1e9da', { surface: 'trim', suits: 'wet' })), 'palette.use')).toEqual([
      'Trim is not made for scrubbing',
    ])
  })
})

describe('each school of colour holds its own checks', () => {
  const wall = (hex: string) => finish('Wall', hex, { surface: 'walls', visibleM2: 60 })
  it('exactly two and one: a second main colour is missed, a second accent raised', () => {
    const room = [
      wall('#e9e2d3'),
      finish('Same', '#eae4d6', { surface: 'trim', role: 'secondary' }),
      finish('Rust', '#a84f33', { role: 'accent', visibleM2: 3 }),
      school('colours', 'two-and-one'),
    ]
    expect(codesOf(world.with(...room))).toContain('palette.two-mains')
    const three = codesOf(
      world.with(
        ...room,
        finish('Teal', '#2f6f73', { role: 'secondary' }),
        finish('Gold', '#c8a032', { role: 'accent', visibleM2: 2 }),
      ),
    )
    expect(three).toContain('palette.one-accent')
    expect(three).not.toContain('palette.two-mains')
  })
  it('neutrals and one asks for the one', () => {
    expect(
      codesOf(
        world.with(
          wall('#e9e2d3'),
          finish('Grey', '#8a8a88'),
          finish('White', '#f5f5f2', { role: 'secondary' }),
          school('colours', 'neutrals-and-one'),
        ),
      ),
    ).toContain('palette.no-pop')
  })
  it('quiet layers: cloth stays pale; greenery and what hangs at the window may carry colour', () => {
    const quiet = (...more: Told[]) => codesOf(world.with(wall('#e9e2d3'), ...more, school('colours', 'quiet')))
    expect(quiet(finish('Cushion', '#3b3f46', { family: 'textile', surface: 'piece' }))).toContain(
      'palette.quiet-cloth',
    )
    expect(quiet(finish('Cushion', '#e4dccb', { family: 'textile', surface: 'piece' }))).not.toContain(
      'palette.quiet-cloth',
    )
    expect(quiet(finish('Curtain', '#a84f33', { family: 'textile', surface: 'window' }))).not.toContain(
      'palette.many-strong',
    )
    expect(quiet(finish('Chair', '#a84f33', { family: 'textile', surface: 'piece' }))).toContain('palette.many-strong')
  })
  it('one envelope: one colour all round, warm white or dark, one focal point, cloth that stands out, one rug', () => {
    const dark = '#2e2a3a'
    const envelope = (...more: Told[]) =>
      codesOf(
        world.with(
          wall(dark),
          finish('Trim', dark, { surface: 'trim', role: 'secondary' }),
          ...more,
          school('colours', 'envelope'),
        ),
      )
    expect(
      envelope(finish('Lamp', '#f0d9a8', { role: 'accent', surface: 'piece' })).filter((code) =>
        code.startsWith('palette.envelope'),
      ),
    ).toEqual([])
    expect(envelope()).not.toContain('palette.envelope-depth')
    expect(envelope(finish('Door', '#f1e9da', { surface: 'door' }))).toContain('palette.envelope-broken')
    expect(envelope(finish('Other', '#312d3c', { role: 'secondary', surface: 'other' }))).toContain(
      'palette.envelope-focal',
    )
    expect(envelope(finish('Sofa', '#2b2b38', { family: 'plush', surface: 'piece' }))).toContain(
      'palette.envelope-lost',
    )
    expect(
      envelope(
        finish('Rug', '#8a7a6a', { family: 'plush', surface: 'floor' }),
        finish('Runner', '#8a7a6a', { family: 'textile', surface: 'floor' }),
      ),
    ).toContain('palette.envelope-floor')
    expect(codesOf(world.with(wall('#8fa3a8'), school('colours', 'envelope')))).toContain('palette.envelope-depth')
    expect(codesOf(world.with(wall('#f3ead8'), school('colours', 'envelope')))).not.toContain('palette.envelope-depth')
  })
  it('a soft white is expected of trim only where that school was chosen', () => {
    const trim = (...more: Operation[]) =>
      codesOf(world.with(wall('#e9e2d3'), finish('Trim', '#6f8a76', { surface: 'trim' }), ...more)).includes(
        'palette.trim-white',
      )
    expect([trim(), trim(school('trim', 'soft-white')), trim(school('trim', 'same'))]).toEqual([false, true, false])
  })
})

describe('surfaces to be told apart', () => {
  it('are listed with their points of LRV, and raised only where somebody sees little', () => {
    const step = world.with(
      finish('Stair', '#8f8f8f', { surface: 'floor' }),
      finish('Edge', '#9a9a9a', { surface: 'step edge' }),
    )
    expect(reckoned(step).palette.apart).toMatchObject([
      { left: idOf('Edge'), right: idOf('Stair'), enough: false, wanted: 30 },
    ])
    expect(codesOf(step)).not.toContain('palette.door')
    const access = (note: string) =>
      codesOf(change(step, [add('constraint', newId(), { roomId: null, reason: 'access', forbids: 'drill', note })]))
    expect(access('She sees little in the evening')).toContain('palette.door')
    expect(access('The stair is narrow at the turn')).not.toContain('palette.door')
  })
})

it('a makeover without a finish has nothing to say of its palette, and a piece that costs nothing ties as any other', () => {
  expect(codesOf(world.begun)).toEqual([])
  const documents = world.with(
    finish('Rust', '#a84f33', { role: 'accent' }),
    piece('Quilt', '#a84f33', { allowanceMinor: minor(0) }),
  )
  expect(reckoned(documents).palette.ties).toMatchObject([{ pieceId: idOf('Quilt'), tied: 1 }])
})

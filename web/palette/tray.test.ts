import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { roles } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { layTray } from './tray.ts'

const finish = fc.record({ role: fc.constantFrom(...roles), visibleM2: fc.option(fc.double({ min: 0.01, max: 400, noNaN: true })) })
const rows = (list: { role: Row<'finish'>['role']; visibleM2: number | null }[]): Row<'finish'>[] =>
  list.map((one, at) => ({ ...blank.finish, ...one, id: String(at), version: '', roomId: '', name: `${at}`, family: 'paint', sheen: 'matt', labL: 50, labA: 0, labB: 0, colourSource: 'hex', usedFor: '' }))

describe('the tray', () => {
  it('is filled by its finishes without gap or overlap, whatever their areas', () => {
    fc.assert(
      fc.property(fc.array(finish, { minLength: 1, maxLength: 24 }), fc.double({ min: 0.5, max: 3, noNaN: true }), (list, aspect) => {
        const { places, columns } = layTray(rows(list), aspect)
        expect(places).toHaveLength(list.length)
        expect(places.reduce((sum, place) => sum + place.width * place.height, 0)).toBeCloseTo(1, 6)
        expect(columns.reduce((sum, column) => sum + column.width, 0)).toBeCloseTo(1, 6)
        for (const [at, one] of places.entries()) {
          expect(one.left).toBeGreaterThan(-1e-9)
          expect(one.left + one.width).toBeLessThan(1 + 1e-9)
          expect(one.top + one.height).toBeLessThan(1 + 1e-9)
          for (const other of places.slice(at + 1)) {
            const across = Math.min(one.left + one.width, other.left + other.width) - Math.max(one.left, other.left)
            const down = Math.min(one.top + one.height, other.top + other.height) - Math.max(one.top, other.top)
            expect(Math.min(across, down)).toBeLessThan(1e-9)
          }
        }
      }),
    )
  })
  it('shows finishes by their area, and says which are drawn larger than they are', () => {
    const { places, columns } = layTray(rows([{ role: 'dominant', visibleM2: 60 }, { role: 'secondary', visibleM2: 39.9 }, { role: 'accent', visibleM2: 0.1 }]), 2)
    expect(places.map((place) => place.smallest)).toEqual([false, false, true])
    expect(columns.map((column) => Math.round(column.share * 1000))).toEqual([600, 399, 1])
    const [wide, narrow] = places
    expect((wide?.width ?? 0) / (narrow?.width ?? 1)).toBeCloseTo(60 / 39.9, 6)
  })
})

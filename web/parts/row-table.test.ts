import { mount } from '@vue/test-utils'
import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { minor } from '#core/money/minor.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import RowTable from './RowTable.vue'
import { inGroups, sortValue, words, wordsOf, type Column } from './row-table.ts'

type Line = { readonly id: string; readonly name: string; readonly sum: number; readonly on: string | null }
const lines: readonly Line[] = [
  { id: 'a', name: 'Elm bench', sum: 900, on: '2027-03-02' },
  { id: 'b', name: 'Ash stool', sum: 12_50, on: null },
  { id: 'c', name: 'ash table', sum: 100, on: '2026-12-30' },
]
const columns: readonly Column<Line>[] = [
  { id: 'name', title: 'What', cell: ({ name }) => words(name) },
  { id: 'sum', title: 'Sum', cell: ({ sum }) => ({ amount: minor(sum) }), number: true },
  { id: 'on', title: 'Day', cell: ({ on }) => (on === null ? null : { date: plainDate(on) }), aside: true },
]
const table = (shown: readonly Line[] = lines, more: object = {}) =>
  mount(RowTable as unknown as new () => { $props: Record<string, unknown> }, {
    props: { lines: shown, columns, name: 'things', few: 0, ...more },
    global: { stubs: { ElInput: true, ElPopover: true, ElCheckbox: true } },
  })
const names = (found: ReturnType<typeof table>): string[] => found.findAll('tbody td.name').map((cell) => cell.text())

describe('a table of rows', () => {
  beforeEach(() => localStorage.clear())
  it('stands as it is given, and is sorted by a head: up, down, and as it was', async () => {
    const found = table()
    expect(names(found)).toEqual(['Elm bench', 'Ash stool', 'ash table'])
    const head = found.findAll('th button')[0]
    await head?.trigger('click')
    expect(names(found)).toEqual(['Ash stool', 'ash table', 'Elm bench'])
    expect(found.find('th').attributes('aria-sort')).toBe('ascending')
    await head?.trigger('click')
    expect(names(found)).toEqual(['Elm bench', 'ash table', 'Ash stool'])
    await head?.trigger('click')
    expect(names(found)).toEqual(['Elm bench', 'Ash stool', 'ash table'])
  })
  it('sorts amounts as amounts', async () => {
    const found = table()
    await found.findAll('th button')[1]?.trigger('click')
    expect(names(found)).toEqual(['ash table', 'Elm bench', 'Ash stool'])
  })
  it('leaves out a column that was put aside, and sorts by it all the same', () => {
    const found = table(lines, { sorted: '-on' })
    expect(found.findAll('th')).toHaveLength(2)
    expect(names(found)).toEqual(['Ash stool', 'Elm bench', 'ash table'])
  })
  it('chooses the line that is clicked, and the next with the arrow down', async () => {
    const found = table(lines, { chosen: 'a' })
    await found.findAll('tbody tr')[0]?.trigger('keydown', { key: 'ArrowDown' })
    await found.findAll('tbody tr')[2]?.trigger('click')
    expect(found.emitted('choose')).toEqual([['b'], ['c']])
  })
})

it('sorts what is not there last, and words whatever their case', () => {
  expect(
    [null, words('b'), words('A')].toSorted((left, right) => (sortValue(left) < sortValue(right) ? -1 : 1)),
  ).toEqual([words('A'), words('b'), null])
})
it('searches the words of all columns, and no numbers', () => {
  expect(wordsOf(lines[0] as Line, columns)).toContain('elm bench')
  expect(wordsOf(lines[0] as Line, columns)).not.toContain('900')
})

describe('lines in groups', () => {
  it('stand below a head each, in the order of the groups, and none is lost', () => {
    const line = fc.record({ id: fc.uuid(), group: fc.constantFrom('a', 'b', 'c', 'elsewhere') })
    fc.assert(
      fc.property(fc.uniqueArray(line, { selector: ({ id }) => id, maxLength: 20 }), (lines) => {
        const items = inGroups(lines, ['c', 'a', 'b'], ({ group }) => group)
        const heads = items.filter(({ head }) => head).map(({ group }) => group)
        expect(heads).toEqual(['c', 'a', 'b', 'elsewhere'].filter((group) => lines.some((row) => row.group === group)))
        for (const group of heads)
          expect(items.filter((item) => !item.head && item.group === group).map(({ line: row }) => row)).toEqual(
            lines.filter((row) => row.group === group),
          )
        expect(items).toHaveLength(lines.length + heads.length)
        expect(new Set(items.map(({ id }) => id)).size).toBe(items.length)
      }),
    )
  })
})

/** What cures remarks on the palette: the least change of a colour, or of what is laid where. */
import { edit } from '../makeover/change.ts'
import type { Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Remedies } from '../remarks/remedy.ts'
import type { catalogue } from './catalogue.ts'
import { balanceCures, clashCures, staysBecause } from './cure.ts'
import type { Palette } from './finishes.ts'

type Has = { readonly palette: Palette; readonly practice: Practice }

export const paletteRemedies = {
  clash: {
    words: 'Cure it',
    find: ({ subjects }: Remark, makeover: Makeover, { practice }: Has) =>
      clashCures(makeover, { left: subjects[0]?.id ?? '', right: subjects[1]?.id ?? '' }, practice),
  },
  balance: {
    words: 'What would bring it right',
    find: (_remark: Remark, makeover: Makeover, { palette, practice }: Has) =>
      balanceCures(makeover, palette, practice),
  },
  trim: {
    words: 'Give it the colour of the wall',
    find: ({ subjects }, makeover) => {
      const [trim, wall] = subjects.map(({ id }) => makeover.rows.finish[id])
      return trim && wall && staysBecause(makeover, trim) === null
        ? [
            {
              title: `Gave ${trim.name} the colour of ${wall.name}`,
              detail: 'Trim and wall are then one colour; the sheen stays as it is.',
              operations: [
                edit('finish', trim, {
                  labL: wall.labL,
                  labA: wall.labA,
                  labB: wall.labB,
                  colourSource: wall.colourSource,
                }),
              ],
            },
          ]
        : []
    },
  },
  'before-wall': {
    words: 'Say what is meant',
    find: ({ subjects }, makeover) =>
      subjects.slice(0, 1).flatMap(({ kind, id }) => {
        const row = kind === 'piece' || kind === 'finish' ? makeover.rows[kind][id] : undefined
        if (!row) return []
        const camouflaged = kind === 'finish' ? makeover.rows.finish[id] : undefined
        if (camouflaged?.fate === 'camouflage')
          return [
            {
              title: `${row.name} stays as it is, and is not camouflaged`,
              detail: 'It may stand out.',
              operations: [edit('finish', camouflaged, { fate: 'keep' as const, hides: false })],
            },
          ]
        return [
          {
            title: row.hides ? `${row.name} is not meant to hide` : `${row.name} is meant to hide before its wall`,
            detail: row.hides ? 'It may stand out.' : 'It may be one with its wall.',
            operations: [
              kind === 'piece'
                ? edit('piece', makeover.rows.piece[id] ?? never(), { hides: !row.hides })
                : edit('finish', makeover.rows.finish[id] ?? never(), { hides: !row.hides }),
            ],
          },
        ]
      }),
  },
  'one-accent': {
    words: 'Let one of them lead',
    find: ({ subjects }, makeover, { palette }: Has) => {
      const groups = subjects.map(({ id }) => palette.colours.find((group) => group.includes(id)) ?? [id])
      return groups.flatMap((kept) => {
        const others = groups.flatMap((group) => (group === kept ? [] : group))
        const rows = others.flatMap((id) => makeover.rows.finish[id] ?? []).filter((row) => row.role === 'accent')
        const leads = makeover.rows.finish[kept[0] ?? '']
        return leads && rows.length > 0
          ? [
              {
                title: `${leads.name} is the accent`,
                detail: `${rows.map((row) => row.name).join(', ')} become secondary.`,
                operations: rows.map((row) => edit('finish', row, { role: 'secondary' as const })),
              },
            ]
          : []
      })
    },
  },
  'accent-on-cloth': {
    words: 'Make it secondary',
    find: ({ subjects }, makeover) =>
      subjects.flatMap(({ id }) => {
        const row = makeover.rows.finish[id]
        return row
          ? [
              {
                title: `${row.name} is secondary`,
                detail: 'The accent is then left to greenery, art or the window.',
                operations: [edit('finish', row, { role: 'secondary' as const })],
              },
            ]
          : []
      }),
  },
} as const satisfies Partial<Record<keyof typeof catalogue, Remedies>>

const never = (): never => {
  throw new Error('a row that was just found is there')
}

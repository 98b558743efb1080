/** What the chosen school of colours holds a palette to: shares, counts, and what is its own. */
import { besideLimit } from '../../measure/quantity.ts'
import { byId } from '../../makeover/by-id.ts'
import { deltaE } from '../../colour/difference.ts'
import { chroma } from '../../colour/lab.ts'
import { paletteFinishes, liesOn, laidFinish, type LaidFinish } from '../../makeover/laid.ts'
import type { Remark } from '../../remarks/remark.ts'
import { remark } from '../catalogue.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import { schoolOf } from '../../rulebook/schools.ts'
import { labOf } from '../colour-of.ts'
import { type Checks, capital, percent, saidBy, subjectOf, whole } from './said.ts'
import { envelope } from './envelope.ts'
import { soft } from './said.ts'

export const schoolRemarks: Checks = (makeover, palette, practice) => [
  ...balance(makeover, palette, practice),
  ...counts(makeover, palette, practice),
  ...(practice.chosen.includes('colours')
    ? (ownChecks[practice.schools.colours]?.(makeover, palette, practice) ?? [])
    : []),
  ...trims(makeover, palette, practice),
]

/** The shares of what is seen against the targets of the school. */
const balance: Checks = (makeover, palette, practice) => {
  const { rules, chosen } = practice
  if (!chosen.includes('colours') || !palette.balance.held || palette.finishes.length < 3) return []
  const { typical } = palette.balance.rests
  const rests = typical > 0 ? ` ${percent(typical)} of the area is typical of an ordinary room and not measured.` : ''
  return palette.balance.roles.flatMap(({ role, share, target, off }) => {
    if (off === 0) return []
    return [
      remark({
        code: 'balance',
        weight: typical > 0.2 ? 'note' : 'look',
        subjects: whole(makeover),
        title: `${capital(role)} is ${besideLimit(share, share > target ? target + rules[`balance.grace-${role}`] : target - rules[`balance.grace-${role}`])} % of what is seen`,
        sentence: `${saidBy(practice)} it should be about ${target} %, within ${citeRule(`balance.grace-${role}`, rules)}. ${share > target ? 'Take some of it back, or give another colour more room.' : 'Give it more to cover, or let something else step back.'}${rests}`,
        rule: `balance.${role}`,
        numbers: [role, share],
      }),
    ]
  })
}

/** How many colours and strong colours there are, as the school counts them. */
const counts: Checks = (makeover, palette, practice) => {
  const { rules } = practice
  const remarks: Remark[] = []
  const list = (groups: readonly (readonly string[])[]): string =>
    groups.map(([id = '']) => makeover.rows.finish[id]?.name ?? makeover.rows.piece[id]?.name ?? '').join(', ')
  const [most, mostStrong] = [rules['palette.most-colours'], rules['palette.most-strong']]
  if (palette.colours.length > most)
    remarks.push(
      remark({
        code: 'many-colours',
        subjects: whole(makeover),
        title: `${palette.colours.length} colours, where ${most} are meant`,
        sentence: `${saidBy(practice)} that is too many: ${list(palette.colours)}. Woods, metals and greenery are not counted. Let one go, or bring it to another.`,
        numbers: [palette.colours.length],
      }),
    )
  const shares = new Map(palette.finishes.map(({ id, share }) => [id, share]))
  const shareOf = (group: readonly string[]): number => group.reduce((total, id) => total + (shares.get(id) ?? 0), 0)
  const keepOf = (groups: readonly (readonly string[])[]): string =>
    list(groups.toSorted((left, right) => shareOf(right) - shareOf(left)).slice(0, 1))
  const strong =
    practice.schools.colours === 'quiet'
      ? palette.strong.filter(
          (group) => !group.every((id) => mayCarryColour(laidFinish(makeover, id)) || palette.told.get(id)?.brings),
        )
      : palette.strong
  if (strong.length > mostStrong)
    remarks.push(
      remark({
        code: 'many-strong',
        subjects: whole(makeover),
        title: `${strong.length} strong ${strong.length === 1 ? 'colour' : 'colours'}, where ${mostStrong === 0 ? 'none is' : `${mostStrong} ${mostStrong === 1 ? 'is' : 'are'}`} meant`,
        sentence: `${saidBy(practice)}: ${list(strong)}. ${mostStrong === 1 ? `Keep ${keepOf(strong)}, which is seen most, and let ${strong.length === 2 ? 'the other' : `the other ${strong.length - 1}`} go.` : ''} The rest should be near-neutral, under ${citeRule('colour.near-neutral', rules)}.`,
        numbers: [strong.length],
      }),
    )
  return remarks
}

/** In quiet layers colour comes from greenery, art and the window. */
const mayCarryColour = (row: LaidFinish | undefined): boolean =>
  row !== undefined && (row.family === 'greenery' || row.family === 'paper' || liesOn(row, 'window'))

/** Exactly two and one: two main colours, and one accent apart from them. */
const twoAndOne: Checks = (makeover, palette, practice) => {
  const roleOf = (id: string) => makeover.rows.finish[id]?.role
  const main = palette.colours.filter((group) => group.some((id) => roleOf(id) !== 'accent'))
  const accents = palette.colours.filter((group) => group.every((id) => roleOf(id) === 'accent'))
  const name = (groups: readonly (readonly string[])[]): string =>
    groups.map((group) => makeover.rows.finish[group[0] ?? '']?.name ?? '').join(', ')
  const remarks: Remark[] = []
  if (palette.finishes.length >= 3 && main.length < 2)
    remarks.push(
      remark({
        code: 'two-mains',
        subjects: whole(makeover),
        title: main.length === 0 ? 'No main colour yet' : 'One main colour, where two are meant',
        sentence: `${saidBy(practice)} two colours carry the room and an accent stands beside them. ${main.length === 0 ? 'Lay the first.' : `Beside ${name(main)} a second is to come.`}`,
        numbers: [main.length],
      }),
    )
  if (accents.length > 1)
    remarks.push(
      remark({
        code: 'one-accent',
        subjects: accents.flatMap((group) => group.slice(0, 1).map((id) => ({ kind: 'finish' as const, id }))),
        title: `${accents.length} accents, where one is meant`,
        sentence: `${saidBy(practice)} there is one: ${name(accents)}. The accent may change later and the rest stays; two of them never change together.`,
        numbers: [accents.length],
      }),
    )
  return remarks
}

const neutralsAndOne: Checks = (makeover, palette, practice) =>
  palette.finishes.length >= 3 && palette.strong.length === 0
    ? [
        remark({
          code: 'no-pop',
          subjects: whole(makeover),
          title: 'Neutrals, and no colour among them yet',
          sentence: `${saidBy(practice)} one colour of ${citeRule('colour.near-neutral', practice.rules)} or more stands among the neutrals.`,
          numbers: [0],
        }),
      ]
    : []

/** Cloth stays pale where interest comes from texture. */
const quiet: Checks = (makeover, palette, practice) => {
  const dark = paletteFinishes(makeover).filter(
    (row) =>
      soft.has(row.family) &&
      (byId(palette.finishes, row.id)?.lrv ?? 100) < practice.rules['quiet.soft'] &&
      !liesOn(row, 'floor') &&
      !mayCarryColour(row),
  )
  return dark.map((row) =>
    remark({
      code: 'quiet-cloth',
      subjects: [subjectOf(row)],
      title: `${row.name} is dark for a quiet room`,
      sentence: `${saidBy(practice)} cushions and cloth are pale: at least ${citeRule('quiet.soft', practice.rules)}. Let texture do it, or carry the dark in greenery, art or at the window.`,
      numbers: [row.labL],
    }),
  )
}

const ownChecks: Readonly<Record<string, Checks>> = {
  'two-and-one': twoAndOne,
  'neutrals-and-one': neutralsAndOne,
  quiet,
  envelope,
}

/** Trim against walls, as its school has it. */
const trims: Checks = (makeover, palette, { rules, schools, chosen }) => {
  const finishes = paletteFinishes(makeover)
  return finishes
    .filter((row) => liesOn(row, 'trim'))
    .flatMap((trim) => {
      const wall = finishes.find((row) => liesOn(row, 'walls') && row.roomId === trim.roomId)
      if (!wall) return []
      const apart = deltaE(labOf(trim), labOf(wall))
      if (schools.trim === 'same' && apart > rules['colour.at-a-glance'])
        return [
          remark({
            code: 'trim',
            subjects: [subjectOf(trim), subjectOf(wall)],
            title: `${trim.name} parts from the wall`,
            sentence: `By the school “${schoolOf('trim', schools.trim).name}” trim and wall are one colour; these part at a glance.`,
            numbers: [apart],
          }),
        ]
      const white = trim.labL >= rules['colour.white-from'] && chroma(labOf(trim)) < rules['colour.near-neutral']
      if (schools.trim === 'soft-white' && chosen.includes('trim') && !white)
        return [
          remark({
            code: 'trim-white',
            subjects: [subjectOf(trim)],
            title: `${trim.name} is no soft white`,
            sentence: `By the school “${schoolOf('trim', schools.trim).name}” trim is a white from ${citeRule('colour.white-from', rules)}, under ${citeRule('colour.near-neutral', rules)}.`,
            numbers: [trim.labL, chroma(labOf(trim))],
          }),
        ]
      return []
    })
}

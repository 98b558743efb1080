import { type Makeover, paletteFinishes, rowsOf } from '../makeover/document.ts'
import { remark, type Remark } from '../remarks/remark.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import { isKeepsake } from '../brief/index.ts'
import { deltaE } from '../colour/difference.ts'
import { splitSeveral } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Practice } from '../rulebook/practice.ts'
import { schoolOf } from '../rulebook/schools.ts'
import { labOf, type Palette, type PairClash } from './finishes.ts'

const nouns = { woods: 'woods', metals: 'metals', greenery: 'greens', neutrals: 'near-neutrals' } as const
const why = {
  woods: 'Depth may differ, undertone should not: pull one towards the other, or part them with a rug or a painted thing.',
  metals: 'Let one lead, and bring the other to its side of yellow.',
  greenery: 'Keep the leaves on one side of green.',
  neutrals: 'Side by side the warmer one looks dirty and the cooler one cold: bring one to the other’s side.',
} as const

/** What the palette gives cause to say. */
export function paletteRemarks(makeover: Makeover, palette: Palette, practice: Practice): Remark[] {
  const { rules, schools } = practice
  const byId = new Map(palette.finishes.map((one) => [one.id, one]))
  const clashes = palette.clashes.flatMap((pair: PairClash) => {
    const one = byId.get(pair.one)
    const other = byId.get(pair.other)
    const group = one?.undertone.group
    if (!one || !other || !group) return []
    const kept = [pair.one, pair.other].filter((id) => isKeepsake(makeover, makeover.rows.finish[id]?.pieceId ?? null)).map((id) => byId.get(id)?.name ?? '')
    if (kept.length > 0 && schools.keepsakes === 'away') return []
    const stays = kept.length > 0 ? ` ${kept.join(' and ')} stays as it is: bring the other to its side.` : ` ${why[group]}`
    return [
      remark({
        code: 'palette.clash',
        weight: 'look',
        step: 'palette',
        subjects: [
          { kind: 'finish', id: pair.one },
          { kind: 'finish', id: pair.other },
        ],
        title: `${one.name} and ${other.name}: two ${nouns[group]} of different undertone`,
        sentence: `${one.name} is ${one.undertone.words}, ${other.name} ${other.undertone.words}. They part by ${pair.measured.toFixed(1)} ${pair.measure}; from ${citeRule(pair.rule, rules)} two ${nouns[group]} clash.${stays}`,
        rule: pair.rule,
        numbers: [pair.measured, pair.hueApart],
      }),
    ]
  })
  const unseen = paletteFinishes(makeover).flatMap((row) => {
    if (byId.get(row.id)?.showable !== false) return []
    return [
      remark({
        code: 'palette.outside-screen',
        weight: 'note',
        step: 'palette',
        subjects: [{ kind: 'finish', id: row.id }],
        title: `${row.name} is beyond what a screen can show`,
        sentence: 'It is drawn as the nearest colour of the same lightness and hue. Its numbers stay as they were given; judge it by a sample.',
        rule: null,
        numbers: [row.labL, row.labA, row.labB],
      }),
    ]
  })
  return [...clashes, ...balance(makeover, palette, practice), ...counts(makeover, palette, practice), ...accents(makeover, palette, practice), ...trims(makeover, practice), ...patternRemarks(makeover), ...againstWalls(makeover, palette, practice), ...sampleRemarks(makeover), ...unseen]
}

const whole = (makeover: Makeover) => [{ kind: 'makeover' as const, id: makeover.id }]
const saidBy = ({ schools }: Practice): string => `By the school “${schoolOf('colours', schools.colours).name}”`

/** Sixty, thirty, ten: the shares of the judged area against their targets. */
function balance(makeover: Makeover, palette: Palette, practice: Practice): Remark[] {
  const { rules, schools, chosen } = practice
  if (!chosen.includes('colours') || schools.colours !== 'sixty-thirty-ten' || palette.finishes.length < 3 || palette.judged * 5 < palette.finishes.length * 4) return []
  return (['dominant', 'secondary', 'accent'] as const).flatMap((role) => {
    const [share, target, grace] = [100 * palette.shares[role], rules[`balance.${role}`], rules[`balance.grace-${role}`]]
    if (Math.abs(share - target) <= grace) return []
    return [remark({ code: 'palette.balance', weight: 'look', step: 'palette', subjects: whole(makeover), title: `${role.replace(/^./, (letter) => letter.toUpperCase())} is ${Math.round(share)} % of what is seen`, sentence: `${saidBy(practice)} it should be about ${target} %, within ${citeRule(`balance.grace-${role}`, rules)}. ${share > target ? 'Take some of it back, or give another colour more room.' : 'Give it more to cover, or let something else step back.'}`, rule: `balance.${role}`, numbers: [role, share] })]
  })
}

/** How many colours, metals and textures there are, as the school counts them. */
function counts(makeover: Makeover, palette: Palette, practice: Practice): Remark[] {
  const { rules } = practice
  const remarks: Remark[] = []
  const name = (id: string): string => makeover.rows.finish[id]?.name ?? ''
  const list = (groups: readonly (readonly string[])[]): string => groups.map((group) => name(group[0] ?? '')).join(', ')
  if (palette.colours.length > rules['palette.most-colours'])
    remarks.push(remark({ code: 'palette.many-colours', weight: 'look', step: 'palette', subjects: whole(makeover), title: `${palette.colours.length} colours, where ${rules['palette.most-colours']} are meant`, sentence: `${saidBy(practice)} that is too many: ${list(palette.colours)}. Woods, metals and greenery are not counted. Let one go, or bring it to another.`, rule: 'palette.most-colours', numbers: [palette.colours.length] }))
  if (palette.strong.length > rules['palette.most-strong'])
    remarks.push(remark({ code: 'palette.many-strong', weight: 'look', step: 'palette', subjects: whole(makeover), title: `${palette.strong.length} strong ${palette.strong.length === 1 ? 'colour' : 'colours'}, where ${rules['palette.most-strong'] === 0 ? 'none is' : `${rules['palette.most-strong']} ${rules['palette.most-strong'] === 1 ? 'is' : 'are'}`} meant`, sentence: `${saidBy(practice)}: ${list(palette.strong)}. The rest should be near-neutral, under ${citeRule('colour.near-neutral', rules)}.`, rule: 'palette.most-strong', numbers: [palette.strong.length] }))
  const metals = paletteFinishes(makeover).filter((row) => row.family === 'metal').reduce<Row<'finish'>[]>((kinds, row) => (kinds.some((one) => deltaE(labOf(one), labOf(row)) <= rules['tie.same'] && one.sheen === row.sheen) ? kinds : [...kinds, row]), [])
  if (metals.length > rules['palette.most-metals'])
    remarks.push(remark({ code: 'palette.many-metals', weight: 'look', step: 'palette', subjects: metals.map((row) => ({ kind: 'finish' as const, id: row.id })), title: `${metals.length} metals, where ${rules['palette.most-metals']} ${rules['palette.most-metals'] === 1 ? 'is' : 'are'} enough`, sentence: `${metals.map((row) => row.name).join(', ')}. ${citeRule('palette.most-metals', rules)}: let one lead, and take one away.`, rule: 'palette.most-metals', numbers: [metals.length] }))
  const textures = new Set(paletteFinishes(makeover).map((row) => row.family))
  if (palette.finishes.length >= 4 && textures.size < rules['palette.least-textures'])
    remarks.push(remark({ code: 'palette.few-textures', weight: 'note', step: 'palette', subjects: whole(makeover), title: `${textures.size} ${textures.size === 1 ? 'texture' : 'textures'} in all`, sentence: `Only ${[...textures].join(' and ')}. ${citeRule('palette.least-textures', rules)} keep a room from looking flat: woven, plush, wood, metal, ceramic, plant.`, rule: 'palette.least-textures', numbers: [textures.size] }))
  return remarks
}

const materials = new Set(['wood', 'metal', 'stone', 'greenery', 'cane', 'glass'])
/** Colours that appear too seldom, and accents where the school does not want them. */
function accents(makeover: Makeover, palette: Palette, practice: Practice): Remark[] {
  const { rules, schools } = practice
  const least = rules['palette.least-appearances']
  return palette.finishes.flatMap((finish) => {
    const row = makeover.rows.finish[finish.id]
    // in an eclectic room every colour is repeated; wood, metal, stone and leaves are materials rather than colours
    if (!row || row.surface === 'ceiling' || (finish.role !== 'accent' && (schools.colours !== 'eclectic' || materials.has(row.family)))) return []
    const subjects = [{ kind: 'finish' as const, id: finish.id }]
    const remarks: Remark[] = []
    const places = finish.appears.length
    if (places < least)
      remarks.push(remark({ code: 'palette.appears-seldom', weight: places === 1 ? 'look' : 'note', step: 'palette', subjects, title: `${finish.name} appears ${places === 1 ? 'once' : places === 2 ? 'twice' : `${places} times`}`, sentence: `${places === 1 ? 'What appears once looks like a mistake. ' : ''}${citeRule('palette.least-appearances', rules)} look meant: bring it in again, in another part of the room and at another height.`, rule: 'palette.least-appearances', numbers: [places] }))
    if (finish.role === 'accent' && schools.accent === 'never-cushions' && ['textile', 'plush'].includes(row.family))
      remarks.push(remark({ code: 'palette.accent-on-cloth', weight: 'look', step: 'palette', subjects, title: `${finish.name} is an accent on cloth`, sentence: `By the school “${schoolOf('accent', schools.accent).name}” cushions stay quiet: let greenery, art or the window carry it.`, rule: null, numbers: [row.family] }))
    return remarks
  })
}

/** Trim against walls, as the school has it. */
function trims(makeover: Makeover, { rules, schools }: Practice): Remark[] {
  const finishes = paletteFinishes(makeover)
  return finishes.filter((row) => row.surface === 'trim').flatMap((trim) => {
    const wall = finishes.find((row) => row.surface === 'walls' && row.roomId === trim.roomId)
    if (!wall || schools.trim !== 'same') return []
    const apart = deltaE(labOf(trim), labOf(wall))
    if (apart <= rules['colour.at-a-glance']) return []
    return [remark({ code: 'palette.trim', weight: 'look', step: 'palette', subjects: [{ kind: 'finish', id: trim.id }, { kind: 'finish', id: wall.id }], title: `${trim.name} parts from the wall`, sentence: `By the school “${schoolOf('trim', schools.trim).name}” trim and wall are one colour; these part by ΔE ${apart.toFixed(1)}, seen at a glance from ${citeRule('colour.at-a-glance', rules)}.`, rule: 'colour.at-a-glance', numbers: [apart] })]
  })
}

/** Patterns of one room should differ in scale, and share a colour. */
function patternRemarks(makeover: Makeover): Remark[] {
  const patterned = paletteFinishes(makeover).filter((row) => row.pattern !== 'plain')
  const partsOf = (id: string): Set<string> => new Set([id, ...rowsOf(makeover, 'patternPart').filter((part) => part.finishId === id).map((part) => part.partId)])
  return patterned.flatMap((one, at) =>
    patterned.slice(at + 1).flatMap((other) => {
      if (one.roomId !== other.roomId) return []
      const subjects = [{ kind: 'finish' as const, id: one.id }, { kind: 'finish' as const, id: other.id }]
      const shared = [...partsOf(one.id)].some((id) => partsOf(other.id).has(id))
      const remarks: Remark[] = []
      if (one.patternScale !== null && one.patternScale === other.patternScale)
        remarks.push(remark({ code: 'palette.pattern-scale', weight: 'note', step: 'palette', subjects, title: `${one.name} and ${other.name}: two ${one.patternScale} patterns`, sentence: 'Patterns of one size compete: one large, one medium, one small is common practice.', rule: null, numbers: [one.patternScale] }))
      if (!shared) remarks.push(remark({ code: 'palette.pattern-apart', weight: 'note', step: 'palette', subjects, title: `${one.name} and ${other.name} share no colour`, sentence: 'Patterns that hold one colour in common look chosen together. Say which palette colours each carries, or let one go plain.', rule: null, numbers: ['none'] }))
      return remarks
    }),
  )
}

/** Pieces that disappear before their wall, and doors that cannot be told from it. */
function againstWalls(makeover: Makeover, palette: Palette, { rules }: Practice): Remark[] {
  const pieces = palette.walls.flatMap((one) => {
    const [piece, wall] = [makeover.rows.piece[one.pieceId], makeover.rows.finish[one.wallId]]
    if (!piece || !wall || one.reads !== (piece.hides ? 'stands out' : 'disappears')) return []
    return [
      remark({
        code: 'palette.before-wall',
        weight: piece.hides ? 'note' : 'look',
        step: 'palette',
        subjects: [{ kind: 'piece', id: piece.id }, { kind: 'finish', id: wall.id }],
        title: piece.hides ? `${piece.name}: seen before ${wall.name}` : `${piece.name}: lost before ${wall.name}`,
        sentence: piece.hides
          ? `It is meant to hide, and is ${Math.abs(one.lighter).toFixed(0)} lighter or darker than the wall; over ${citeRule('wall.stand-out', rules)} a thing stands out.`
          : `They part by ΔE ${one.deltaE.toFixed(1)} and ${Math.abs(one.lighter).toFixed(0)} in lightness; under ${citeRule('wall.vanish-difference', rules)} a piece is lost before its wall. Choose it lighter or darker, or say that it is meant to hide.`,
        rule: piece.hides ? 'wall.stand-out' : 'wall.vanish-difference',
        numbers: [one.deltaE, one.lighter],
      }),
    ]
  })
  const seen = rowsOf(makeover, 'constraint').some((row) => row.reason === 'access')
  const finishes = paletteFinishes(makeover)
  const doors = !seen ? [] : finishes.filter((row) => row.surface === 'door').flatMap((door) => {
    const wall = finishes.find((row) => row.surface === 'walls' && row.roomId === door.roomId)
    const value = (id: string): number => palette.finishes.find((one) => one.id === id)?.lrv ?? 0
    const apart = wall ? Math.abs(value(door.id) - value(wall.id)) : 100
    if (!wall || apart >= rules['door.contrast']) return []
    return [remark({ code: 'palette.door', weight: 'look', step: 'palette', subjects: [{ kind: 'finish', id: door.id }, { kind: 'finish', id: wall.id }], title: `${door.name} is hard to tell from ${wall.name}`, sentence: `They part by ${apart.toFixed(0)} points of LRV, an estimate; people who see little want ${citeRule('door.contrast', rules)}.`, rule: 'door.contrast', numbers: [apart] })]
  })
  return [...pieces, ...doors]
}

/** A sample is judged in the room, by evening light too. */
function sampleRemarks(makeover: Makeover): Remark[] {
  return rowsOf(makeover, 'sample').flatMap((row) => {
    const finish = makeover.rows.finish[row.finishId]
    const seen = splitSeveral(row.seenIn)
    if (!finish || row.verdict === 'wrong') return []
    const subjects = [{ kind: 'finish' as const, id: finish.id }]
    if (row.cameOn === null || seen.includes('evening') || seen.includes('lamp')) return []
    return [remark({ code: 'palette.sample-evening', weight: 'note', step: 'palette', subjects, title: `${finish.name}: the sample was not seen by evening light`, sentence: `${seen.length > 0 ? `It was seen at ${seen.join(', ')}.` : 'It came and was not looked at yet.'} Put it up on each wall, and look again in the evening and by lamp.`, rule: null, numbers: [row.seenIn] })]
  })
}


import { writeLength, type UnitSystem } from '../measure/length.ts'

/**
 * Every default number of the trade that the computation uses, with its unit, where it comes from, and why.
 * `mark`: std = a published standard; trade = common practice, no source; mem = a published source quoted from
 * memory; own = our own choice. A studio or a makeover may override any of them.
 */
export type Mark = 'std' | 'trade' | 'mem' | 'own'
export type Rule = { readonly value: number; readonly unit: string; readonly mark: Mark; readonly why: string }

export const rulebook = {
  'brief.contingency-decorate': {
    value: 10,
    unit: '%',
    mark: 'trade',
    why: 'Of the sum, for what nobody foresees, where a room is only decorated.',
  },
  'brief.contingency-refresh': {
    value: 15,
    unit: '%',
    mark: 'trade',
    why: 'Where paint, textiles and lights are renewed.',
  },
  'brief.contingency-renovate': {
    value: 20,
    unit: '%',
    mark: 'trade',
    why: 'Where walls are opened, or the house is old.',
  },
  'survey.sigma': {
    value: 2,
    unit: 'mm',
    mark: 'own',
    why: 'How well a length is read off a tape, as one standard deviation, before its length counts.',
  },
  'survey.sigma-per-metre': {
    value: 0.5,
    unit: 'mm a metre',
    mark: 'own',
    why: 'What sag, slope and stretch add for each metre.',
  },
  'survey.sigma-angle': {
    value: 0.5,
    unit: '°',
    mark: 'own',
    why: 'How square a corner that is taken for square is, as one standard deviation.',
  },
  'survey.misclosure': {
    value: 25,
    unit: 'mm',
    mark: 'own',
    why: 'A walk round that misses its start by more is measured again.',
  },
  'survey.misclosure-ratio': {
    value: 600,
    unit: 'of the perimeter',
    mark: 'own',
    why: 'In a large room one part in so many may be missing.',
  },
  'survey.suspicious': {
    value: 3.29,
    unit: 'standard deviations',
    mark: 'mem',
    why: 'A length that the others contradict by more is suspected: Baarda’s critical value, which a right length passes once in a thousand.',
  },
  'survey.leads': {
    value: 2.58,
    unit: 'standard deviations',
    mark: 'own',
    why: 'A suspect is named alone where leaving it out mends the fit by so much more than leaving out the next: the root of the difference of their squares. Of two, the wrong one is then named once in two hundred at most.',
  },
  'survey.off-square': {
    value: 0.5,
    unit: '°',
    mark: 'own',
    why: 'A corner further out of square is said, for what is fitted into it.',
  },
  'survey.test-legs': {
    value: 1000,
    unit: 'mm',
    mark: 'own',
    why: 'A corner is tested along at least so much of both its walls: shorter legs cannot tell.',
  },
  'survey.headroom': {
    value: 1900,
    unit: 'mm',
    mark: 'trade',
    why: 'Under a slope the floor counts to stand on where the ceiling is this high.',
  },
  'survey.turn-grace': {
    value: 5,
    unit: '°',
    mark: 'own',
    why: 'The corners of a closed room turn once round, within this.',
  },
  'survey.edge-grace': {
    value: 10,
    unit: 'mm',
    mark: 'own',
    why: 'What reaches past a corner or over another thing by less is put down to the tape.',
  },
  'survey.shared-grace': {
    value: 25,
    unit: 'mm',
    mark: 'own',
    why: 'One opening measured from two rooms may differ by this.',
  },
  'survey.skirting-height': {
    value: 120,
    unit: 'mm',
    mark: 'own',
    why: 'For the area of trim, and for what breaks the skirting.',
  },
  'survey.casing-width': { value: 70, unit: 'mm', mark: 'own', why: 'For the area of trim round doors and windows.' },
  'survey.wall-thickness': {
    value: 120,
    unit: 'mm',
    mark: 'own',
    why: 'Between two rooms, and as drawn, where no reveal says how thick a wall is.',
  },
  'survey.lead-year': {
    value: 1978,
    unit: '',
    mark: 'mem',
    why: 'Paint laid before may hold lead (EPA RRP, 40 CFR 745, for the United States): set your country’s own year.',
  },
  'survey.asbestos-year': {
    value: 2000,
    unit: '',
    mark: 'own',
    why: 'Textured coatings, sheet floors, tiles and their adhesives laid before may hold asbestos: set your country’s own year.',
  },
  'hue.orange-from': { value: 40, unit: '° h_ab', mark: 'own', why: 'Red ends and orange begins.' },
  'hue.yellow-from': { value: 75, unit: '° h_ab', mark: 'own', why: 'Orange ends and yellow begins.' },
  'hue.green-from': { value: 110, unit: '° h_ab', mark: 'own', why: 'Yellow ends and green begins.' },
  'hue.blue-from': { value: 195, unit: '° h_ab', mark: 'own', why: 'Green ends and blue begins.' },
  'hue.violet-from': { value: 285, unit: '° h_ab', mark: 'own', why: 'Blue ends and violet begins.' },
  'hue.red-from': { value: 350, unit: '° h_ab', mark: 'own', why: 'Violet ends and red begins again.' },
  'words.deep-to': { value: 35, unit: 'L*', mark: 'own', why: 'A colour this dark is called deep.' },
  'words.pale-from': { value: 75, unit: 'L*', mark: 'own', why: 'A colour this light is called pale.' },
  'words.as-light': { value: 1, unit: 'ΔL*', mark: 'own', why: 'Nearer than this two finishes are equally light.' },
  'words.little-lighter': { value: 5, unit: 'ΔL*', mark: 'own', why: 'Up to this one is a little lighter.' },
  'words.much-lighter': { value: 20, unit: 'ΔL*', mark: 'own', why: 'From this on one is much lighter.' },
  'words.as-strong': { value: 3, unit: 'ΔC*', mark: 'own', why: 'Nearer than this two finishes are equally strong.' },
  'words.little-stronger': { value: 8, unit: 'ΔC*', mark: 'own', why: 'Up to this one is a little stronger.' },
  'words.much-stronger': { value: 25, unit: 'ΔC*', mark: 'own', why: 'From this on one is much stronger.' },
  'words.hue-least': { value: 1.5, unit: 'ΔH*', mark: 'own', why: 'A smaller difference of hue is not worth a word.' },
  'lrv.dark-from': {
    value: 10,
    unit: 'LRV',
    mark: 'own',
    why: 'Below this a finish swallows nearly all light: very dark.',
  },
  'lrv.middle-from': { value: 25, unit: 'LRV', mark: 'own', why: 'Below this a finish is dark.' },
  'lrv.light-from': { value: 50, unit: 'LRV', mark: 'own', why: 'Below this a finish is of a middle depth.' },
  'lrv.pale-from': { value: 70, unit: 'LRV', mark: 'own', why: 'Below this a finish is light, from it on pale.' },
  'colour.true-neutral': { value: 1.5, unit: 'C*', mark: 'own', why: 'Below this chroma no undertone can be named.' },
  'colour.near-neutral': {
    value: 12,
    unit: 'C*',
    mark: 'own',
    why: 'Below this chroma a finish is a white, grey or beige, and its hue is an undertone.',
  },
  'colour.white-from': { value: 85, unit: 'L*', mark: 'own', why: 'A near-neutral this light is called a white.' },
  'colour.black-to': { value: 25, unit: 'L*', mark: 'own', why: 'A near-neutral this dark is called a black.' },
  'colour.axis-wood': { value: 65, unit: '° h_ab', mark: 'own', why: 'Woods are redder or yellower than this hue.' },
  'colour.axis-metal': {
    value: 82,
    unit: '° h_ab',
    mark: 'own',
    why: 'Yellow metals are pinker or greener than this hue.',
  },
  'colour.axis-greenery': {
    value: 122,
    unit: '° h_ab',
    mark: 'own',
    why: 'Greenery is yellower or bluer than this hue.',
  },
  'colour.axis-grace': {
    value: 4,
    unit: '°',
    mark: 'own',
    why: 'Nearer to its axis than this, a finish leans neither way.',
  },
  'colour.unseen': { value: 1, unit: 'ΔE00', mark: 'trade', why: 'Below this no one sees a difference.' },
  'colour.trained-eye': {
    value: 2,
    unit: 'ΔE00',
    mark: 'trade',
    why: 'Up to this a trained eye sees it, side by side.',
  },
  'colour.side-by-side': {
    value: 5,
    unit: 'ΔE00',
    mark: 'trade',
    why: 'Up to this anyone sees it, side by side, and no further off.',
  },
  'colour.at-a-glance': { value: 10, unit: 'ΔE00', mark: 'trade', why: 'Above this anyone sees it at a glance.' },
  'clash.wood': {
    value: 6,
    unit: 'ΔH*',
    mark: 'own',
    why: 'Red wood against yellow wood is the classic mistake; depth alone never clashes.',
  },
  'clash.metal': { value: 5, unit: 'ΔH*', mark: 'own', why: 'One yellow metal may lean pink, another green.' },
  'clash.greenery': { value: 12, unit: 'ΔH*', mark: 'own', why: 'Blue-green leaves beside yellow-green ones.' },
  'clash.neutral-distance': {
    value: 4,
    unit: 'in (a*, b*)',
    mark: 'own',
    why: 'A warm white beside a cool one looks dirty.',
  },
  'clash.neutral-hue': {
    value: 30,
    unit: '° Δh',
    mark: 'own',
    why: 'Two near-neutrals of nearly one hue agree, however strong.',
  },
  'metals.one-fitting': {
    value: 5,
    unit: 'ΔH*',
    mark: 'own',
    why: 'Two near silvers on one fitting or basin look like an error, whatever the school.',
  },
  'woods.deep': {
    value: 55,
    unit: 'L*, below it',
    mark: 'own',
    why: 'Where only pale and grey woods are wanted, a wood is deep below this.',
  },
  'room.small': {
    value: 10,
    unit: 'm² of floor',
    mark: 'trade',
    why: 'A room is small below this.',
  },
  'room.dark-wall': {
    value: 25,
    unit: 'LRV, below it',
    mark: 'own',
    why: 'A wall is dark below this.',
  },
  'dates.order-soon': {
    value: 14,
    unit: 'days',
    mark: 'own',
    why: 'The last day to order is said this long before.',
  },
  'clash.neutral-depth': {
    value: 20,
    unit: 'L* apart',
    mark: 'own',
    why: 'Dirty whites are an affair of like depths: a cream wall clashes with no mid grey cot.',
  },
  'clash.true-neutral-depth': {
    value: 12,
    unit: 'L* apart',
    mark: 'own',
    why: 'A grey without any undertone is held against near-neutrals of nearly its own depth alone.',
  },
  'quiet.pale': {
    value: 70,
    unit: 'L* or more',
    mark: 'own',
    why: 'In quiet layers pale before pale is wanted.',
  },
  'palette.same-scale': {
    value: 1.5,
    unit: 'times',
    mark: 'own',
    why: 'Patterns are of one scale where the largest repeat is less than this times the smallest.',
  },
  'palette.most-colours': {
    value: 20,
    unit: 'colours',
    mark: 'own',
    why: 'How many colours the chosen school allows; sixty, thirty, ten counts shares instead.',
  },
  'palette.most-strong': {
    value: 20,
    unit: 'colours',
    mark: 'own',
    why: 'How many colours that are no near-neutrals the chosen school allows.',
  },
  'palette.least-appearances': {
    value: 3,
    unit: 'places',
    mark: 'trade',
    why: 'An accent that appears once looks like a mistake; three places look meant.',
  },
  'palette.least-textures': { value: 3, unit: 'textures', mark: 'trade', why: 'Fewer kinds of surface look flat.' },
  'palette.most-metals': {
    value: 3,
    unit: 'metals',
    mark: 'trade',
    why: 'Two or three at the most, one of them leading.',
  },
  'balance.dominant': { value: 60, unit: '% of the visible area', mark: 'trade', why: 'About 60 : 30 : 10.' },
  'balance.secondary': { value: 30, unit: '% of the visible area', mark: 'trade', why: 'About 60 : 30 : 10.' },
  'balance.accent': { value: 10, unit: '% of the visible area', mark: 'trade', why: 'About 60 : 30 : 10.' },
  'balance.grace-dominant': {
    value: 10,
    unit: 'points',
    mark: 'own',
    why: 'Nearer to its share than this, it is in balance.',
  },
  'balance.grace-secondary': {
    value: 8,
    unit: 'points',
    mark: 'own',
    why: 'Nearer to its share than this, it is in balance.',
  },
  'balance.grace-accent': {
    value: 4,
    unit: 'points',
    mark: 'own',
    why: 'Nearer to its share than this, it is in balance.',
  },
  'balance.held': {
    value: 1,
    unit: 'yes or no',
    mark: 'own',
    why: 'Whether the chosen school holds shares of the visible area against targets.',
  },
  'typical.walls': {
    value: 32,
    unit: 'm²',
    mark: 'own',
    why: 'Seen of the walls of an ordinary room of 4 by 3.75 m, before anybody measured.',
  },
  'typical.floor': {
    value: 15,
    unit: 'm²',
    mark: 'own',
    why: 'The floor of an ordinary room, before anybody measured.',
  },
  'typical.trim': { value: 3.2, unit: 'm²', mark: 'own', why: 'Skirting and casings of an ordinary room.' },
  'typical.door': { value: 3.4, unit: 'm²', mark: 'own', why: 'Two doors.' },
  'typical.window': { value: 5, unit: 'm²', mark: 'own', why: 'Curtains or blinds of an ordinary room.' },
  'typical.piece': { value: 1.8, unit: 'm²', mark: 'own', why: 'What is seen of a piece whose size nobody knows.' },
  'typical.other': { value: 0.6, unit: 'm²', mark: 'own', why: 'What is seen of something small.' },
  'envelope.one': {
    value: 5,
    unit: 'ΔE00',
    mark: 'own',
    why: 'Walls, trim, doors and ceiling nearer than this are one colour.',
  },
  'envelope.dark': { value: 20, unit: 'LRV', mark: 'own', why: 'Up to this an envelope is a rich dark.' },
  'envelope.pale': { value: 60, unit: 'LRV', mark: 'own', why: 'From this on an envelope is a white.' },
  'envelope.bright': {
    value: 30,
    unit: 'C* beyond the walls',
    mark: 'own',
    why: 'An accent so much stronger than the envelope is bright enough to be looked at.',
  },
  'quiet.soft': { value: 45, unit: 'LRV', mark: 'own', why: 'In quiet layers, cloth is no darker than this.' },
  'metals.lead': {
    value: 1.5,
    unit: 'times',
    mark: 'own',
    why: 'One metal leads where it is seen so much more than the next.',
  },
  'pattern.small-to': { value: 60, unit: 'mm', mark: 'own', why: 'A pattern that repeats within this is small.' },
  'pattern.medium-to': { value: 250, unit: 'mm', mark: 'own', why: 'Within this it is medium, beyond it large.' },
  'pattern.small': { value: 35, unit: 'mm', mark: 'own', why: 'The repeat of a small pattern that nobody measured.' },
  'pattern.medium': {
    value: 130,
    unit: 'mm',
    mark: 'own',
    why: 'The repeat of a medium pattern that nobody measured.',
  },
  'pattern.large': { value: 420, unit: 'mm', mark: 'own', why: 'The repeat of a large pattern that nobody measured.' },
  'suggest.apart': {
    value: 10,
    unit: 'ΔE00',
    mark: 'own',
    why: 'Suggested colours differ by more, so that each is a choice.',
  },
  'suggest.apart-neutral': {
    value: 2.5,
    unit: 'ΔE00',
    mark: 'own',
    why: 'Suggested whites and neutrals differ by more.',
  },
  'suggest.count': { value: 6, unit: 'suggestions', mark: 'own', why: 'As many are shown at a time.' },
  'meter.readings': {
    value: 3,
    unit: 'readings',
    mark: 'trade',
    why: 'A surface is read in several places, and the mean is kept.',
  },
  'meter.spread': {
    value: 1,
    unit: 'ΔE00',
    mark: 'own',
    why: 'Readings that lie further from their mean, on the whole, are taken again.',
  },
  'meter.stray': {
    value: 3,
    unit: 'ΔE00',
    mark: 'own',
    why: 'A reading so far from the middle of the others is left out, and said.',
  },
  'tie.apart-plan': { value: 1000, unit: 'mm', mark: 'own', why: 'Two places so far apart in plan are two places.' },
  'tie.apart-height': { value: 600, unit: 'mm', mark: 'own', why: 'Two places so far apart in height are two places.' },
  'tie.same': { value: 5, unit: 'ΔE00', mark: 'own', why: 'Up to this two things are seen as one colour.' },
  'tie.hue': { value: 12, unit: '° Δh', mark: 'own', why: 'One hue at another depth ties as well.' },
  'tie.chroma': { value: 15, unit: 'C*', mark: 'own', why: 'Below this chroma a hue is too weak to tie by.' },
  'touch-up.seen': {
    value: 2,
    unit: 'ΔE00',
    mark: 'trade',
    why: 'A touch-up from a new tin shows in the middle of a wall from this on.',
  },
  'metals.beside': {
    value: 1.5,
    unit: 'b* of the metal, against it',
    mark: 'own',
    why: 'A near-silver is cool up to this, and warm from twice it: it is held against warm and cool tile and stone.',
  },
  'wall.vanish-difference': {
    value: 10,
    unit: 'ΔE00',
    mark: 'own',
    why: 'Nearer to its wall than this, and as light, a piece disappears.',
  },
  'wall.vanish-lightness': {
    value: 10,
    unit: 'ΔL*',
    mark: 'own',
    why: 'With less difference in lightness a piece disappears.',
  },
  'wall.stand-out': { value: 30, unit: 'ΔL*', mark: 'own', why: 'Over this a piece stands out from its wall.' },
  'door.contrast': {
    value: 30,
    unit: '',
    mark: 'std',
    why: 'Between a door and its wall, where people must tell them apart: points of LRV by BS 8300-2, per cent of their own by AS 1428.1 and ISO 21542.',
  },
  'brief.repaint-near-replace': {
    value: 80,
    unit: '% of replacing',
    mark: 'own',
    why: 'Repainted properly, cabinets cost near to new ones: compare before deciding.',
  },
  'compare.weight-cost': {
    value: 3,
    unit: 'of 5',
    mark: 'own',
    why: 'How much landed cost against the allowance weighs.',
  },
  'compare.weight-life': { value: 2, unit: 'of 5', mark: 'own', why: 'How much the cost of a year of use weighs.' },
  'compare.weight-colour': {
    value: 3,
    unit: 'of 5',
    mark: 'own',
    why: 'How much ties and clashes with the palette weigh.',
  },
  'compare.weight-wear': { value: 2, unit: 'of 5', mark: 'own', why: 'How much lasting in its room weighs.' },
  'compare.weight-time': { value: 2, unit: 'of 5', mark: 'own', why: 'How much being here in time weighs.' },
  'compare.weight-return': { value: 1, unit: 'of 5', mark: 'own', why: 'How much being able to send it back weighs.' },
  'compare.weight-fit': { value: 3, unit: 'of 5', mark: 'own', why: 'How much fitting the room it may take weighs.' },
  'paint.rate-smooth': {
    value: 10,
    unit: 'm² a litre',
    mark: 'trade',
    why: 'Where the tin says nothing, on what is smooth.',
  },
  'paint.rate-rough': {
    value: 7,
    unit: 'm² a litre',
    mark: 'trade',
    why: 'Where the tin says nothing, on what is bare or rough.',
  },
  'paint.third-coat-lighter': {
    value: 35,
    unit: 'ΔL*',
    mark: 'own',
    why: 'Further towards light than this a third coat is in question.',
  },
  'paint.third-coat-chroma': {
    value: 50,
    unit: 'C*',
    mark: 'own',
    why: 'A stronger colour covers badly: a third coat is in question.',
  },
  'paint.reserve': {
    value: 0.25,
    unit: 'litres a colour',
    mark: 'own',
    why: 'Kept for touching up; what is left in the tins counts towards it.',
  },
  'paper.roll-width': { value: 530, unit: 'mm', mark: 'std', why: 'A roll as most are sold (EN 233).' },
  'paper.roll-length': { value: 10_050, unit: 'mm', mark: 'std', why: 'A roll as most are sold (EN 233).' },
  'paper.trim': {
    value: 100,
    unit: 'mm',
    mark: 'trade',
    why: 'What is cut longer for each piece, half above and half below.',
  },
  'paper.spare-from': {
    value: 8,
    unit: 'rolls',
    mark: 'own',
    why: 'From so many rolls on one more of the batch is laid by.',
  },
  'paper.most-strips': {
    value: 3000,
    unit: 'strips',
    mark: 'own',
    why: 'More are not hung in one room: a width is wrong.',
  },
  'cords.reach': {
    value: 1500,
    unit: 'mm',
    mark: 'mem',
    why: 'Cords end this high above the floor where small children are (EN 13120).',
  },
  'tip.height': {
    value: 685.8,
    unit: 'mm',
    mark: 'mem',
    why: 'Clothes storage from 27 in high is secured against tipping (ASTM F2057).',
  },
  'styles.most': {
    value: 2,
    unit: 'styles',
    mark: 'trade',
    why: 'One or two styles hold a room together, where the school asks for it.',
  },
  'fit.grace': {
    value: 3,
    unit: 'mm',
    mark: 'own',
    why: 'Sizes that come from inches are compared with this much of grace.',
  },
  'dates.client-answer': { value: 3, unit: 'days', mark: 'own', why: 'The time a client takes to approve.' },
  'dates.attention': {
    value: 7,
    unit: 'days',
    mark: 'own',
    why: 'What falls due within this many days stands on the day page.',
  },
  'dates.sample': {
    value: 10,
    unit: 'days',
    mark: 'own',
    why: 'A sample ordered longer ago than this is asked after.',
  },
  'dates.credit-warning': {
    value: 45,
    unit: 'days',
    mark: 'own',
    why: 'Held credit that ends within this many days is said.',
  },
  'dates.price-fresh': {
    value: 30,
    unit: 'days',
    mark: 'own',
    why: 'An older price is asked for again before ordering.',
  },
  'dates.buffer': {
    value: 7,
    unit: 'days',
    mark: 'own',
    why: 'Goods are wanted on site this long before the install date.',
  },
  'dates.return-warning': { value: 7, unit: 'days', mark: 'own', why: 'Return days nearer than this are said.' },
} as const satisfies Record<string, Rule>

export type RuleId = keyof typeof rulebook
export const ruleIds = Object.keys(rulebook) as readonly RuleId[]
export type Rules = Readonly<Record<RuleId, number>>

/** The rules in force: the defaults with overrides laid over them, later ones last (studio, then makeover). */
export function effectiveRules(...overrides: readonly Partial<Rules>[]): Rules {
  const values: Record<string, number> = {}
  for (const [id, rule] of Object.entries<Rule>(rulebook)) values[id] = rule.value
  return Object.assign(values, ...overrides) as Rules
}

/** Where a value is known from, as a remark says it. */
export const markWords: Readonly<Record<Mark, string>> = {
  std: 'a published standard',
  trade: 'common practice',
  mem: 'a published source, from memory',
  own: 'our own default',
}

/** "4 in (a*, b*) [our own default]": the rule as a remark cites it. */
export function citeRule(id: RuleId, rules: Rules, units: UnitSystem = 'metric'): string {
  const rule: Rule = rulebook[id]
  const source = markWords[rule.mark]
  const said =
    rule.unit === 'mm' ? writeLength(rules[id], units) : `${rules[id]}${rule.unit === '' ? '' : ` ${rule.unit}`}`
  return `${said} (${rules[id] === rule.value ? source : 'as chosen here'})`
}

/**
 * Where good practitioners disagree, the makeover chooses and the checks follow. A question has two or more schools;
 * each says in one sentence what the checks then do, and may override rules of the rulebook.
 */
import type { Rules } from './rulebook.ts'

export type School = {
  readonly id: string
  readonly name: string
  readonly then: string
  readonly rules?: Partial<Rules>
}
export type Question = {
  readonly id: string
  readonly asks: string
  readonly schools: readonly [School, School, ...School[]]
}

const school = (id: string, name: string, then: string, rules: Partial<Rules> = {}): School => ({
  id,
  name,
  then,
  rules,
})

export const questions = [
  {
    id: 'colours',
    asks: 'How many colours',
    schools: [
      school(
        'sixty-thirty-ten',
        'Sixty, thirty, ten',
        'Shares of dominant, secondary and accent are held against 60 : 30 : 10 of the visible area.',
      ),
      school(
        'two-and-one',
        'Exactly two and one',
        'Two main colours and one accent are expected; a fourth is raised, and the accent may change later.',
        { 'palette.most-colours': 3, 'balance.held': 0 },
      ),
      school(
        'neutrals-and-one',
        'Neutrals and one',
        'Every colour but one should be a near-neutral; a second strong colour is raised.',
        { 'palette.most-colours': 3, 'palette.most-strong': 1, 'balance.held': 0 },
      ),
      school(
        'envelope',
        'One envelope',
        'Walls, trim, doors and ceiling are held to one colour, a warm white or a rich dark; one light or bright focal point is expected, upholstery that stands out from a dark envelope, and a floor with no more than one rug.',
        { 'balance.held': 0, 'palette.least-appearances': 1 },
      ),
      school(
        'as-inspired',
        'As many as the inspiration holds',
        'Up to five colours pass; beyond that a look is raised.',
        { 'palette.most-colours': 5, 'balance.held': 0 },
      ),
      school(
        'eclectic',
        'Eclectic, held by repetition',
        'Colours are not counted, but each must appear in two places or more.',
        { 'palette.most-colours': 20, 'palette.least-appearances': 2, 'balance.held': 0 },
      ),
      school(
        'quiet',
        'Quiet layers',
        'Every finish but greenery, art and the window should be near-neutral and cloth pale; textures are counted instead of colours.',
        { 'palette.most-strong': 0, 'palette.least-textures': 4, 'balance.held': 0 },
      ),
    ],
  },
  {
    id: 'accent',
    asks: 'What carries the accent',
    schools: [
      school(
        'cushions',
        'Cushions and throws',
        'An accent on textiles is as good as any: it is cheap to change with the season.',
      ),
      school(
        'never-cushions',
        'Never cushions',
        'An accent carried by a textile is raised; greenery, art and the window are not.',
      ),
    ],
  },
  {
    id: 'begin',
    asks: 'Where to begin',
    schools: [
      school('needs', 'Needs', 'A piece planned before any need is written down is raised.'),
      school(
        'floor',
        'Floor or rug',
        'The floor is expected first in the palette: without a floor finish, a note says so.',
      ),
      school('paint', 'Paint', 'A wall finish is expected first: without one, a note says so.'),
      school('clearing', 'Clearing out', 'What stays is expected to be listed before anything is planned.'),
      school('arrangement', 'Arrangement before mood', 'Zones are asked for before the palette.'),
      school(
        'inspiration',
        'An inspiration piece',
        'The collection of pictures is expected to hold something before the palette is laid.',
      ),
      school(
        'fixture',
        'The anchor fixture',
        'One metal is expected through the fittings; a second elsewhere, for interest, passes, and a third is raised.',
        { 'palette.most-metals': 2 },
      ),
      school(
        'envelope',
        'Envelope and focal point',
        'Walls, trim and ceiling that part in colour are raised; one accent is enough.',
        { 'palette.least-appearances': 1 },
      ),
    ],
  },
  {
    id: 'small-rug',
    asks: 'Rug in a small room',
    schools: [
      school(
        'front-legs',
        'Front legs on',
        'A rug passes when it reaches under the front legs of its group; where it reaches under some only, that is noted.',
      ),
      school(
        'bigger',
        'Bigger is better',
        'Of the sizes that pass, the biggest is suggested; where a rug reaches under some front legs only, that is noted.',
      ),
      school('none', 'None, keep the floor unbroken', 'A rug in a room under ten square metres is raised.'),
      school(
        'odd-corner',
        'An irregular shape in an odd corner',
        'A rug need not be a rectangle; one of its own shape is not held against the seats about it.',
      ),
      school('joined', 'Two joined', 'Two rugs laid edge to edge count as one.'),
    ],
  },
  {
    id: 'trim',
    asks: 'Trim and ceiling',
    schools: [
      school('soft-white', 'Soft white', 'Trim is expected to be a white of the undertone of the walls.'),
      school('same', 'Same as the wall', 'A trim that differs from the wall at a glance is raised.'),
      school('panelled', 'Panelled lower third', 'Two wall finishes are expected, the lower a third of the height.'),
    ],
  },
  {
    id: 'dark-room',
    asks: 'A dark small room',
    schools: [
      school('pale', 'Keep it pale', 'A dark wall is raised where the floor is measured and small.'),
      school('dark', 'Go dark on purpose', 'A dark wall passes; one bright focal point is expected.'),
      school('wrapped', 'Warm and wrapped, for work', 'A dark wall passes where it is warm.'),
    ],
  },
  {
    id: 'woods',
    asks: 'Woods',
    schools: [
      school(
        'one-undertone',
        'One undertone, depths vary',
        'Two woods whose undertones part are raised; depth alone never is.',
      ),
      school('pale', 'Only pale and grey', 'Two woods are held to one undertone, and a deep wood is raised.'),
      school('mixed', 'Mixed freely', 'Woods are not held against each other.', { 'clash.wood': 999 }),
    ],
  },
  {
    id: 'metals',
    asks: 'Metals',
    schools: [
      school('match', 'Undertones match strictly', 'Two metals whose undertones part are raised.'),
      school(
        'one-and-one',
        'One for fixtures, one for interest',
        'Two metals pass whatever their undertone; a third is raised.',
        { 'clash.metal': 999, 'palette.most-metals': 2 },
      ),
    ],
  },
  {
    id: 'hanging',
    asks: 'Hanging',
    schools: [
      school('eye-level', 'Centres at eye level', 'The middles of works are held to the line of the household’s eyes.'),
      school(
        'mirrored',
        'From the floor, mirrored about the middle',
        'A set is held to its mirror image, in heights from the floor.',
      ),
      school('lines', 'Straight lines', 'Edges of neighbours that nearly lie on one line are noted.'),
      school('scatter', 'Free scatter', 'Works are held to no line: only gaps are looked at.'),
      school('leaned', 'Leaned', 'Works are held to no line; what leans is fixed at its top.'),
    ],
  },
  {
    id: 'frames',
    asks: 'Frames',
    schools: [
      school(
        'for-picture',
        'For the picture alone',
        'Recorded; acts in Surfaces: frames are not held against each other.',
      ),
      school(
        'one-kind',
        'One kind for the wall',
        'Recorded; acts in Surfaces: a second kind of frame on one wall is raised.',
      ),
    ],
  },
  {
    id: 'open-shelves',
    asks: 'Open shelves',
    schools: [
      school('avoid', 'Avoid them in small rooms', 'Storage or a shelf that stands open in a small room is raised.'),
      school('display', 'Display, composed', 'Open shelves pass; what stands on them is looked at in Placement.'),
    ],
  },
  {
    id: 'plants',
    asks: 'Plants',
    schools: [
      school('faux', 'Faux is fine', 'Greenery is asked for no care once the work is done.'),
      school(
        'seasons',
        'Real, with a season plan',
        'After the install day a plant without its care among what comes later is raised.',
      ),
      school('moved', 'Moved in and out', 'After the install day a plant is asked where it winters.'),
    ],
  },
  {
    id: 'goods',
    asks: 'Goods',
    schools: [
      school('new', 'New key pieces', 'A second-hand piece passes with its condition noted; without it, a note asks.'),
      school('second-hand', 'The second-hand hunt', 'A new piece is asked whether a found one was looked for.'),
      school('owned', 'Only what is owned', 'Anything bought is raised.'),
      school(
        'fixtures',
        'Best fixtures affordable',
        'Recorded; acts in Placement: lights and taps are where money goes first.',
      ),
    ],
  },
  {
    id: 'placeholder',
    asks: 'Placeholders',
    schools: [
      school('stand-in', 'A cheap stand-in now', 'A stand-in passes while it has a date to look again.'),
      school('real', 'Buy what will be needed anyway', 'A placeholder is raised.'),
    ],
  },
  {
    id: 'splurge',
    asks: 'Save or splurge by',
    schools: [
      school('lifespan', 'Lifespan', 'Candidates are weighed most by what a year of them costs.', {
        'compare.weight-life': 4,
      }),
      school('visibility', 'Visibility', 'Candidates are weighed most by colour: what is seen first.', {
        'compare.weight-colour': 4,
      }),
      school('touch', 'Touch and delight', 'Candidates are weighed less by price.', { 'compare.weight-cost': 1 }),
      school('traffic', 'Traffic', 'Candidates are weighed by life and by what is returned.', {
        'compare.weight-life': 3,
        'compare.weight-return': 2,
      }),
    ],
  },
  {
    id: 'floor-paint',
    asks: 'Floor and paint',
    schools: [
      school(
        'floor-first',
        'Floor first',
        'In the calendar the floor is laid before the walls are painted, and covered.',
      ),
      school('paint-first', 'Paint first', 'In the calendar the walls are painted before the floor is laid.'),
    ],
  },
  {
    id: 'symmetry',
    asks: 'Symmetry',
    schools: [
      school('mirrored', 'Mirrored about a centre', 'Pairs are expected to stay pairs: a broken one is raised.'),
      school('one-sided', 'One-sided', 'A pair may be parted without a word.'),
    ],
  },
  {
    id: 'scheme',
    asks: 'One scheme',
    schools: [
      school('home', 'For the whole home', 'Finishes of all rooms are held against each other.'),
      school('room', 'Per room', 'Finishes are held against each other within one room.'),
    ],
  },
  {
    id: 'styles',
    asks: 'Styles',
    schools: [
      school(
        'two',
        'One or two',
        'The words for style on the things of a room are counted: a third style is raised, with what carries it.',
      ),
      school('mixed', 'Eras mixed on purpose', 'Styles are shown and never raised.'),
    ],
  },
  {
    id: 'keepsakes',
    asks: 'Keepsakes',
    schools: [
      school('rule', 'They rule the scheme', 'A palette that clashes with a keepsake is raised against the palette.'),
      school('away', 'Put away', 'Keepsakes are left out of the palette’s checks.'),
      school(
        'stand-in',
        'A stand-in',
        'A palette that clashes with a keepsake is told that something made after it may stand there.',
      ),
    ],
  },
  {
    id: 'ceiling-light',
    asks: 'The ceiling light',
    schools: [
      school('hero', 'The hero', 'One ceiling light is looked at: a room that has lamps and none over heads is noted.'),
      school(
        'ignored',
        'Ignored, light low',
        'Light is counted from lamps that stand or hang low; what is over heads does not count.',
      ),
      school(
        'many',
        'Many even sources',
        'Where the light is weakest it is at least a third, nearly, of the mean, or that is noted.',
      ),
    ],
  },
  {
    id: 'scale',
    asks: 'Scale in small rooms',
    schools: [
      school('small', 'Small pieces', 'In a room under ten square metres a sofa much over 1.8 metres is raised.'),
      school(
        'large',
        'A few large ones',
        'In a room under ten square metres four or more small things of one kind are noted.',
      ),
    ],
  },
  {
    id: 'framing',
    asks: 'Framing quality',
    schools: [
      school(
        'archival',
        'Archival',
        'Recorded; acts in Surfaces: acid-free mats and UV glass are expected for anything valued.',
      ),
      school('shop', 'Shop frames', 'Recorded; acts in Surfaces: shop frames pass, but for what is valued.'),
    ],
  },
  {
    id: 'ugly-finish',
    asks: 'An ugly finish',
    schools: [
      school('cover', 'Cover and distract', 'Covering is named first where ways are priced side by side.'),
      school('remove', 'Remove', 'Replacing is named first where ways are priced side by side.'),
    ],
  },
  {
    id: 'cabinets',
    asks: 'Cabinets',
    schools: [
      school(
        'workshop',
        'Repainted only in a workshop',
        'Repainting is held against the price of replacing: near it, a look is raised.',
      ),
      school('in-place', 'Freshened in place', 'Repainting passes at any price below replacing.', {
        'brief.repaint-near-replace': 100,
      }),
    ],
  },
  {
    id: 'tenant-walls',
    asks: 'A tenant’s walls',
    schools: [
      school('alone', 'Left alone', 'Paint in a tenancy is a stop until it is allowed in writing.'),
      school(
        'painted-back',
        'Painted, and painted back',
        'Paint in a tenancy passes when putting it back is planned and paid for.',
      ),
    ],
  },
  {
    id: 'wall-order',
    asks: 'What hangs on the walls',
    schools: [
      school('walls-last', 'Walls last', 'In the calendar works and mirrors are hung once the furniture stands.'),
      school(
        'anchor-first',
        'The anchor wall first',
        'In the calendar works and mirrors are hung before the furniture is carried in.',
      ),
    ],
  },
  {
    id: 'pace',
    asks: 'Pace',
    schools: [
      school('week', 'All within a week', 'Everything is wanted on site by one date.'),
      school(
        'year',
        'Over a year, piece by piece',
        'Each piece is held to its own day, and one without has all the time; no install day rules them.',
      ),
    ],
  },
  {
    id: 'exactness',
    asks: 'Exactness',
    schools: [
      school(
        'fixed',
        'Everything fixed in the plan',
        'A piece with nothing chosen four weeks before the install day is raised.',
      ),
      school(
        'follows',
        'Room left for what shopping finds',
        'A piece with nothing chosen is as good as its allowance, until its last day to decide.',
      ),
    ],
  },
] as const satisfies readonly Question[]

export type QuestionId = (typeof questions)[number]['id']
export const questionIds = questions.map((question) => question.id) as readonly QuestionId[]

/** The school chosen for each question; a question nobody chose for follows its first school. */
export type Schools = Readonly<Record<QuestionId, string>>

type Choice = { readonly question: QuestionId; readonly school: string }
const all: readonly Question[] = questions

export const questionOf = (id: QuestionId): Question =>
  all.find((question) => question.id === id) ?? all[0] ?? questions[0]
/** The school of that name; the first of its question where there is none of that name. */
export function schoolOf(id: QuestionId, name: string): School {
  const { schools } = questionOf(id)
  return schools.find((school) => school.id === name) ?? schools[0]
}

/** Choices laid over each other, later ones last: the studio's, then the makeover's. */
export function chosenSchools(...choices: readonly (readonly Choice[])[]): Schools {
  const chosen: Record<string, string> = Object.fromEntries(
    all.map((question) => [question.id, question.schools[0].id]),
  )
  for (const { question, school: name } of choices.flat()) chosen[question] = schoolOf(question, name).id
  return chosen as Schools
}

/** The rules that the chosen schools override. */
export const schoolRules = (schools: Schools): Partial<Rules> =>
  Object.assign({}, ...questionIds.map((id) => schoolOf(id, schools[id]).rules ?? {})) as Partial<Rules>

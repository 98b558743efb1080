/**
 * The tables, one for each kind of row, and those of accounts and of the diary. Every row carries its studio, and
 * keys are composite with it, so that no reference can lead into another studio. Row-level security, grants and the
 * the deferrable keys are hand-written SQL in the migrations.
 */
import { getTableName, sql } from 'drizzle-orm'
import {
  type AnyPgColumn,
  bigint,
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  numeric,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Kind } from '#core/makeover/kinds.ts'

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const minor = (name: string) => bigint(name, { mode: 'number' })
const day = (name: string) => date(name, { mode: 'string' })
const quantity = (name: string) => numeric(name, { precision: 9, scale: 3, mode: 'number' })

export const studios = pgTable(
  'studios',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    version: uuid('version').notNull(),
    name: text('name').notNull(),
    timeZone: text('time_zone').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    unique('studios_id_once').on(t.id),
    check('studios_is_itself', sql`${t.studioId} = ${t.id}`),
  ],
)

export const sellers = pgTable(
  'sellers',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    version: uuid('version').notNull(),
    name: text('name').notNull(),
    taxRounding: text('tax_rounding').notNull(),
    adjustDays: integer('adjust_days'),
    note: text('note').notNull(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
)

export const studioRulings = pgTable(
  'studio_rulings',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    version: uuid('version').notNull(),
    rule: text('rule').notNull(),
    value: doublePrecision('value').notNull(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), unique('studio_rulings_once').on(t.studioId, t.rule)],
)

export const studioSchools = pgTable(
  'studio_schools',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    version: uuid('version').notNull(),
    question: text('question').notNull(),
    school: text('school').notNull(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), unique('studio_schools_once').on(t.studioId, t.question)],
)

/** A document is a makeover or a studio: the row whose lock a change takes, and its count of changes. */
export const documents = pgTable(
  'documents',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    rev: integer('rev').notNull(),
    /** The change that made this rev: what was kept in memory under it is this document, and no other. */
    changeId: uuid('change_id'),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), check('documents_rev', sql`${t.rev} >= 0`)],
)

/** What every row of a makeover has. */
const own = () => ({
  studioId: uuid('studio_id').notNull(),
  makeoverId: uuid('makeover_id').notNull(),
  id: uuid('id').notNull(),
  version: uuid('version').notNull(),
})
type Columns = Record<'studioId' | 'makeoverId' | 'id', AnyPgColumn>
/** A reference within the makeover: its key has the studio and the makeover in it. */
const refers = (start: Columns, column: AnyPgColumn, to: Columns) =>
  foreignKey({
    name: `${getTableName(start.id.table)}_${column.name.replace(/_id$/, '')}`,
    columns: [start.studioId, start.makeoverId, column],
    foreignColumns: [to.studioId, to.makeoverId, to.id],
  })
const ownKey = (t: Columns) => primaryKey({ columns: [t.studioId, t.makeoverId, t.id] })

const lab = () => ({
  labL: doublePrecision('lab_l').notNull(),
  labA: doublePrecision('lab_a').notNull(),
  labB: doublePrecision('lab_b').notNull(),
})
const sizes = () => ({
  widthMm: doublePrecision('width_mm'),
  depthMm: doublePrecision('depth_mm'),
  heightMm: doublePrecision('height_mm'),
})
const labCheck = (name: string) =>
  check(name, sql.raw('lab_l between 0 and 100 and lab_a between -128 and 128 and lab_b between -128 and 128'))

const terms = () => ({
  priceMinor: minor('price_minor').notNull(),
  packSize: quantity('pack_size').notNull(),
  periods: integer('periods').notNull(),
  discountPpm: integer('discount_ppm').notNull(),
  deliveryMinor: minor('delivery_minor').notNull(),
  taxPpm: integer('tax_ppm').notNull(),
  taxIncluded: boolean('tax_included').notNull(),
  deliveryTaxed: boolean('delivery_taxed').notNull(),
  workMinor: minor('work_minor').notNull(),
  hours: doublePrecision('hours').notNull(),
  hourMinor: minor('hour_minor').notNull(),
  tradePpm: integer('trade_ppm').notNull(),
  leadDays: integer('lead_days').notNull(),
  returnDays: integer('return_days'),
  adjustDays: integer('adjust_days'),
})
const termChecks = (table: string) => [
  check(
    `${table}_terms`,
    sql.raw(
      'price_minor >= 0 and delivery_minor >= 0 and pack_size > 0 and discount_ppm between 0 and 1000000 and tax_ppm between 0 and 1000000 and lead_days >= 0',
    ),
  ),
]

export const makeovers = pgTable(
  'makeovers',
  {
    ...own(),
    name: text('name').notNull(),
    currency: text('currency').notNull(),
    units: text('units').notNull(),
    entryUnit: text('entry_unit').notNull(),
    builtYear: integer('built_year'),
    scope: text('scope').notNull(),
    installOn: day('install_on'),
  },
  (t) => [
    ownKey(t),
    check('makeovers_is_itself', sql`${t.makeoverId} = ${t.id}`),
    foreignKey({
      name: 'makeovers_document',
      columns: [t.studioId, t.id],
      foreignColumns: [documents.studioId, documents.id],
    }),
  ],
)

/** The one table with what is personal about clients; everything else refers to it. */
export const clients = pgTable('clients', { ...own(), name: text('name').notNull() }, (t) => [ownKey(t)])

export const rooms = pgTable('rooms', { ...own(), name: text('name').notNull() }, (t) => [ownKey(t)])

export const surveys = pgTable(
  'surveys',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    heightMm: doublePrecision('height_mm'),
    dadoMm: doublePrecision('dado_mm'),
    railMm: doublePrecision('rail_mm'),
    facesDeg: doublePrecision('faces_deg'),
    measuredOn: day('measured_on'),
    note: text('note').notNull(),
  },
  (t) => [ownKey(t), unique('surveys_once').on(t.studioId, t.makeoverId, t.roomId), refers(t, t.roomId, rooms)],
)

export const walls = pgTable(
  'walls',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    name: text('name').notNull(),
    place: doublePrecision('place').notNull(),
    lengthMm: doublePrecision('length_mm'),
    corner: text('corner').notNull(),
    cornerDeg: doublePrecision('corner_deg'),
    curve: text('curve').notNull(),
    curveMm: doublePrecision('curve_mm'),
    bows: text('bows').notNull(),
    heightMm: doublePrecision('height_mm'),
  },
  (t) => [
    ownKey(t),
    refers(t, t.roomId, rooms),
    check(
      'walls_lengths',
      sql`${t.lengthMm} > 0 and ${t.curveMm} > 0 and ${t.heightMm} > 0 and ${t.cornerDeg} > 0 and ${t.cornerDeg} < 360`,
    ),
  ],
)

export const slopes = pgTable(
  'slopes',
  {
    ...own(),
    wallId: uuid('wall_id').notNull(),
    lowMm: doublePrecision('low_mm').notNull(),
    runMm: doublePrecision('run_mm').notNull(),
  },
  (t) => [ownKey(t), refers(t, t.wallId, walls)],
)

export const diagonals = pgTable(
  'diagonals',
  {
    ...own(),
    fromId: uuid('from_id').notNull(),
    toId: uuid('to_id').notNull(),
    lengthMm: doublePrecision('length_mm').notNull(),
  },
  (t) => [
    ownKey(t),
    refers(t, t.fromId, walls),
    refers(t, t.toId, walls),
    check('diagonals_length', sql`${t.lengthMm} > 0 and ${t.fromId} <> ${t.toId}`),
  ],
)

/** Which opening it is in the next room is a deferrable key, since either may be measured first. */
export const openings = pgTable(
  'openings',
  {
    ...own(),
    wallId: uuid('wall_id').notNull(),
    what: text('what').notNull(),
    name: text('name').notNull(),
    fromMm: doublePrecision('from_mm').notNull(),
    fromEnd: boolean('from_end').notNull(),
    widthMm: doublePrecision('width_mm').notNull(),
    sillMm: doublePrecision('sill_mm').notNull(),
    headMm: doublePrecision('head_mm').notNull(),
    revealMm: doublePrecision('reveal_mm'),
    hinge: text('hinge').notNull(),
    swing: text('swing').notNull(),
    clearMm: doublePrecision('clear_mm'),
    sharesId: uuid('shares_id'),
  },
  (t) => [
    ownKey(t),
    refers(t, t.wallId, walls),
    check('openings_sizes', sql`${t.widthMm} > 0 and ${t.headMm} > ${t.sillMm}`),
  ],
)

export const fixtures = pgTable(
  'fixtures',
  {
    ...own(),
    wallId: uuid('wall_id').notNull(),
    what: text('what').notNull(),
    name: text('name').notNull(),
    fromMm: doublePrecision('from_mm').notNull(),
    fromEnd: boolean('from_end').notNull(),
    aboveMm: doublePrecision('above_mm').notNull(),
    ...sizes(),
    outMm: doublePrecision('out_mm').notNull(),
    note: text('note').notNull(),
  },
  (t) => [ownKey(t), refers(t, t.wallId, walls)],
)

export const passages = pgTable(
  'passages',
  {
    ...own(),
    place: doublePrecision('place').notNull(),
    what: text('what').notNull(),
    name: text('name').notNull(),
    widthMm: doublePrecision('width_mm').notNull(),
    heightMm: doublePrecision('height_mm'),
    depthMm: doublePrecision('depth_mm'),
    note: text('note').notNull(),
  },
  (t) => [ownKey(t)],
)

export const zones = pgTable(
  'zones',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    name: text('name').notNull(),
    wallId: uuid('wall_id'),
    fromMm: doublePrecision('from_mm'),
    widthMm: doublePrecision('width_mm'),
    depthMm: doublePrecision('depth_mm'),
  },
  (t) => [ownKey(t), refers(t, t.roomId, rooms), refers(t, t.wallId, walls)],
)

export const needs = pgTable(
  'needs',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    zoneId: uuid('zone_id'),
    name: text('name').notNull(),
    importance: text('importance').notNull(),
    who: text('who').notNull(),
  },
  (t) => [ownKey(t), refers(t, t.roomId, rooms), refers(t, t.zoneId, zones)],
)

export const rulings = pgTable(
  'rulings',
  { ...own(), rule: text('rule').notNull(), value: doublePrecision('value').notNull() },
  (t) => [ownKey(t), unique('rulings_once').on(t.studioId, t.makeoverId, t.rule)],
)

export const schools = pgTable(
  'schools',
  { ...own(), question: text('question').notNull(), school: text('school').notNull() },
  (t) => [ownKey(t), unique('schools_once').on(t.studioId, t.makeoverId, t.question)],
)

export const constraints = pgTable(
  'constraints',
  {
    ...own(),
    roomId: uuid('room_id'),
    reason: text('reason').notNull(),
    forbids: text('forbids').notNull(),
    note: text('note').notNull(),
  },
  (t) => [ownKey(t), refers(t, t.roomId, rooms)],
)

export const inspirations = pgTable(
  'inspirations',
  {
    ...own(),
    name: text('name').notNull(),
    liked: text('liked').notNull(),
    materials: text('materials').notNull(),
    hues: text('hues').notNull(),
    words: text('words').notNull(),
  },
  (t) => [ownKey(t)],
)

export const categories = pgTable(
  'categories',
  { ...own(), name: text('name').notNull(), place: integer('place').notNull() },
  (t) => [ownKey(t)],
)

export const agreements = pgTable(
  'agreements',
  {
    ...own(),
    number: integer('number').notNull(),
    contingencyMinor: minor('contingency_minor').notNull(),
    signedById: uuid('signed_by_id'),
    signedOn: day('signed_on'),
    reason: text('reason').notNull(),
    kept: text('kept').notNull(),
  },
  (t) => [
    ownKey(t),
    unique('agreements_number_once').on(t.studioId, t.makeoverId, t.number),
    check(
      'agreements_sums',
      sql`${t.contingencyMinor} >= 0 and ${t.number} >= 1 and (${t.signedOn} is null) = (${t.signedById} is null)`,
    ),
    refers(t, t.signedById, clients),
  ],
)

export const agreementLines = pgTable(
  'agreement_lines',
  {
    ...own(),
    agreementId: uuid('agreement_id').notNull(),
    categoryId: uuid('category_id').notNull(),
    amountMinor: minor('amount_minor').notNull(),
  },
  (t) => [
    ownKey(t),
    unique('agreement_lines_once').on(t.studioId, t.makeoverId, t.agreementId, t.categoryId),
    check('agreement_lines_amount', sql`${t.amountMinor} >= 0`),
    refers(t, t.agreementId, agreements),
    refers(t, t.categoryId, categories),
  ],
)

export const pieces = pgTable(
  'pieces',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    zoneId: uuid('zone_id'),
    categoryId: uuid('category_id'),
    name: text('name').notNull(),
    quantity: quantity('quantity').notNull(),
    unit: text('unit').notNull(),
    allowanceMinor: minor('allowance_minor').notNull(),
    /** A candidate of this piece: a deferrable key, since each points at the other. */
    chosenId: uuid('chosen_id'),
    chosenReason: text('chosen_reason').notNull(),
    setName: text('set_name').notNull(),
    ...sizes(),
    hides: boolean('hides').notNull(),
    wallId: uuid('wall_id'),
    aboveMm: doublePrecision('above_mm').notNull(),
  },
  (t) => [
    ownKey(t),
    check('pieces_amounts', sql`${t.quantity} > 0 and ${t.allowanceMinor} >= 0`),
    refers(t, t.roomId, rooms),
    refers(t, t.zoneId, zones),
    refers(t, t.categoryId, categories),
    refers(t, t.wallId, walls),
  ],
)

export const servings = pgTable(
  'servings',
  { ...own(), needId: uuid('need_id').notNull(), pieceId: uuid('piece_id').notNull() },
  (t) => [
    ownKey(t),
    unique('servings_once').on(t.studioId, t.makeoverId, t.needId, t.pieceId),
    refers(t, t.needId, needs),
    refers(t, t.pieceId, pieces),
  ],
)

export const candidates = pgTable(
  'candidates',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    sellerId: uuid('seller_id'),
    source: text('source').notNull(),
    name: text('name').notNull(),
    article: text('article').notNull(),
    link: text('link').notNull(),
    colourName: text('colour_name').notNull(),
    batch: text('batch').notNull(),
    condition: text('condition').notNull(),
    origin: text('origin').notNull(),
    keepReason: text('keep_reason'),
    goBackOn: day('go_back_on'),
    hole: text('hole').notNull(),
    lookAgainOn: day('look_again_on'),
    ...terms(),
    priceKind: text('price_kind').notNull(),
    pricedOn: day('priced_on'),
    labL: doublePrecision('lab_l'),
    labA: doublePrecision('lab_a'),
    labB: doublePrecision('lab_b'),
    ...sizes(),
    lifeYears: doublePrecision('life_years'),
    methods: text('methods').notNull(),
    qualities: text('qualities').notNull(),
    turnedDown: text('turned_down'),
  },
  (t) => [
    ownKey(t),
    unique('candidates_of_piece').on(t.studioId, t.makeoverId, t.pieceId, t.id),
    ...termChecks('candidates'),
    refers(t, t.pieceId, pieces),
    foreignKey({
      name: 'candidates_seller',
      columns: [t.studioId, t.sellerId],
      foreignColumns: [sellers.studioId, sellers.id],
    }),
  ],
)

export const candidateColours = pgTable(
  'candidate_colours',
  { ...own(), candidateId: uuid('candidate_id').notNull(), ...lab() },
  (t) => [ownKey(t), labCheck('candidate_colours_lab'), refers(t, t.candidateId, candidates)],
)

export const prices = pgTable(
  'prices',
  {
    ...own(),
    candidateId: uuid('candidate_id').notNull(),
    kind: text('kind').notNull(),
    amountMinor: minor('amount_minor').notNull(),
    seenOn: day('seen_on').notNull(),
    note: text('note').notNull(),
  },
  (t) => [ownKey(t), check('prices_amount', sql`${t.amountMinor} >= 0`), refers(t, t.candidateId, candidates)],
)

export const substitutions = pgTable(
  'substitutions',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    fromId: uuid('from_id').notNull(),
    toId: uuid('to_id').notNull(),
    fromLandedMinor: minor('from_landed_minor').notNull(),
    toLandedMinor: minor('to_landed_minor').notNull(),
    reason: text('reason').notNull(),
    agreedById: uuid('agreed_by_id'),
    madeOn: day('made_on').notNull(),
  },
  (t) => [
    ownKey(t),
    check('substitutions_amounts', sql`${t.fromLandedMinor} >= 0 and ${t.toLandedMinor} >= 0`),
    ...(
      [
        ['substitutions_from', t.fromId],
        ['substitutions_to', t.toId],
      ] as const
    ).map(([name, column]) =>
      foreignKey({
        name,
        columns: [t.studioId, t.makeoverId, t.pieceId, column],
        foreignColumns: [candidates.studioId, candidates.makeoverId, candidates.pieceId, candidates.id],
      }),
    ),
    refers(t, t.pieceId, pieces),
    refers(t, t.agreedById, clients),
  ],
)

export const questions = pgTable(
  'questions',
  {
    ...own(),
    pieceId: uuid('piece_id'),
    candidateId: uuid('candidate_id'),
    ask: text('ask').notNull(),
    askedOn: day('asked_on').notNull(),
    neededBy: day('needed_by'),
    answer: text('answer').notNull(),
    answerNote: text('answer_note').notNull(),
    answeredById: uuid('answered_by_id'),
    answeredOn: day('answered_on'),
  },
  (t) => [
    ownKey(t),
    refers(t, t.pieceId, pieces),
    refers(t, t.candidateId, candidates),
    refers(t, t.answeredById, clients),
  ],
)

export const permissions = pgTable(
  'permissions',
  {
    ...own(),
    method: text('method').notNull(),
    ask: text('ask').notNull(),
    askedOf: text('asked_of').notNull(),
    askedOn: day('asked_on').notNull(),
    answer: text('answer').notNull(),
    answeredOn: day('answered_on'),
    restore: text('restore').notNull(),
    restorePieceId: uuid('restore_piece_id'),
  },
  (t) => [ownKey(t), refers(t, t.restorePieceId, pieces)],
)

export const scopeChoices = pgTable(
  'scope_choices',
  { ...own(), roomId: uuid('room_id').notNull(), name: text('name').notNull() },
  (t) => [ownKey(t), refers(t, t.roomId, rooms)],
)

export const scopeOptions = pgTable(
  'scope_options',
  {
    ...own(),
    choiceId: uuid('choice_id').notNull(),
    way: text('way').notNull(),
    name: text('name').notNull(),
    costMinor: minor('cost_minor').notNull(),
    days: integer('days').notNull(),
    lifeYears: doublePrecision('life_years'),
    methods: text('methods').notNull(),
    chosen: boolean('chosen').notNull(),
    pieceId: uuid('piece_id'),
  },
  (t) => [
    ownKey(t),
    check('scope_options_cost', sql`${t.costMinor} >= 0`),
    refers(t, t.choiceId, scopeChoices),
    refers(t, t.pieceId, pieces),
  ],
)

export const finishes = pgTable(
  'finishes',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    zoneId: uuid('zone_id'),
    name: text('name').notNull(),
    role: text('role').notNull(),
    place: doublePrecision('place').notNull(),
    family: text('family').notNull(),
    texture: text('texture').notNull(),
    sheen: text('sheen').notNull(),
    ...lab(),
    colourSource: text('colour_source').notNull(),
    surface: text('surface').notNull(),
    pieceId: uuid('piece_id'),
    usedFor: text('used_for').notNull(),
    visibleM2: doublePrecision('visible_m2'),
    pattern: text('pattern').notNull(),
    patternScale: text('pattern_scale'),
    repeatMm: doublePrecision('repeat_mm'),
    suits: text('suits').notNull(),
    hides: boolean('hides').notNull(),
    methods: text('methods').notNull(),
    qualities: text('qualities').notNull(),
    fate: text('fate'),
    condition: text('condition'),
    material: text('material'),
    laidYear: integer('laid_year'),
    wallId: uuid('wall_id'),
    bandFromMm: doublePrecision('band_from_mm'),
    bandToMm: doublePrecision('band_to_mm'),
  },
  (t) => [
    ownKey(t),
    labCheck('finishes_lab'),
    refers(t, t.roomId, rooms),
    refers(t, t.zoneId, zones),
    refers(t, t.pieceId, pieces),
    refers(t, t.wallId, walls),
  ],
)

export const patternParts = pgTable(
  'pattern_parts',
  {
    ...own(),
    finishId: uuid('finish_id').notNull(),
    partId: uuid('part_id').notNull(),
    sharePpm: integer('share_ppm').notNull(),
  },
  (t) => [
    ownKey(t),
    unique('pattern_parts_once').on(t.studioId, t.makeoverId, t.finishId, t.partId),
    check('pattern_parts_share', sql`${t.sharePpm} between 0 and 1000000 and ${t.finishId} <> ${t.partId}`),
    refers(t, t.finishId, finishes),
    refers(t, t.partId, finishes),
  ],
)

export const samples = pgTable(
  'samples',
  {
    ...own(),
    finishId: uuid('finish_id').notNull(),
    orderedOn: day('ordered_on'),
    cameOn: day('came_on'),
    verdict: text('verdict').notNull(),
    judgedBy: text('judged_by').notNull(),
  },
  (t) => [ownKey(t), refers(t, t.finishId, finishes)],
)

/** A sample looked at, by one light. */
export const viewings = pgTable(
  'viewings',
  {
    ...own(),
    sampleId: uuid('sample_id').notNull(),
    wallId: uuid('wall_id'),
    light: text('light').notNull(),
    seenOn: day('seen_on'),
    verdict: text('verdict').notNull(),
    judgedBy: text('judged_by').notNull(),
    note: text('note').notNull(),
  },
  (t) => [ownKey(t), refers(t, t.sampleId, samples), refers(t, t.wallId, walls)],
)

const ofSeller = (name: string, t: { studioId: AnyPgColumn; sellerId: AnyPgColumn }) =>
  foreignKey({ name, columns: [t.studioId, t.sellerId], foreignColumns: [sellers.studioId, sellers.id] })

export const coupons = pgTable(
  'coupons',
  {
    ...own(),
    sellerId: uuid('seller_id').notNull(),
    name: text('name').notNull(),
    gives: text('gives').notNull(),
    ratePpm: integer('rate_ppm').notNull(),
    amountMinor: minor('amount_minor').notNull(),
    base: text('base').notNull(),
    minimumMinor: minor('minimum_minor').notNull(),
    endsOn: day('ends_on'),
    conditions: text('conditions').notNull(),
  },
  (t) => [
    ownKey(t),
    check(
      'coupons_amounts',
      sql`${t.ratePpm} between 0 and 1000000 and ${t.amountMinor} >= 0 and ${t.minimumMinor} >= 0`,
    ),
    ofSeller('coupons_seller', t),
  ],
)

export const credits = pgTable(
  'credits',
  {
    ...own(),
    sellerId: uuid('seller_id').notNull(),
    kind: text('kind').notNull(),
    number: text('number').notNull(),
    faceMinor: minor('face_minor').notNull(),
    gotOn: day('got_on').notNull(),
    expiresOn: day('expires_on'),
  },
  (t) => [ownKey(t), check('credits_face', sql`${t.faceMinor} >= 0`), ofSeller('credits_seller', t)],
)

export const orders = pgTable(
  'orders',
  {
    ...own(),
    sellerId: uuid('seller_id'),
    orderedOn: day('ordered_on').notNull(),
    reference: text('reference').notNull(),
    boughtBy: text('bought_by').notNull(),
    depositMinor: minor('deposit_minor').notNull(),
    balanceDueOn: day('balance_due_on'),
    taxRounding: text('tax_rounding').notNull(),
    couponId: uuid('coupon_id'),
    note: text('note').notNull(),
  },
  (t) => [
    ownKey(t),
    check('orders_deposit', sql`${t.depositMinor} >= 0`),
    ofSeller('orders_seller', t),
    refers(t, t.couponId, coupons),
  ],
)

export const purchases = pgTable(
  'purchases',
  {
    ...own(),
    orderId: uuid('order_id').notNull(),
    pieceId: uuid('piece_id').notNull(),
    candidateId: uuid('candidate_id').notNull(),
    packs: integer('packs').notNull(),
    couponMinor: minor('coupon_minor').notNull(),
    ...terms(),
  },
  (t) => [
    ownKey(t),
    ...termChecks('purchases'),
    check('purchases_packs', sql`${t.packs} > 0 and ${t.couponMinor} >= 0`),
    refers(t, t.orderId, orders),
    foreignKey({
      name: 'purchases_candidate',
      columns: [t.studioId, t.makeoverId, t.pieceId, t.candidateId],
      foreignColumns: [candidates.studioId, candidates.makeoverId, candidates.pieceId, candidates.id],
    }),
  ],
)

export const deliveries = pgTable(
  'deliveries',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    packs: integer('packs').notNull(),
    receivedOn: day('received_on').notNull(),
    damagedPacks: integer('damaged_packs').notNull(),
    note: text('note').notNull(),
  },
  (t) => [
    ownKey(t),
    refers(t, t.purchaseId, purchases),
    check('deliveries_packs', sql`${t.packs} > 0 and ${t.damagedPacks} between 0 and ${t.packs}`),
  ],
)

export const placings = pgTable(
  'placings',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    placedOn: day('placed_on').notNull(),
    tagsOffOn: day('tags_off_on'),
  },
  (t) => [
    ownKey(t),
    unique('placings_once').on(t.studioId, t.makeoverId, t.purchaseId),
    refers(t, t.purchaseId, purchases),
  ],
)

export const cancellations = pgTable(
  'cancellations',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    packs: integer('packs').notNull(),
    cancelledOn: day('cancelled_on').notNull(),
    reason: text('reason').notNull(),
    creditMinor: minor('credit_minor').notNull(),
    keptMinor: minor('kept_minor').notNull(),
    wantedAgain: boolean('wanted_again').notNull(),
  },
  (t) => [
    ownKey(t),
    refers(t, t.purchaseId, purchases),
    check('cancellations_amounts', sql`${t.packs} > 0 and ${t.creditMinor} >= 0 and ${t.keptMinor} >= 0`),
  ],
)

export const returns = pgTable(
  'returns',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    packs: integer('packs').notNull(),
    sentOn: day('sent_on').notNull(),
    reason: text('reason').notNull(),
    creditMinor: minor('credit_minor').notNull(),
    restockingMinor: minor('restocking_minor').notNull(),
    settles: text('settles').notNull(),
    acceptedOn: day('accepted_on'),
    wantedAgain: boolean('wanted_again').notNull(),
  },
  (t) => [
    ownKey(t),
    refers(t, t.purchaseId, purchases),
    check('returns_amounts', sql`${t.packs} > 0 and ${t.creditMinor} >= 0 and ${t.restockingMinor} >= 0`),
  ],
)

export const claims = pgTable(
  'claims',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    about: text('about').notNull(),
    note: text('note').notNull(),
    askedMinor: minor('asked_minor').notNull(),
    madeOn: day('made_on').notNull(),
    answer: text('answer').notNull(),
    grantedMinor: minor('granted_minor').notNull(),
    answeredOn: day('answered_on'),
  },
  (t) => [
    ownKey(t),
    refers(t, t.purchaseId, purchases),
    check('claims_amounts', sql`${t.askedMinor} > 0 and ${t.grantedMinor} >= 0`),
  ],
)

export const payments = pgTable(
  'payments',
  {
    ...own(),
    orderId: uuid('order_id').notNull(),
    direction: text('direction').notNull(),
    amountMinor: minor('amount_minor').notNull(),
    paidOn: day('paid_on').notNull(),
    tender: text('tender').notNull(),
    creditId: uuid('credit_id'),
    reversesId: uuid('reverses_id'),
  },
  (t) => [
    ownKey(t),
    refers(t, t.orderId, orders),
    refers(t, t.creditId, credits),
    check('payments_amount', sql`${t.amountMinor} > 0 and ${t.direction} in ('out', 'back')`),
    unique('payments_reversed_once').on(t.studioId, t.makeoverId, t.reversesId),
    refers(t, t.reversesId, t),
  ],
)

/** Files by their content: one copy in a studio, however often it is hung on something. */
export const blobs = pgTable(
  'blobs',
  {
    studioId: uuid('studio_id').notNull(),
    sha256: text('sha256').notNull(),
    mediaType: text('media_type').notNull(),
    bytes: bytea('bytes').notNull(),
    /** A small WebP of it; null for a PDF, and for what was kept before there were any. */
    thumbnail: bytea('thumbnail'),
    addedAt: timestamp('added_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.sha256] })],
)

export const attachments = pgTable(
  'attachments',
  {
    ...own(),
    sha256: text('sha256').notNull(),
    mediaType: text('media_type').notNull(),
    bytes: integer('bytes').notNull(),
    name: text('name').notNull(),
    addedOn: day('added_on').notNull(),
    orderId: uuid('order_id'),
    deliveryId: uuid('delivery_id'),
    candidateId: uuid('candidate_id'),
    inspirationId: uuid('inspiration_id'),
    finishId: uuid('finish_id'),
    roomId: uuid('room_id'),
  },
  (t) => [
    ownKey(t),
    check(
      'attachments_on_one',
      sql`num_nonnulls(${t.orderId}, ${t.deliveryId}, ${t.candidateId}, ${t.inspirationId}, ${t.finishId}, ${t.roomId}) = 1`,
    ),
    foreignKey({
      name: 'attachments_blob',
      columns: [t.studioId, t.sha256],
      foreignColumns: [blobs.studioId, blobs.sha256],
    }),
    refers(t, t.orderId, orders),
    refers(t, t.deliveryId, deliveries),
    refers(t, t.candidateId, candidates),
    refers(t, t.inspirationId, inspirations),
    refers(t, t.finishId, finishes),
    refers(t, t.roomId, rooms),
  ],
)

export const acceptances = pgTable(
  'acceptances',
  {
    ...own(),
    remarkKey: text('remark_key').notNull(),
    fingerprint: text('fingerprint').notNull(),
    reason: text('reason').notNull(),
    acceptedOn: day('accepted_on').notNull(),
  },
  (t) => [ownKey(t)],
)

export const studioTables = {
  studio: studios,
  seller: sellers,
  studioRuling: studioRulings,
  studioSchool: studioSchools,
}
export const makeoverTables = {
  makeover: makeovers,
  client: clients,
  room: rooms,
  survey: surveys,
  wall: walls,
  slope: slopes,
  diagonal: diagonals,
  opening: openings,
  fixture: fixtures,
  passage: passages,
  zone: zones,
  need: needs,
  ruling: rulings,
  school: schools,
  constraint: constraints,
  inspiration: inspirations,
  category: categories,
  agreement: agreements,
  agreementLine: agreementLines,
  piece: pieces,
  serving: servings,
  candidate: candidates,
  candidateColour: candidateColours,
  price: prices,
  substitution: substitutions,
  question: questions,
  permission: permissions,
  scopeChoice: scopeChoices,
  scopeOption: scopeOptions,
  finish: finishes,
  patternPart: patternParts,
  sample: samples,
  viewing: viewings,
  coupon: coupons,
  credit: credits,
  order: orders,
  purchase: purchases,
  delivery: deliveries,
  placing: placings,
  cancellation: cancellations,
  return: returns,
  claim: claims,
  payment: payments,
  attachment: attachments,
  acceptance: acceptances,
}
export const tables = { ...studioTables, ...makeoverTables } satisfies Record<Kind, unknown>

/** The diary: every change set that was taken, and what it did to each row. */
export const changes = pgTable(
  'changes',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    personId: uuid('person_id').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
    sentence: text('sentence').notNull(),
    /** SHA-256 of what was sent, so that a repeated id with other content is noticed. */
    digest: text('digest').notNull(),
    /** The change that this one takes back. */
    undoes: uuid('undoes'),
    /** Who made it elsewhere, where it came in with a file. */
    toldBy: text('told_by'),
    /** It is the bringing in of a file, and no work of its own. */
    bringsIn: boolean('brings_in').notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
)

export const changedDocuments = pgTable(
  'changed_documents',
  {
    studioId: uuid('studio_id').notNull(),
    documentId: uuid('document_id').notNull(),
    rev: integer('rev').notNull(),
    changeId: uuid('change_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.documentId, t.rev] }),
    foreignKey({
      name: 'changed_documents_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
    foreignKey({
      name: 'changed_documents_document',
      columns: [t.studioId, t.documentId],
      foreignColumns: [documents.studioId, documents.id],
    }),
    uniqueIndex('changed_documents_once').on(t.studioId, t.changeId, t.documentId),
  ],
)

export const changedRows = pgTable(
  'changed_rows',
  {
    studioId: uuid('studio_id').notNull(),
    changeId: uuid('change_id').notNull(),
    place: integer('place').notNull(),
    kind: text('kind').notNull(),
    rowId: uuid('row_id').notNull(),
    operation: text('operation').notNull(),
    /** The fields that changed, before and after; null where the row is new or gone, and no values where they are personal. */
    before: jsonb('before'),
    after: jsonb('after'),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.changeId, t.place] }),
    index('changed_rows_of_row').on(t.studioId, t.rowId),
    foreignKey({
      name: 'changed_rows_change',
      columns: [t.studioId, t.changeId],
      foreignColumns: [changes.studioId, changes.id],
    }),
  ],
)

/** What the day page shows of a makeover, as of the day and the revs it was reckoned at. */
export const summaries = pgTable(
  'summaries',
  {
    studioId: uuid('studio_id').notNull(),
    makeoverId: uuid('makeover_id').notNull(),
    reckonedOn: day('reckoned_on').notNull(),
    rev: integer('rev').notNull().default(0),
    studioRev: integer('studio_rev').notNull().default(0),
    summary: jsonb('summary').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.makeoverId] }),
    foreignKey({
      name: 'summaries_document',
      columns: [t.studioId, t.makeoverId],
      foreignColumns: [documents.studioId, documents.id],
    }),
  ],
)

export const people = pgTable(
  'people',
  {
    studioId: uuid('studio_id').notNull(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    email: text('email').notNull(),
    passwordHash: text('password_hash').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    unique('people_email_once').on(t.email),
    foreignKey({ name: 'people_studio', columns: [t.studioId], foreignColumns: [studios.id] }),
  ],
)

/** A session is known by the SHA-256 of its token; the token itself is only in the cookie. */
export const sessions = pgTable(
  'sessions',
  {
    tokenHash: text('token_hash').primaryKey(),
    studioId: uuid('studio_id').notNull(),
    personId: uuid('person_id').notNull(),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  },
  (t) => [
    foreignKey({
      name: 'sessions_person',
      columns: [t.studioId, t.personId],
      foreignColumns: [people.studioId, people.id],
    }),
  ],
)

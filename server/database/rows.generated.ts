/** Written by `npm run tables` from the schemas of the kinds: change those, and not this. */
import { boolean, doublePrecision, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import type { Kind } from '#core/makeover/kinds.ts'
import { day, minor, own, quantity, shared } from './columns.ts'
import { keysOf } from './keys.ts'

export const studios = pgTable(
  'studios',
  {
    ...shared(),
    name: text('name').notNull(),
    timeZone: text('time_zone').notNull(),
  },
  (t) => keysOf('studio', 'studios', t, tableOf),
)

export const sellers = pgTable(
  'sellers',
  {
    ...shared(),
    name: text('name').notNull(),
    taxRounding: text('tax_rounding').notNull(),
    adjustDays: integer('adjust_days'),
    groupName: text('group_name').notNull(),
    note: text('note').notNull(),
  },
  (t) => keysOf('seller', 'sellers', t, tableOf),
)

export const studioRulings = pgTable(
  'studio_rulings',
  {
    ...shared(),
    rule: text('rule').notNull(),
    value: doublePrecision('value').notNull(),
  },
  (t) => keysOf('studioRuling', 'studio_rulings', t, tableOf),
)

export const studioSchools = pgTable(
  'studio_schools',
  {
    ...shared(),
    question: text('question').notNull(),
    school: text('school').notNull(),
  },
  (t) => keysOf('studioSchool', 'studio_schools', t, tableOf),
)

export const templates = pgTable(
  'templates',
  {
    ...shared(),
    name: text('name').notNull(),
    holds: text('holds').notNull(),
  },
  (t) => keysOf('template', 'templates', t, tableOf),
)

export const sellerEntries = pgTable(
  'seller_entries',
  {
    ...shared(),
    sellerId: uuid('seller_id').notNull(),
    contact: text('contact').notNull(),
    phone: text('phone').notNull(),
    email: text('email').notNull(),
    account: text('account').notNull(),
    payTerms: text('pay_terms').notNull(),
    tradePpm: integer('trade_ppm').notNull(),
    returnDays: integer('return_days'),
    returnHabit: text('return_habit').notNull(),
    matchHabit: text('match_habit').notNull(),
    note: text('note').notNull(),
  },
  (t) => keysOf('sellerEntry', 'seller_entries', t, tableOf),
)

export const stocks = pgTable(
  'stocks',
  {
    ...shared(),
    name: text('name').notNull(),
    kind: text('kind').notNull(),
    quantity: quantity('quantity').notNull(),
    unit: text('unit').notNull(),
    lies: text('lies').notNull(),
    cameFrom: text('came_from').notNull(),
    widthMm: doublePrecision('width_mm'),
    depthMm: doublePrecision('depth_mm'),
    heightMm: doublePrecision('height_mm'),
    lentTo: text('lent_to').notNull(),
    lentOn: day('lent_on'),
    backOn: day('back_on'),
    note: text('note').notNull(),
  },
  (t) => keysOf('stock', 'stocks', t, tableOf),
)

export const makeovers = pgTable(
  'makeovers',
  {
    ...own(),
    name: text('name').notNull(),
    currency: text('currency').notNull(),
    units: text('units').notNull(),
    entryUnit: text('entry_unit').notNull(),
    country: text('country'),
    scope: text('scope').notNull(),
    installOn: day('install_on'),
    builtYear: integer('built_year'),
    contrastBy: text('contrast_by').notNull(),
  },
  (t) => keysOf('makeover', 'makeovers', t, tableOf),
)

export const clients = pgTable(
  'clients',
  {
    ...own(),
    name: text('name').notNull(),
  },
  (t) => keysOf('client', 'clients', t, tableOf),
)

export const rooms = pgTable(
  'rooms',
  {
    ...own(),
    name: text('name').notNull(),
    uses: text('uses').notNull(),
  },
  (t) => keysOf('room', 'rooms', t, tableOf),
)

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
  (t) => keysOf('coupon', 'coupons', t, tableOf),
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
  (t) => keysOf('order', 'orders', t, tableOf),
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
    madeOf: text('made_of').notNull(),
  },
  (t) => keysOf('wall', 'walls', t, tableOf),
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
    activity: text('activity'),
  },
  (t) => keysOf('zone', 'zones', t, tableOf),
)

export const categories = pgTable(
  'categories',
  {
    ...own(),
    name: text('name').notNull(),
    place: integer('place').notNull(),
  },
  (t) => keysOf('category', 'categories', t, tableOf),
)

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
    viewName: text('view_name').notNull(),
    viewL: doublePrecision('view_l'),
    viewA: doublePrecision('view_a'),
    viewB: doublePrecision('view_b'),
    round: boolean('round').notNull(),
    sharesId: uuid('shares_id'),
  },
  (t) => keysOf('opening', 'openings', t, tableOf),
)

export const pieces = pgTable(
  'pieces',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    zoneId: uuid('zone_id'),
    categoryId: uuid('category_id'),
    name: text('name').notNull(),
    thing: text('thing').notNull(),
    quantity: quantity('quantity').notNull(),
    unit: text('unit').notNull(),
    allowanceMinor: minor('allowance_minor').notNull(),
    chosenId: uuid('chosen_id'),
    chosenReason: text('chosen_reason').notNull(),
    setName: text('set_name').notNull(),
    widthMm: doublePrecision('width_mm'),
    depthMm: doublePrecision('depth_mm'),
    heightMm: doublePrecision('height_mm'),
    hides: boolean('hides').notNull(),
    wallId: uuid('wall_id'),
    aboveMm: doublePrecision('above_mm').notNull(),
    openingId: uuid('opening_id'),
    wantedOn: day('wanted_on'),
  },
  (t) => keysOf('piece', 'pieces', t, tableOf),
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
    leadDays: integer('lead_days'),
    returnDays: integer('return_days'),
    returnFrom: text('return_from').notNull(),
    adjustDays: integer('adjust_days'),
    leadLeastDays: integer('lead_least_days'),
    leadMostDays: integer('lead_most_days'),
    leadWorking: boolean('lead_working').notNull(),
    priceKind: text('price_kind').notNull(),
    pricedOn: day('priced_on'),
    labL: doublePrecision('lab_l'),
    labA: doublePrecision('lab_a'),
    labB: doublePrecision('lab_b'),
    widthMm: doublePrecision('width_mm'),
    depthMm: doublePrecision('depth_mm'),
    heightMm: doublePrecision('height_mm'),
    lifeYears: doublePrecision('life_years'),
    methods: text('methods').notNull(),
    qualities: text('qualities').notNull(),
    weightKg: doublePrecision('weight_kg'),
    holds: quantity('holds'),
    topMm: doublePrecision('top_mm'),
    front: text('front'),
    madeOf: text('made_of'),
    cleaning: text('cleaning'),
    warranty: text('warranty').notNull(),
    suits: text('suits').notNull(),
    styles: text('styles').notNull(),
    holes: integer('holes'),
    promisedOn: day('promised_on'),
    fallBack: text('fall_back').notNull(),
    toAsk: text('to_ask').notNull(),
    turnedDown: text('turned_down'),
  },
  (t) => keysOf('candidate', 'candidates', t, tableOf),
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
    offCoupon: boolean('off_coupon').notNull(),
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
    leadDays: integer('lead_days'),
    returnDays: integer('return_days'),
    returnFrom: text('return_from').notNull(),
    adjustDays: integer('adjust_days'),
  },
  (t) => keysOf('purchase', 'purchases', t, tableOf),
)

export const deliveries = pgTable(
  'deliveries',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    packs: integer('packs').notNull(),
    receivedOn: day('received_on').notNull(),
    damagedPacks: integer('damaged_packs').notNull(),
    cameInstead: text('came_instead').notNull(),
    note: text('note').notNull(),
  },
  (t) => keysOf('delivery', 'deliveries', t, tableOf),
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
  (t) => keysOf('inspiration', 'inspirations', t, tableOf),
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
    labL: doublePrecision('lab_l').notNull(),
    labA: doublePrecision('lab_a').notNull(),
    labB: doublePrecision('lab_b').notNull(),
    colourSource: text('colour_source').notNull(),
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
    tested: text('tested'),
    lrv: doublePrecision('lrv'),
    touchUp: boolean('touch_up').notNull(),
    weave: text('weave').notNull(),
  },
  (t) => keysOf('finish', 'finishes', t, tableOf),
)

export const tasks = pgTable(
  'tasks',
  {
    ...own(),
    key: text('key').notNull(),
    name: text('name').notNull(),
    roomId: uuid('room_id'),
    trade: text('trade').notNull(),
    leastDays: doublePrecision('least_days'),
    likelyDays: doublePrecision('likely_days'),
    mostDays: doublePrecision('most_days'),
    people: integer('people').notNull(),
    pinnedOn: day('pinned_on'),
    doneOn: day('done_on'),
    leftOut: boolean('left_out').notNull(),
    note: text('note').notNull(),
    parts: integer('parts').notNull(),
    dryWeather: boolean('dry_weather').notNull(),
    pieceId: uuid('piece_id'),
    isAway: boolean('is_away').notNull(),
  },
  (t) => keysOf('task', 'tasks', t, tableOf),
)

export const snags = pgTable(
  'snags',
  {
    ...own(),
    roomId: uuid('room_id'),
    pieceId: uuid('piece_id'),
    says: text('says').notNull(),
    trade: text('trade').notNull(),
    byOn: day('by_on'),
    doneOn: day('done_on'),
    note: text('note').notNull(),
  },
  (t) => keysOf('snag', 'snags', t, tableOf),
)

export const presentations = pgTable(
  'presentations',
  {
    ...own(),
    number: integer('number').notNull(),
    greeting: text('greeting').notNull(),
    sentOn: day('sent_on').notNull(),
    isLive: boolean('is_live').notNull(),
    parts: text('parts').notNull(),
    kept: text('kept').notNull(),
  },
  (t) => keysOf('presentation', 'presentations', t, tableOf),
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
  (t) => keysOf('question', 'questions', t, tableOf),
)

export const replies = pgTable(
  'replies',
  {
    ...own(),
    clientId: uuid('client_id').notNull(),
    presentationId: uuid('presentation_id'),
    pieceId: uuid('piece_id'),
    questionId: uuid('question_id'),
    says: text('says').notNull(),
    words: text('words').notNull(),
    atX: doublePrecision('at_x'),
    atY: doublePrecision('at_y'),
    saidOn: day('said_on').notNull(),
    about: text('about').notNull(),
    seenOn: day('seen_on'),
  },
  (t) => keysOf('reply', 'replies', t, tableOf),
)

export const views = pgTable(
  'views',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    wallId: uuid('wall_id'),
    openingId: uuid('opening_id'),
    name: text('name').notNull(),
    place: integer('place').notNull(),
    x0: doublePrecision('x0'),
    y0: doublePrecision('y0'),
    x1: doublePrecision('x1'),
    y1: doublePrecision('y1'),
    x2: doublePrecision('x2'),
    y2: doublePrecision('y2'),
    x3: doublePrecision('x3'),
    y3: doublePrecision('y3'),
  },
  (t) => keysOf('view', 'views', t, tableOf),
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
    taskId: uuid('task_id'),
    snagId: uuid('snag_id'),
    replyId: uuid('reply_id'),
    viewId: uuid('view_id'),
    moment: text('moment'),
  },
  (t) => keysOf('attachment', 'attachments', t, tableOf),
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
  (t) => keysOf('acceptance', 'acceptances', t, tableOf),
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
    amount: quantity('amount'),
    unit: text('unit').notNull(),
    untilOn: day('until_on'),
    struckOn: day('struck_on'),
    struckReason: text('struck_reason').notNull(),
  },
  (t) => keysOf('need', 'needs', t, tableOf),
)

export const residents = pgTable(
  'residents',
  {
    ...own(),
    name: text('name').notNull(),
    eyeMm: doublePrecision('eye_mm'),
  },
  (t) => keysOf('resident', 'residents', t, tableOf),
)

export const rulings = pgTable(
  'rulings',
  {
    ...own(),
    rule: text('rule').notNull(),
    value: doublePrecision('value').notNull(),
  },
  (t) => keysOf('ruling', 'rulings', t, tableOf),
)

export const schools = pgTable(
  'schools',
  {
    ...own(),
    question: text('question').notNull(),
    school: text('school').notNull(),
  },
  (t) => keysOf('school', 'schools', t, tableOf),
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
  (t) => keysOf('constraint', 'constraints', t, tableOf),
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
  (t) => keysOf('agreement', 'agreements', t, tableOf),
)

export const agreementLines = pgTable(
  'agreement_lines',
  {
    ...own(),
    agreementId: uuid('agreement_id').notNull(),
    categoryId: uuid('category_id').notNull(),
    amountMinor: minor('amount_minor').notNull(),
  },
  (t) => keysOf('agreementLine', 'agreement_lines', t, tableOf),
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
    holes: integer('holes'),
  },
  (t) => keysOf('permission', 'permissions', t, tableOf),
)

export const scopeChoices = pgTable(
  'scope_choices',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    name: text('name').notNull(),
  },
  (t) => keysOf('scopeChoice', 'scope_choices', t, tableOf),
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
  (t) => keysOf('scopeOption', 'scope_options', t, tableOf),
)

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
  (t) => keysOf('survey', 'surveys', t, tableOf),
)

export const slopes = pgTable(
  'slopes',
  {
    ...own(),
    wallId: uuid('wall_id').notNull(),
    lowMm: doublePrecision('low_mm').notNull(),
    runMm: doublePrecision('run_mm').notNull(),
  },
  (t) => keysOf('slope', 'slopes', t, tableOf),
)

export const diagonals = pgTable(
  'diagonals',
  {
    ...own(),
    fromId: uuid('from_id').notNull(),
    toId: uuid('to_id').notNull(),
    lengthMm: doublePrecision('length_mm').notNull(),
  },
  (t) => keysOf('diagonal', 'diagonals', t, tableOf),
)

export const squareTests = pgTable(
  'square_tests',
  {
    ...own(),
    wallId: uuid('wall_id').notNull(),
    alongMm: doublePrecision('along_mm').notNull(),
    nextMm: doublePrecision('next_mm').notNull(),
    acrossMm: doublePrecision('across_mm').notNull(),
  },
  (t) => keysOf('squareTest', 'square_tests', t, tableOf),
)

export const clearWidths = pgTable(
  'clear_widths',
  {
    ...own(),
    wallId: uuid('wall_id').notNull(),
    openingId: uuid('opening_id'),
    aboveMm: doublePrecision('above_mm').notNull(),
    widthMm: doublePrecision('width_mm').notNull(),
  },
  (t) => keysOf('clearWidth', 'clear_widths', t, tableOf),
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
    widthMm: doublePrecision('width_mm'),
    heightMm: doublePrecision('height_mm'),
    depthMm: doublePrecision('depth_mm'),
    outMm: doublePrecision('out_mm').notNull(),
    note: text('note').notNull(),
    outOfSight: boolean('out_of_sight').notNull(),
  },
  (t) => keysOf('fixture', 'fixtures', t, tableOf),
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
  (t) => keysOf('passage', 'passages', t, tableOf),
)

export const servings = pgTable(
  'servings',
  {
    ...own(),
    needId: uuid('need_id').notNull(),
    pieceId: uuid('piece_id').notNull(),
  },
  (t) => keysOf('serving', 'servings', t, tableOf),
)

export const candidateColours = pgTable(
  'candidate_colours',
  {
    ...own(),
    candidateId: uuid('candidate_id').notNull(),
    labL: doublePrecision('lab_l').notNull(),
    labA: doublePrecision('lab_a').notNull(),
    labB: doublePrecision('lab_b').notNull(),
  },
  (t) => keysOf('candidateColour', 'candidate_colours', t, tableOf),
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
  (t) => keysOf('price', 'prices', t, tableOf),
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
  (t) => keysOf('substitution', 'substitutions', t, tableOf),
)

export const patternParts = pgTable(
  'pattern_parts',
  {
    ...own(),
    finishId: uuid('finish_id').notNull(),
    partId: uuid('part_id').notNull(),
    sharePpm: integer('share_ppm').notNull(),
  },
  (t) => keysOf('patternPart', 'pattern_parts', t, tableOf),
)

export const takenColours = pgTable(
  'taken_colours',
  {
    ...own(),
    attachmentId: uuid('attachment_id').notNull(),
    sharePpm: integer('share_ppm').notNull(),
    labL: doublePrecision('lab_l').notNull(),
    labA: doublePrecision('lab_a').notNull(),
    labB: doublePrecision('lab_b').notNull(),
  },
  (t) => keysOf('takenColour', 'taken_colours', t, tableOf),
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
  (t) => keysOf('sample', 'samples', t, tableOf),
)

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
  (t) => keysOf('viewing', 'viewings', t, tableOf),
)

export const treatments = pgTable(
  'treatments',
  {
    ...own(),
    finishId: uuid('finish_id').notNull(),
    place: doublePrecision('place').notNull(),
    how: text('how').notNull(),
    pieceId: uuid('piece_id'),
    insteadOfId: uuid('instead_of_id'),
    layout: text('layout').notNull(),
    turned: boolean('turned').notNull(),
    startMm: doublePrecision('start_mm').notNull(),
    upMm: doublePrecision('up_mm').notNull(),
    reuse: boolean('reuse').notNull(),
    coats: integer('coats'),
    under: text('under').notNull(),
    jointMm: doublePrecision('joint_mm'),
    leftOver: doublePrecision('left_over').notNull(),
    leftFrom: text('left_from').notNull(),
    panels: integer('panels'),
    gapMm: doublePrecision('gap_mm'),
    profile: text('profile'),
    thickMm: doublePrecision('thick_mm'),
    baseMm: doublePrecision('base_mm'),
    everyMm: doublePrecision('every_mm'),
    leaveOut: text('leave_out').notNull(),
    note: text('note').notNull(),
  },
  (t) => keysOf('treatment', 'treatments', t, tableOf),
)

export const treatedParts = pgTable(
  'treated_parts',
  {
    ...own(),
    treatmentId: uuid('treatment_id').notNull(),
    surface: text('surface').notNull(),
    wallId: uuid('wall_id'),
    openingId: uuid('opening_id'),
    bandFromMm: doublePrecision('band_from_mm'),
    bandToMm: doublePrecision('band_to_mm'),
    alongFromMm: doublePrecision('along_from_mm'),
    alongToMm: doublePrecision('along_to_mm'),
  },
  (t) => keysOf('treatedPart', 'treated_parts', t, tableOf),
)

export const makeUps = pgTable(
  'make_ups',
  {
    ...own(),
    candidateId: uuid('candidate_id').notNull(),
    rateM2: doublePrecision('rate_m2'),
    coats: integer('coats'),
    widthMm: doublePrecision('width_mm'),
    lengthMm: doublePrecision('length_mm'),
    thickMm: doublePrecision('thick_mm'),
    repeatMm: doublePrecision('repeat_mm'),
    match: text('match').notNull(),
    offsetMm: doublePrecision('offset_mm'),
    jointMm: doublePrecision('joint_mm'),
    kerfMm: doublePrecision('kerf_mm'),
  },
  (t) => keysOf('makeUp', 'make_ups', t, tableOf),
)

export const saleSizes = pgTable(
  'sale_sizes',
  {
    ...own(),
    candidateId: uuid('candidate_id').notNull(),
    name: text('name').notNull(),
    holds: quantity('holds').notNull(),
    priceMinor: minor('price_minor').notNull(),
    widthMm: doublePrecision('width_mm'),
    lengthMm: doublePrecision('length_mm'),
    wanted: integer('wanted').notNull(),
  },
  (t) => keysOf('saleSize', 'sale_sizes', t, tableOf),
)

export const sundries = pgTable(
  'sundries',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    stands: text('stands').notNull(),
    name: text('name').notNull(),
    quantity: doublePrecision('quantity').notNull(),
    unit: text('unit').notNull(),
    have: boolean('have').notNull(),
    pieceId: uuid('piece_id'),
  },
  (t) => keysOf('sundry', 'sundries', t, tableOf),
)

export const dressings = pgTable(
  'dressings',
  {
    ...own(),
    openingId: uuid('opening_id').notNull(),
    place: doublePrecision('place').notNull(),
    what: text('what').notNull(),
    finishId: uuid('finish_id'),
    pieceId: uuid('piece_id'),
    hung: text('hung').notNull(),
    inside: boolean('inside').notNull(),
    roundBay: boolean('round_bay').notNull(),
    heading: text('heading').notNull(),
    fullness: doublePrecision('fullness'),
    falls: text('falls').notNull(),
    pair: boolean('pair').notNull(),
    lining: text('lining').notNull(),
    centred: boolean('centred').notNull(),
    trackMm: doublePrecision('track_mm'),
    atMm: doublePrecision('at_mm'),
    returnMm: doublePrecision('return_mm'),
    staysMm: doublePrecision('stays_mm'),
    standOffMm: doublePrecision('stand_off_mm'),
    dark: text('dark'),
    note: text('note').notNull(),
  },
  (t) => keysOf('dressing', 'dressings', t, tableOf),
)

export const makings = pgTable(
  'makings',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    place: doublePrecision('place').notNull(),
    name: text('name').notNull(),
    calculator: text('calculator').notNull(),
    counts: boolean('counts').notNull(),
    clothId: uuid('cloth_id'),
    finishId: uuid('finish_id'),
    secondId: uuid('second_id'),
    hours: quantity('hours'),
    rateMinor: minor('rate_minor').notNull(),
    hireMinor: minor('hire_minor').notNull(),
    boughtMinor: minor('bought_minor').notNull(),
    note: text('note').notNull(),
  },
  (t) => keysOf('making', 'makings', t, tableOf),
)

export const measures = pgTable(
  'measures',
  {
    ...own(),
    makingId: uuid('making_id').notNull(),
    asked: text('asked').notNull(),
    answer: text('answer').notNull(),
  },
  (t) => keysOf('measure', 'measures', t, tableOf),
)

export const supplies = pgTable(
  'supplies',
  {
    ...own(),
    makingId: uuid('making_id').notNull(),
    name: text('name').notNull(),
    needed: quantity('needed').notNull(),
    unit: text('unit').notNull(),
    atHome: doublePrecision('at_home').notNull(),
    packSize: quantity('pack_size').notNull(),
    packMinor: minor('pack_minor').notNull(),
    place: integer('place').notNull(),
  },
  (t) => keysOf('supply', 'supplies', t, tableOf),
)

export const layouts = pgTable(
  'layouts',
  {
    ...own(),
    roomId: uuid('room_id').notNull(),
    name: text('name').notNull(),
    place: doublePrecision('place').notNull(),
    inForce: boolean('in_force').notNull(),
  },
  (t) => keysOf('layout', 'layouts', t, tableOf),
)

export const standings = pgTable(
  'standings',
  {
    ...own(),
    layoutId: uuid('layout_id').notNull(),
    pieceId: uuid('piece_id').notNull(),
    number: integer('number').notNull(),
    xMm: doublePrecision('x_mm').notNull(),
    yMm: doublePrecision('y_mm').notNull(),
    turnDeg: doublePrecision('turn_deg').notNull(),
    pinned: boolean('pinned').notNull(),
  },
  (t) => keysOf('standing', 'standings', t, tableOf),
)

export const footprints = pgTable(
  'footprints',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    shape: text('shape').notNull(),
    notchWidthMm: doublePrecision('notch_width_mm'),
    notchDepthMm: doublePrecision('notch_depth_mm'),
    points: text('points').notNull(),
    clearUnderMm: doublePrecision('clear_under_mm'),
    legsInMm: doublePrecision('legs_in_mm'),
    frontMm: doublePrecision('front_mm'),
    backMm: doublePrecision('back_mm'),
    leftMm: doublePrecision('left_mm'),
    rightMm: doublePrecision('right_mm'),
    leadMm: doublePrecision('lead_mm'),
    packedWidthMm: doublePrecision('packed_width_mm'),
    packedDepthMm: doublePrecision('packed_depth_mm'),
    packedHeightMm: doublePrecision('packed_height_mm'),
    legsOffMm: doublePrecision('legs_off_mm'),
  },
  (t) => keysOf('footprint', 'footprints', t, tableOf),
)

export const openStates = pgTable(
  'open_states',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    name: text('name').notNull(),
    frontMm: doublePrecision('front_mm').notNull(),
    backMm: doublePrecision('back_mm').notNull(),
    leftMm: doublePrecision('left_mm').notNull(),
    rightMm: doublePrecision('right_mm').notNull(),
    heightMm: doublePrecision('height_mm'),
  },
  (t) => keysOf('openState', 'open_states', t, tableOf),
)

export const hangings = pgTable(
  'hangings',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    number: integer('number').notNull(),
    wallId: uuid('wall_id').notNull(),
    alongMm: doublePrecision('along_mm').notNull(),
    centreMm: doublePrecision('centre_mm').notNull(),
    why: text('why').notNull(),
    groupName: text('group_name').notNull(),
  },
  (t) => keysOf('hanging', 'hangings', t, tableOf),
)

export const fixings = pgTable(
  'fixings',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    method: text('method').notNull(),
    hooks: integer('hooks').notNull(),
    dropMm: doublePrecision('drop_mm'),
    spreadMm: doublePrecision('spread_mm'),
    stripKg: doublePrecision('strip_kg'),
  },
  (t) => keysOf('fixing', 'fixings', t, tableOf),
)

export const lamps = pgTable(
  'lamps',
  {
    ...own(),
    candidateId: uuid('candidate_id').notNull(),
    lumens: doublePrecision('lumens').notNull(),
    kelvin: doublePrecision('kelvin'),
    spread: text('spread').notNull(),
    beamDeg: doublePrecision('beam_deg'),
    sourceMm: doublePrecision('source_mm'),
    dims: boolean('dims').notNull(),
    water: integer('water'),
  },
  (t) => keysOf('lamp', 'lamps', t, tableOf),
)

export const shelvings = pgTable(
  'shelvings',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    heights: text('heights').notNull(),
  },
  (t) => keysOf('shelving', 'shelvings', t, tableOf),
)

export const showpieces = pgTable(
  'showpieces',
  {
    ...own(),
    pieceId: uuid('piece_id').notNull(),
    board: integer('board').notNull(),
    alongMm: doublePrecision('along_mm').notNull(),
    name: text('name').notNull(),
    what: text('what').notNull(),
    widthMm: doublePrecision('width_mm').notNull(),
    heightMm: doublePrecision('height_mm').notNull(),
    depthMm: doublePrecision('depth_mm'),
    madeOf: text('made_of'),
    labL: doublePrecision('lab_l'),
    labA: doublePrecision('lab_a'),
    labB: doublePrecision('lab_b'),
    heavy: boolean('heavy').notNull(),
    leads: boolean('leads').notNull(),
  },
  (t) => keysOf('showpiece', 'showpieces', t, tableOf),
)

export const rugSizes = pgTable(
  'rug_sizes',
  {
    ...own(),
    widthMm: doublePrecision('width_mm').notNull(),
    lengthMm: doublePrecision('length_mm').notNull(),
    leftOut: boolean('left_out').notNull(),
  },
  (t) => keysOf('rugSize', 'rug_sizes', t, tableOf),
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
    wholeGroup: boolean('whole_group').notNull(),
  },
  (t) => keysOf('credit', 'credits', t, tableOf),
)

export const placings = pgTable(
  'placings',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    placedOn: day('placed_on').notNull(),
    tagsOffOn: day('tags_off_on'),
  },
  (t) => keysOf('placing', 'placings', t, tableOf),
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
  (t) => keysOf('cancellation', 'cancellations', t, tableOf),
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
    carriageMinor: minor('carriage_minor').notNull(),
    settles: text('settles').notNull(),
    acceptedOn: day('accepted_on'),
    wantedAgain: boolean('wanted_again').notNull(),
  },
  (t) => keysOf('return', 'returns', t, tableOf),
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
  (t) => keysOf('claim', 'claims', t, tableOf),
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
    reason: text('reason').notNull(),
  },
  (t) => keysOf('payment', 'payments', t, tableOf),
)

export const fees = pgTable(
  'fees',
  {
    ...own(),
    categoryId: uuid('category_id').notNull(),
    name: text('name').notNull(),
    way: text('way').notNull(),
    amountMinor: minor('amount_minor').notNull(),
    ratePpm: integer('rate_ppm').notNull(),
    base: text('base').notNull(),
    expectedHours: doublePrecision('expected_hours').notNull(),
    taxPpm: integer('tax_ppm').notNull(),
  },
  (t) => keysOf('fee', 'fees', t, tableOf),
)

export const stints = pgTable(
  'stints',
  {
    ...own(),
    feeId: uuid('fee_id').notNull(),
    workedOn: day('worked_on').notNull(),
    minutes: integer('minutes').notNull(),
    what: text('what').notNull(),
  },
  (t) => keysOf('stint', 'stints', t, tableOf),
)

export const stages = pgTable(
  'stages',
  {
    ...own(),
    name: text('name').notNull(),
    kind: text('kind').notNull(),
    amountMinor: minor('amount_minor').notNull(),
    askedOn: day('asked_on').notNull(),
    dueOn: day('due_on'),
  },
  (t) => keysOf('stage', 'stages', t, tableOf),
)

export const receipts = pgTable(
  'receipts',
  {
    ...own(),
    stageId: uuid('stage_id'),
    direction: text('direction').notNull(),
    amountMinor: minor('amount_minor').notNull(),
    receivedOn: day('received_on').notNull(),
    tender: text('tender').notNull(),
    reversesId: uuid('reverses_id'),
    note: text('note').notNull(),
  },
  (t) => keysOf('receipt', 'receipts', t, tableOf),
)

export const hands = pgTable(
  'hands',
  {
    ...own(),
    name: text('name').notNull(),
    does: text('does').notNull(),
    daysWorked: text('days_worked').notNull(),
    dayMinor: minor('day_minor'),
    note: text('note').notNull(),
  },
  (t) => keysOf('hand', 'hands', t, tableOf),
)

export const absences = pgTable(
  'absences',
  {
    ...own(),
    handId: uuid('hand_id'),
    name: text('name').notNull(),
    fromOn: day('from_on').notNull(),
    untilOn: day('until_on').notNull(),
  },
  (t) => keysOf('absence', 'absences', t, tableOf),
)

export const taskLinks = pgTable(
  'task_links',
  {
    ...own(),
    taskKey: text('task_key').notNull(),
    afterKey: text('after_key').notNull(),
    waitDays: doublePrecision('wait_days').notNull(),
  },
  (t) => keysOf('taskLink', 'task_links', t, tableOf),
)

export const arrivals = pgTable(
  'arrivals',
  {
    ...own(),
    purchaseId: uuid('purchase_id').notNull(),
    packs: integer('packs').notNull(),
    state: text('state').notNull(),
    comesOn: day('comes_on').notNull(),
    earliestMinute: integer('earliest_minute'),
    latestMinute: integer('latest_minute'),
    letsIn: text('lets_in').notNull(),
    waitsInId: uuid('waits_in_id'),
    waitsAt: text('waits_at').notNull(),
    answer: text('answer').notNull(),
    saidOn: day('said_on'),
    isSimulated: boolean('is_simulated').notNull(),
  },
  (t) => keysOf('arrival', 'arrivals', t, tableOf),
)

export const deferrals = pgTable(
  'deferrals',
  {
    ...own(),
    pieceId: uuid('piece_id'),
    roomId: uuid('room_id'),
    name: text('name').notNull(),
    waitsFor: text('waits_for').notNull(),
    costMinor: minor('cost_minor').notNull(),
    wantedOn: day('wanted_on'),
  },
  (t) => keysOf('deferral', 'deferrals', t, tableOf),
)

export const ticks = pgTable(
  'ticks',
  {
    ...own(),
    needId: uuid('need_id').notNull(),
    state: text('state').notNull(),
    note: text('note').notNull(),
    tickedOn: day('ticked_on').notNull(),
  },
  (t) => keysOf('tick', 'ticks', t, tableOf),
)

export const closings = pgTable(
  'closings',
  {
    ...own(),
    closedOn: day('closed_on').notNull(),
    signedById: uuid('signed_by_id'),
    statement: text('statement').notNull(),
    digest: text('digest').notNull(),
    reopenedOn: day('reopened_on'),
    reason: text('reason').notNull(),
  },
  (t) => keysOf('closing', 'closings', t, tableOf),
)

export const reminders = pgTable(
  'reminders',
  {
    ...own(),
    what: text('what').notNull(),
    pieceId: uuid('piece_id'),
    says: text('says').notNull(),
    dueOn: day('due_on').notNull(),
    everyMonths: integer('every_months'),
    storedAt: text('stored_at').notNull(),
    doneOn: day('done_on'),
  },
  (t) => keysOf('reminder', 'reminders', t, tableOf),
)

export const studioTables = {
  studio: studios,
  seller: sellers,
  studioRuling: studioRulings,
  studioSchool: studioSchools,
  template: templates,
  sellerEntry: sellerEntries,
  stock: stocks,
}
export const makeoverTables = {
  makeover: makeovers,
  client: clients,
  room: rooms,
  coupon: coupons,
  order: orders,
  wall: walls,
  zone: zones,
  category: categories,
  opening: openings,
  piece: pieces,
  candidate: candidates,
  purchase: purchases,
  delivery: deliveries,
  inspiration: inspirations,
  finish: finishes,
  task: tasks,
  snag: snags,
  presentation: presentations,
  question: questions,
  reply: replies,
  view: views,
  attachment: attachments,
  acceptance: acceptances,
  need: needs,
  resident: residents,
  ruling: rulings,
  school: schools,
  constraint: constraints,
  agreement: agreements,
  agreementLine: agreementLines,
  permission: permissions,
  scopeChoice: scopeChoices,
  scopeOption: scopeOptions,
  survey: surveys,
  slope: slopes,
  diagonal: diagonals,
  squareTest: squareTests,
  clearWidth: clearWidths,
  fixture: fixtures,
  passage: passages,
  serving: servings,
  candidateColour: candidateColours,
  price: prices,
  substitution: substitutions,
  patternPart: patternParts,
  takenColour: takenColours,
  sample: samples,
  viewing: viewings,
  treatment: treatments,
  treatedPart: treatedParts,
  makeUp: makeUps,
  saleSize: saleSizes,
  sundry: sundries,
  dressing: dressings,
  making: makings,
  measure: measures,
  supply: supplies,
  layout: layouts,
  standing: standings,
  footprint: footprints,
  openState: openStates,
  hanging: hangings,
  fixing: fixings,
  lamp: lamps,
  shelving: shelvings,
  showpiece: showpieces,
  rugSize: rugSizes,
  credit: credits,
  placing: placings,
  cancellation: cancellations,
  return: returns,
  claim: claims,
  payment: payments,
  fee: fees,
  stint: stints,
  stage: stages,
  receipt: receipts,
  hand: hands,
  absence: absences,
  taskLink: taskLinks,
  arrival: arrivals,
  deferral: deferrals,
  tick: ticks,
  closing: closings,
  reminder: reminders,
}
export const tables = { ...studioTables, ...makeoverTables }

function tableOf(kind: Kind): unknown {
  return tables[kind]
}

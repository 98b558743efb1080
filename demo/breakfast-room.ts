/**
 * The breakfast room of a small inn, in a rented building: palette and pieces are being settled, leave is asked of the
 * owner, and the studio buys at trade prices and bills on. Sixty, thirty, ten is followed.
 */
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { rowsOf, type Studio } from '#core/makeover/document.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { chooseAll, type Told } from './music-room.ts'
import { hangs, makes } from './soft-goods.ts'
import { breakfastRoomLengths, serveryLengths } from './surveys.ts'
import { cents, percent, tell } from './telling.ts'

export function breakfastRoom(today: PlainDate, newId: () => string, studio: Studio): Told {
  const told = tell(today, newId, studio, { rate: 8.1, included: true })
  const { day, say, make, idOf, change, finish, done, sold, plan, order, pay, receive, sign } = told
  say('Began the breakfast room', [
    make('makeover', 'head', {
      ...blank.makeover,
      name: 'Breakfast room, the Lantern Inn',
      currency: 'CHF',
      units: 'metric',
      scope: 'refresh',
      installOn: day(96),
    }),
    make('client', 'Maud', { name: 'Maud Seligo' }),
    make('room', 'Breakfast room', { uses: 'traffic, food', name: 'Breakfast room' }),
  ])
  say('Parted the room', [
    make('zone', 'bay', { ...blank.zone, roomId: told.room(), name: 'The bay tables' }),
    make('zone', 'counter', { ...blank.zone, roomId: told.room(), name: 'By the counter' }),
  ])
  told.measure('Measured the breakfast room', told.room(), breakfastRoomLengths)
  say('Took the servery in', [make('room', 'Servery', { uses: '', name: 'Servery' })])
  told.measure('Measured the servery', idOf('room', 'Servery'), serveryLengths)
  const arches = rowsOf(told.documents().makeover, 'opening').filter((row) => row.what === 'arch')
  const [here, there] = arches
  if (here && there) say('Both sides of one arch', [edit('opening', there, { sharesId: here.id })])
  say('Said where the zones lie', [
    change('zone', 'bay', { wallId: told.wall(told.room(), 0), fromMm: 300, widthMm: 6800, depthMm: 1700 }),
    change('zone', 'counter', { wallId: told.wall(told.room(), 2), fromMm: 1000, widthMm: 4200, depthMm: 1900 }),
  ])
  say('Measured the way in', [
    add('passage', newId(), {
      ...blank.passage,
      place: 1,
      what: 'door',
      name: 'Street door',
      widthMm: 900,
      heightMm: 2080,
    }),
    add('passage', newId(), {
      ...blank.passage,
      place: 2,
      what: 'lift',
      name: 'Goods lift, from the yard',
      widthMm: 1050,
      heightMm: 2000,
      depthMm: 1400,
      note: '400 kg',
    }),
  ])
  const need = (key: string, name: string, importance: 'must' | 'should' | 'nice', who: string) =>
    make('need', key, { ...blank.need, roomId: told.room(), zoneId: null, name, importance, who })
  say('Wrote down what the room is for', [
    need('eat', 'Eighteen guests eat at once', 'must', 'guests'),
    need('clear', 'One person clears every table without squeezing', 'must', 'the morning staff'),
    need('wipe', 'Everything can be wiped down', 'must', 'the morning staff'),
    need('light', 'Bright enough at six on a winter morning', 'must', 'guests'),
    need('store', 'Cups and jars within reach of the counter', 'should', 'the morning staff'),
    need('quiet', 'Talk at one table stays there', 'nice', 'guests'),
  ])
  say('Wrote down what the owner forbids', [
    add('constraint', newId(), {
      roomId: null,
      reason: 'tenancy',
      forbids: 'drill',
      note: 'The tiled dado is the owner’s',
    }),
    add('constraint', newId(), { roomId: null, reason: 'tenancy', forbids: 'paint', note: 'Lease, section four' }),
    add('constraint', newId(), {
      roomId: null,
      reason: 'allergies',
      forbids: 'loose fibres',
      note: 'The inn promises it to guests',
    }),
    add('constraint', newId(), {
      roomId: null,
      reason: 'access',
      forbids: 'small parts',
      note: 'Open to the public: ask the local authority about exits and fire class of textiles',
    }),
  ])
  say(
    'Chose whose practice to follow',
    chooseAll(told, {
      colours: 'sixty-thirty-ten',
      begin: 'paint',
      'tenant-walls': 'painted-back',
      'ugly-finish': 'cover',
      cabinets: 'workshop',
      metals: 'match',
      trim: 'soft-white',
      splurge: 'traffic',
    }),
  )
  const clipping = (name: string, liked: string, materials: string, hues: string, words: string) =>
    make('inspiration', name, { name, liked, materials, hues, words })
  say('Put four pictures together', [
    clipping('A dairy in June', 'Tiles that look washed', 'tile, oak', 'milk, moss', 'clean, early'),
    clipping('Tablecloth on a line', 'Stripes that are not shouting', 'linen', 'milk, rust', 'fresh, plain'),
    clipping('Station café', 'Lamps low over every table', 'brass, oak', 'moss, amber', 'warm, early'),
    clipping('Jam on a white plate', 'One red thing', 'ceramic', 'rust, milk', 'fresh, small'),
  ])
  say(
    'Drafted the categories',
    ['Tables and chairs', 'Walls and floor', 'Light', 'Table linen', 'Small things', 'Design'].map((name, place) =>
      make('category', name, { name, place }),
    ),
  )
  plan('The long dresser stays', {
    name: 'Long dresser',
    category: null,
    serves: ['store'],
    zone: 'counter',
    offers: [
      {
        name: 'The inn’s dresser',
        source: 'owned',
        keepReason: 'works',
        origin: 'along the counter wall',
        price: 0,
        hex: '#6f4f35',
        size: [2400, 520, 2050],
      },
    ],
    chosen: 'It holds every cup they have',
  })
  sign(
    'Maud Seligo signed the budget',
    {
      'Tables and chairs': 9800,
      'Walls and floor': 4200,
      Light: 2600,
      'Table linen': 1500,
      'Small things': 700,
      Design: 2600,
    },
    3210,
    'Maud',
    day(-40),
  )

  const fee = (name: string, fields: Partial<Fields<'fee'>> & Pick<Fields<'fee'>, 'way'>) =>
    make('fee', name, {
      ...blank.fee,
      name,
      categoryId: idOf('category', 'Design'),
      taxPpm: percent(8.1),
      ...fields,
    })
  say('Agreed the fees: one sum for the scheme, hours for what follows', [
    fee('The scheme', { way: 'fixed', amountMinor: cents(1100) }),
    fee('Work on site', { way: 'hourly', amountMinor: cents(48), expectedHours: 20 }),
  ])
  const asked = (name: string, amount: number, fields: Partial<Fields<'stage'>> & Pick<Fields<'stage'>, 'askedOn'>) =>
    make('stage', name, { ...blank.stage, name, amountMinor: cents(amount), ...fields })
  say('Asked for a deposit, and for a second sum before the chairs are ordered', [
    asked('Deposit', 2500, { kind: 'deposit', askedOn: day(-39), dueOn: day(-30) }),
    asked('Before the chairs', 3500, { askedOn: day(-12), dueOn: day(4) }),
  ])
  say('The deposit came', [
    make('receipt', 'deposit', {
      ...blank.receipt,
      stageId: idOf('stage', 'Deposit'),
      amountMinor: cents(2500),
      receivedOn: day(-32),
    }),
  ])
  const worked = (what: string, minutes: number, on: number) =>
    make('stint', what, { feeId: idOf('fee', 'Work on site'), what, minutes, workedOn: day(on) })
  say('Noted the hours on site', [
    worked('Measured the room and the way in', 205, -37),
    worked('Samples on the walls, morning and evening', 140, -24),
    worked('Met the joiner about the benches', 75, -9),
  ])

  say('Laid out the palette', [
    finish({
      name: 'Buttermilk',
      role: 'dominant',
      family: 'paint',
      sheen: 'eggshell',
      hex: '#efe6d2',
      usedFor: 'walls above the dado',
      m2: 41,
      surface: 'walls',
      methods: 'paint',
      bandFromMm: 1200,
    }),
    finish({
      name: 'Old tile',
      role: 'dominant',
      family: 'ceramic',
      sheen: 'gloss',
      hex: '#e6e8e2',
      usedFor: 'dado, the owner’s',
      m2: 17,
      texture: 'tile',
      surface: 'walls',
      bandToMm: 1200,
      fate: 'keep',
      condition: 'good',
      material: 'tile',
      laidYear: 1962,
    }),
    finish({
      name: 'Moss bench',
      role: 'secondary',
      family: 'leather',
      sheen: 'satin',
      hex: '#64704c',
      usedFor: 'benches',
      m2: 12,
      surface: 'piece',
    }),
    finish({
      name: 'Fog oak',
      role: 'secondary',
      family: 'wood',
      sheen: 'matt',
      hex: '#b89a72',
      usedFor: 'tables',
      m2: 13,
      surface: 'piece',
    }),
    finish({
      name: 'Grey boards',
      role: 'secondary',
      family: 'wood',
      sheen: 'satin',
      hex: '#a58f74',
      usedFor: 'floor, worn',
      m2: 8,
      surface: 'floor',
      fate: 'camouflage',
      condition: 'worn',
      material: 'wood',
      laidYear: 1931,
    }),
    finish({
      name: 'Rust line',
      role: 'accent',
      family: 'textile',
      sheen: 'matt',
      hex: '#a84f33',
      usedFor: 'runners',
      m2: 3.4,
      surface: 'piece',
    }),
    finish({
      name: 'Runner stripe',
      role: 'accent',
      family: 'textile',
      sheen: 'matt',
      hex: '#f3ecdb',
      usedFor: 'table runners',
      m2: 4.2,
      surface: 'piece',
      pattern: 'stripe',
      patternScale: 'medium',
      repeatMm: 120,
    }),
    finish({
      name: 'Pale brass',
      role: 'accent',
      family: 'metal',
      sheen: 'satin',
      hex: '#b79a5c',
      usedFor: 'lamps',
      m2: 1.2,
      surface: 'piece',
    }),
    finish({
      name: 'Green brass',
      role: 'accent',
      family: 'metal',
      sheen: 'gloss',
      hex: '#a5a24b',
      usedFor: 'hooks, kept',
      m2: 0.3,
      surface: 'piece',
      texture: 'polished',
      fate: 'keep',
      condition: 'good',
    }),
    finish({
      name: 'Fern',
      role: 'accent',
      family: 'greenery',
      sheen: 'matt',
      hex: '#5f7a3c',
      usedFor: 'pots in the bay',
      m2: 0.9,
      surface: 'piece',
    }),
  ])
  say('Said what the stripe carries', [
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Runner stripe'),
      partId: idOf('finish', 'Rust line'),
      sharePpm: percent(30),
    }),
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Runner stripe'),
      partId: idOf('finish', 'Moss bench'),
      sharePpm: percent(15),
    }),
  ])
  say('Ordered boards of both paints', [
    ...told.sample(
      'Buttermilk',
      { ordered: -20, came: -16, by: 'Maud' },
      [0, 'morning', -15, 'right', 'Maud'],
      [2, 'morning', -15, 'open', 'Maud', 'yellower under the slope'],
    ),
    ...told.sample('Moss bench', { ordered: -12 }),
  ])

  say('Asked what to do about the floor', [
    make('scopeChoice', 'floor', { roomId: told.room(), name: 'The worn boards' }),
  ])
  const way = (
    name: string,
    kind: 'cover' | 'repaint' | 'replace' | 'leave',
    cost: number,
    days: number,
    lifeYears: number | null,
    methods: string,
    chosen = false,
  ) =>
    add('scopeOption', newId(), {
      choiceId: idOf('scopeChoice', 'floor'),
      way: kind,
      name,
      costMinor: cents(cost),
      days,
      lifeYears,
      methods,
      chosen,
      pieceId: null,
    })
  say('Priced four ways for the floor', [
    way('Leave them, wax once', 'leave', 160, 1, 1, ''),
    way('Two flat runners, backed', 'cover', 980, 1, 6, '', true),
    way('Sand and paint', 'repaint', 2950, 6, 8, 'paint, remove'),
    way('New oak boards', 'replace', 5400, 9, 30, 'remove'),
  ])

  plan('Planned putting the wall back', {
    name: 'Paint the walls back',
    category: 'Walls and floor',
    allowance: 620,
    offers: [],
  })
  say('Asked the owner for leave to paint', [
    add('permission', newId(), {
      ...blank.permission,
      method: 'paint',
      ask: 'May we paint above the dado?',
      askedOf: 'the owner, by letter',
      askedOn: day(-32),
      answer: 'yes',
      answeredOn: day(-21),
      restore: 'Two coats of the old cream at the end of the lease',
      restorePieceId: idOf('piece', 'Paint the walls back'),
    }),
    add('permission', newId(), {
      ...blank.permission,
      method: 'drill',
      ask: 'Four holes for lamps in the ceiling beam?',
      askedOf: 'the owner, by letter',
      askedOn: day(-9),
      answer: 'waiting',
      answeredOn: null,
      restore: 'Plugged and stained',
      restorePieceId: null,
    }),
  ])

  plan('Planned the tables', {
    name: 'Tables for two',
    category: 'Tables and chairs',
    serves: ['eat', 'wipe'],
    quantity: 9,
    allowance: 4600,
    setName: 'The nine tables',
    widthMm: 700,
    depthMm: 700,
    heightMm: 760,
    offers: [
      {
        from: 'Kestrel Contract',
        name: 'Oak-topped table 70 × 70',
        source: 'trade',
        tradePpm: percent(18),
        price: 465,
        delivery: 120,
        lead: 35,
        returns: 14,
        hex: '#b89a72',
        size: [700, 700, 750],
        madeOf: 'solid wood',
        topMm: 750,
        weightKg: 14,
        lifeYears: 15,
      },
      {
        from: 'The Back Room',
        name: 'Café tables, mixed',
        source: 'second-hand',
        condition: 'two wobble',
        price: 120,
        lead: 4,
        hex: '#8b5e3f',
        size: [750, 720, 740],
        madeOf: 'marble or limestone',
        topMm: 740,
        lifeYears: 6,
      },
    ],
    chosen: 'One height, wiped in a stroke',
  })
  plan('Planned the chairs', {
    name: 'Stacking chairs',
    category: 'Tables and chairs',
    serves: ['eat', 'clear'],
    quantity: 18,
    allowance: 3200,
    offers: [
      {
        from: 'Kestrel Contract',
        name: 'Beech chair, stacks six high',
        source: 'trade',
        tradePpm: percent(18),
        price: 168,
        delivery: 90,
        lead: 35,
        returns: 14,
        hex: '#c19a6b',
        size: [420, 480, 800],
        madeOf: 'solid wood',
        topMm: 455,
        weightKg: 4.2,
        lifeYears: 12,
      },
      {
        from: 'Marl Street Turners',
        name: 'Spindle chair, painted',
        price: 210,
        delivery: 80,
        lead: 42,
        returns: 14,
        hex: '#64704c',
        lifeYears: 20,
      },
    ],
    chosen: 'Eighteen in the corner before the floor is washed',
  })
  plan('Planned the benches', {
    name: 'Bay benches',
    category: 'Tables and chairs',
    serves: ['eat', 'wipe'],
    quantity: 3,
    allowance: 2400,
    zone: 'bay',
    offers: [
      {
        from: 'Oakum Yard',
        name: 'Bench with a moss seat',
        source: 'custom',
        price: 690,
        delivery: 60,
        lead: 49,
        hex: '#64704c',
        lifeYears: 20,
      },
      {
        name: 'Church pews cut down',
        source: 'altered',
        from: 'The Back Room',
        condition: 'oak, long',
        price: 180,
        workMinor: cents(520),
        hours: 12,
        hourMinor: cents(48),
        lead: 21,
        hex: '#8d6b47',
        lifeYears: 25,
      },
    ],
  })
  plan('Planned the lamps', {
    name: 'Lamps over the tables',
    category: 'Light',
    serves: ['light'],
    quantity: 6,
    allowance: 2100,
    offers: [
      {
        from: 'Lantern Row',
        name: 'Brass shade on a long flex',
        price: 285,
        off: 10,
        delivery: 40,
        lead: 20,
        returns: 28,
        window: 45,
        hex: '#b79a5c',
        methods: 'drill, wire in',
        lifeYears: 20,
      },
      {
        from: 'Lantern Row',
        name: 'Clamp-on beam lamp',
        price: 198,
        delivery: 40,
        lead: 14,
        returns: 28,
        window: 45,
        hex: '#b79a5c',
        lifeYears: 12,
      },
    ],
    chosen: 'A pool of light on each table',
  })
  plan('Planned the wall lights', {
    name: 'Wall lights by the counter',
    category: 'Light',
    serves: ['light'],
    quantity: 2,
    allowance: 420,
    zone: 'counter',
    offers: [
      {
        from: 'Lantern Row',
        name: 'Tin wall light',
        price: 146,
        delivery: 0,
        lead: 12,
        returns: 28,
        window: 45,
        hex: '#a9aaa7',
        lifeYears: 15,
      },
    ],
    chosen: 'Plugs in, and hangs from the dresser',
  })
  plan('Planned the runners', {
    name: 'Table runners',
    category: 'Table linen',
    serves: ['quiet'],
    quantity: 9,
    allowance: 620,
    offers: [
      {
        from: 'Harbour Weavers',
        name: 'Striped runner, cottonised flax',
        madeOf: 'linen',
        cleaning: 'machine wash',
        price: 58,
        off: 5,
        delivery: 12,
        lead: 18,
        returns: 21,
        window: 30,
        hex: '#f3ecdb',
        also: ['#a84f33', '#64704c'],
        lifeYears: 3,
      },
      {
        from: 'Sail Loft Supply',
        name: 'Plain canvas runner',
        madeOf: 'cotton',
        cleaning: 'machine wash',
        price: 39,
        delivery: 10,
        lead: 9,
        returns: 14,
        hex: '#e8dfca',
        lifeYears: 4,
      },
    ],
    chosen: 'Holds two colours of the room at once',
  })
  plan('Planned the napkins', {
    name: 'Napkins',
    category: 'Table linen',
    serves: ['wipe'],
    quantity: 60,
    allowance: 520,
    offers: [
      {
        from: 'Harbour Weavers',
        name: 'Napkins, packs of 12',
        price: 84,
        packSize: 12,
        delivery: 0,
        lead: 10,
        returns: 21,
        window: 30,
        hex: '#a84f33',
        lifeYears: 2,
      },
    ],
    chosen: 'Rust hides jam',
  })
  plan('Planned the paint', {
    name: 'Buttermilk for the walls',
    category: 'Walls and floor',
    serves: ['wipe'],
    quantity: 10,
    unit: 'litres',
    allowance: 480,
    hides: true,
    offers: [
      {
        from: 'Slipway Paints',
        name: 'Buttermilk, scrubbable, 5 litres',
        price: 118,
        packSize: 5,
        lead: 3,
        hex: '#efe6d2',
        methods: 'paint',
        priceKind: 'from memory',
        lifeYears: 6,
      },
    ],
    chosen: 'Its board stayed clean by the kettle',
  })
  plan('Planned rented trestles for the works', {
    name: 'Trestles while it is painted',
    category: 'Small things',
    quantity: 6,
    allowance: 220,
    offers: [
      {
        from: 'Gannet & Daughters',
        name: 'Folding trestle, by the week',
        source: 'rented',
        price: 9,
        periods: 3,
        delivery: 30,
        lead: 2,
        goBackOn: day(110),
        hex: '#c8b08a',
      },
    ],
    chosen: 'Breakfast goes on in the hall',
  })
  plan('Planned jars', {
    name: 'Jars for jam',
    category: 'Small things',
    serves: ['store'],
    quantity: 24,
    allowance: 140,
    offers: [{ name: 'From the inn’s cellar', source: 'gift', origin: 'Maud’s aunt', price: 0 }],
    chosen: 'Nobody has jars like these',
  })
  say('Hung the palette on its pieces', [
    change('finish', 'Fog oak', { pieceId: idOf('piece', 'Tables for two') }),
    change('finish', 'Moss bench', { pieceId: idOf('piece', 'Bay benches') }),
    change('finish', 'Runner stripe', { pieceId: idOf('piece', 'Table runners') }),
    change('finish', 'Rust line', { pieceId: idOf('piece', 'Napkins') }),
    change('finish', 'Pale brass', { pieceId: idOf('piece', 'Lamps over the tables') }),
  ])

  const kestrel = told.row('candidate', 'Beech chair, stacks six high').sellerId ?? ''
  say('Found a coupon of Kestrel Contract', [
    make('coupon', 'spring', {
      sellerId: kestrel,
      name: 'Spring opening, 4 %',
      gives: 'percent',
      ratePpm: percent(4),
      amountMinor: minor(0),
      base: 'reduced price',
      minimumMinor: cents(5000),
      endsOn: day(20),
      conditions: 'One order a house, not on sale goods',
    }),
  ])
  order(
    'Ordered tables and chairs in one order',
    'kestrel',
    { 'Oak-topped table 70 × 70': 9, 'Beech chair, stacks six high': 18 },
    day(-10),
    {
      boughtBy: 'studio',
      taxRounding: 'total',
      depositMinor: cents(2000),
      balanceDueOn: day(24),
      reference: 'K-3307',
      coupon: 'spring',
    },
  )
  order(
    'Ordered runners and napkins',
    'weavers',
    { 'Striped runner, cottonised flax': 9, 'Napkins, packs of 12': 5 },
    day(-8),
    { boughtBy: 'studio' },
  )
  pay('Paid the linen', 'weavers', 925.9, day(-8))
  say('Three runners are not to be had in that stripe', [
    add('cancellation', newId(), {
      purchaseId: idOf('purchase', 'Striped runner, cottonised flax'),
      packs: 3,
      cancelledOn: day(-3),
      reason: 'The weaver has yarn for six',
      creditMinor: cents(165.3),
      keptMinor: minor(0),
      wantedAgain: true,
    }),
  ])
  order('Ordered the wall lights', 'lights', { 'Tin wall light': 2 }, day(-19))
  pay('Paid the wall lights', 'lights', 292, day(-19), { tender: 'card' })
  receive('Both wall lights came', 'Tin wall light', 2, day(-9))
  say('One wall light goes back, and the seller took it', [
    add('return', newId(), {
      ...blank.return,
      purchaseId: idOf('purchase', 'Tin wall light'),
      packs: 1,
      sentOn: day(-7),
      reason: 'The plate is bent',
      creditMinor: cents(131.4),
      restockingMinor: cents(14.6),
      settles: 'money',
      acceptedOn: day(-2),
      wantedAgain: false,
    }),
  ])
  say('Asked Maud about the benches', [
    make('question', 'benches', {
      pieceId: idOf('piece', 'Bay benches'),
      candidateId: null,
      ask: 'New benches with moss seats, or the pews cut down?',
      askedOn: day(-6),
      neededBy: day(6),
      answer: 'waiting',
      answerNote: '',
      answeredById: null,
      answeredOn: null,
    }),
  ])
  told.stand('Said where things stand', {
    'Long dresser': [2],
    'Bay benches': [0],
    'Wall lights by the counter': [2, 1500],
  })
  say('Said which paint is for which walls', [
    change('finish', 'Buttermilk', { pieceId: idOf('piece', 'Buttermilk for the walls') }),
  ])
  say('Said how the walls are painted', [
    done('Buttermilk', { pieceId: idOf('piece', 'Buttermilk for the walls'), coats: 2 }),
    ...sold('Buttermilk, scrubbable, 5 litres', { rateM2: 12, coats: 2 }),
  ])
  told.bringToNeed('Brought the paint to what the walls take', 'Buttermilk')
  const servery = idOf('room', 'Servery')
  say('Laid the finishes of the servery', [
    finish({
      name: 'Milk tile',
      role: 'dominant',
      roomId: servery,
      family: 'ceramic',
      sheen: 'gloss',
      texture: 'tile',
      hex: '#eeeae0',
      usedFor: 'behind the sink run',
      m2: null,
      surface: 'walls',
      wallId: told.wall(servery, 1),
      bandToMm: 1600,
    }),
    finish({
      name: 'Flour',
      role: 'secondary',
      roomId: servery,
      family: 'paint',
      sheen: 'satin',
      hex: '#f0ebdd',
      usedFor: 'trim',
      m2: null,
      surface: 'trim',
      methods: 'paint',
    }),
  ])
  plan('Looked for tile', {
    name: 'Tile for the servery',
    category: 'Walls and floor',
    thing: 'material',
    roomId: servery,
    quantity: 1,
    unit: 'tiles',
    allowance: 240,
    offers: [
      {
        from: 'Gannet & Daughters',
        name: 'Milk tile, 200 × 100, boxes of 50',
        price: 39,
        packSize: 50,
        lead: 8,
        returns: 30,
      },
      {
        from: 'Slipway Paints',
        name: 'Milk tile, 150 × 150, boxes of 44',
        price: 34,
        packSize: 44,
        lead: 5,
        returns: 14,
      },
    ],
    chosen: 'The long ones lie as the old ones do',
  })
  plan('Looked for skirting', {
    name: 'Skirting for the servery',
    category: 'Walls and floor',
    thing: 'material',
    roomId: servery,
    quantity: 1,
    unit: 'lengths',
    allowance: 120,
    offers: [{ from: 'Gannet & Daughters', name: 'Pine skirting, 95 mm', price: 11.5, lead: 4, returns: 30 }],
    chosen: 'It takes the paint of the trim',
  })
  say('Said what tile and skirting are made up of', [
    ...sold('Milk tile, 200 × 100, boxes of 50', { widthMm: 200, lengthMm: 100, thickMm: 8, jointMm: 2 }),
    ...sold('Milk tile, 150 × 150, boxes of 44', { widthMm: 150, lengthMm: 150, thickMm: 7, jointMm: 2 }),
    ...sold('Pine skirting, 95 mm', { lengthMm: 2400, thickMm: 15, kerfMm: 3 }, [
      { name: '3 m', lengthMm: 3000, price: 14 },
      { name: '4.2 m', lengthMm: 4200, price: 19 },
    ]),
    done('Milk tile', { pieceId: idOf('piece', 'Tile for the servery'), layout: 'half' }),
    ...told.treat('skirting', 'Flour', [{ surface: 'trim' }], {
      how: 'moulding',
      profile: 'skirting',
      pieceId: idOf('piece', 'Skirting for the servery'),
    }),
  ])
  told.bringToNeed('Counted the tile', 'Milk tile')
  order('Ordered the tile', 'tile', { 'Milk tile, 200 × 100, boxes of 50': 2 }, day(-3))
  say('The owner asked for tile up to the shelf', [told.reach('Milk tile', { bandToMm: 1850 })])
  told.bringToNeed('Counted the skirting', 'Flour')
  plan('Looked for boards for the servery', {
    name: 'Boards for the servery',
    category: 'Walls and floor',
    thing: 'material',
    roomId: servery,
    quantity: 1,
    unit: 'boards',
    allowance: 260,
    offers: [
      {
        from: 'Gannet & Daughters',
        name: 'Larch board, 1200 × 140, packs of 8',
        price: 46,
        packSize: 8,
        lead: 12,
        returns: 30,
      },
    ],
    chosen: 'Laid loose over the old floor, and lifted at the end of the lease',
  })
  say('Laid boards in the servery', [
    ...sold('Larch board, 1200 × 140, packs of 8', { widthMm: 140, lengthMm: 1200, thickMm: 14 }),
    finish({
      name: 'Pale larch',
      role: 'secondary',
      roomId: servery,
      family: 'wood',
      sheen: 'matt',
      hex: '#cdb592',
      usedFor: 'floor',
      m2: null,
      surface: 'floor',
    }),
  ])
  say('Said that the floor takes them', [done('Pale larch', { pieceId: idOf('piece', 'Boards for the servery') })])
  told.bringToNeed('Counted the boards', 'Pale larch')
  plan('Looked for boards', {
    name: 'Boards for the floor',
    category: 'Walls and floor',
    thing: 'material',
    quantity: 1,
    unit: 'boards',
    allowance: 0,
    offers: [
      { from: 'Gannet & Daughters', name: 'Oak board, 1900 × 180, packs of 6', price: 128, packSize: 6, lead: 21 },
    ],
  })
  say('Thought of new boards in place of the worn ones', [
    ...sold('Oak board, 1900 × 180, packs of 6', { widthMm: 180, lengthMm: 1900, thickMm: 14 }),
    finish({
      name: 'Pale oak',
      role: 'secondary',
      family: 'wood',
      sheen: 'matt',
      hex: '#c7ae88',
      usedFor: 'floor',
      m2: null,
    }),
  ])
  const rows = [
    ...[1700, 2900, 4100, 5300, 6500].map((x) => [x, -1170] as const),
    ...[2300, 3500, 4700, 5900].map((x) => [x, -3100] as const),
  ]
  say('Asked how the benches come', [
    ...told.sized({ 'Bay benches': [3200, 520, 880] }),
    change('zone', 'bay', { activity: 'eat' }),
    ...told.gives({
      'Brass shade on a long flex': { lumens: 470, kelvin: 2700, spread: 'down', dims: true },
      'Clamp-on beam lamp': { lumens: 600, kelvin: 4000, spread: 'beam', beamDeg: 60 },
    }),
    add('footprint', newId(), {
      ...blank.footprint,
      pieceId: idOf('piece', 'Bay benches'),
      packedWidthMm: 3260,
      packedDepthMm: 600,
      packedHeightMm: 940,
    }),
  ])
  say('Said how large the lamps are, and how low they hang', [
    change('piece', 'Lamps over the tables', { aboveMm: 1500, widthMm: 320, depthMm: 320, heightMm: 240 }),
  ])
  say(
    'Tried where things stand',
    told.furnish('As it will be', told.room(), {
      'Long dresser': [[266, -1700, 90]],
      'Tables for two': rows,
      'Lamps over the tables': rows.slice(0, 6).map(([x, y]) => [x, y] as const),
      'Stacking chairs': rows.flatMap(([x, y]) => [[x, y + 490, 0] as const, [x, y - 490, 180] as const]),
    }),
  )
  const worn = done('Grey boards', {})
  say(
    'Laid the boards to look at them',
    told.treat('boards', 'Pale oak', [{ surface: 'floor' }], {
      insteadOfId: worn.id,
      pieceId: idOf('piece', 'Boards for the floor'),
    }),
  )
  say('A blind in the first of the low windows, its stripe in the middle', [
    hangs(told, 0, 0, { what: 'Roman blind', inside: true, centred: true, finishId: idOf('finish', 'Runner stripe') }),
  ])
  say('Covers for the benches, the stripe along them', [
    ...makes(
      told,
      'Bay benches',
      {
        name: 'Cover with a stripe',
        calculator: 'cushions',
        finishId: idOf('finish', 'Runner stripe'),
        secondId: idOf('finish', 'Moss bench'),
        hours: 9,
        rateMinor: cents(30),
        boughtMinor: cents(640),
      },
      {
        thing: 'bench cover',
        count: 2,
        size: 1600,
        depth: 420,
        height: 60,
        edge: 'piped',
        back: 'no',
        clothWidth: 1400,
        repeat: 0,
        centred: 'no',
        way: 'along its width',
      },
      [
        { name: 'Striped flax', needed: 5, unit: 'm', atHome: 0.8, packSize: 1, packMinor: cents(38) },
        { name: 'Moss plush', needed: 1.8, unit: 'm', atHome: 0, packSize: 1, packMinor: cents(44) },
        { name: 'Foam, 160 × 42 × 6', needed: 2, unit: 'pieces', atHome: 0, packSize: 1, packMinor: cents(46) },
        { name: 'Zips, 150 cm', needed: 2, unit: 'pieces', atHome: 2, packSize: 1, packMinor: cents(6.5) },
        { name: 'Piping cord, 25 m', needed: 17, unit: 'm', atHome: 0, packSize: 25, packMinor: cents(12) },
      ],
    ),
  ])
  say('Nobody works while the inn is full', [
    make('absence', 'full', { handId: null, name: 'The inn is full', fromOn: day(22), untilOn: day(28) }),
  ])
  const comes = (piece: string, fields: Partial<Fields<'arrival'>>) => {
    const pieceId = idOf('piece', piece)
    const line = rowsOf(told.documents().makeover, 'purchase').find((row) => row.pieceId === pieceId)
    if (!line) throw new Error(`${piece} is ordered`)
    return make('arrival', piece, {
      ...blank.arrival,
      purchaseId: line.id,
      packs: line.packs,
      comesOn: day(2),
      ...fields,
    })
  }
  say('Arranged what comes, and where it waits', [
    comes('Napkins', { state: 'confirmed', earliestMinute: 9 * 60, latestMinute: 12 * 60, letsIn: 'the kitchen' }),
    comes('Tables for two', {
      state: 'confirmed',
      comesOn: day(25),
      earliestMinute: 7 * 60,
      latestMinute: 9 * 60,
      letsIn: 'the innkeeper',
      waitsAt: 'the barn',
    }),
  ])
  say('Her brother keeps the books', [make('client', 'Hale', { name: 'Hale Seligo' })])
  const version = told.present('The breakfast room, as it will be when the guests come down.', -6)
  const clients = rowsOf(told.documents().makeover, 'client')
  for (const [at, client] of clients.entries())
    say(`${client.name} says yes`, [
      make('reply', `yes ${at}`, {
        ...blank.reply,
        clientId: client.id,
        presentationId: version,
        says: 'yes',
        words: at === 0 ? 'Go ahead, please.' : '',
        saidOn: day(-4 + at),
        seenOn: day(-3),
      }),
    ])
  return { makeoverId: told.makeoverId, changeSets: told.changeSets, studio: told.studioAfter() }
}

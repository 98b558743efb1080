/**
 * The tea room of an allotment society’s clubhouse: done and at its reveal, on a tiny budget, mostly second-hand, made
 * and given. Everything is kept but what went back; a credit note is left with one seller.
 */
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { rowsOf, type Studio } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { chooseAll, type Told } from './music-room.ts'
import { clubhouseLengths } from './surveys.ts'
import { makes } from './soft-goods.ts'
import { cents, tell } from './telling.ts'

export function teaRoom(today: PlainDate, newId: () => string, studio: Studio): Told {
  const told = tell(today, newId, studio, { rate: 23, included: true })
  const { day, say, make, idOf, change, finish, done, sold, plan, order, pay, receive, place, sign } = told
  say('Began the tea room', [
    make('makeover', 'head', {
      ...blank.makeover,
      name: 'Tea room, Long Acre allotments',
      currency: 'EUR',
      units: 'feet and inches',
      entryUnit: 'in',
      scope: 'decorate',
      installOn: day(6),
    }),
    make('client', 'Bram', { name: 'Bram Oduya, for the society' }),
    make('room', 'Clubhouse', { uses: 'traffic, children, food', name: 'Clubhouse' }),
  ])
  told.measure('Measured the clubhouse', told.room(), clubhouseLengths)
  const need = (key: string, name: string, importance: 'must' | 'should' | 'nice', who: string) =>
    make('need', key, { ...blank.need, roomId: told.room(), zoneId: null, name, importance, who })
  say('Wrote down what the room is for', [
    need('sit', 'Twelve sit with muddy boots', 'must', 'members'),
    need('boil', 'Boil, pour and wash up', 'must', 'the tea rota'),
    need('swap', 'Swap seeds and read the board', 'should', 'members'),
    need('glad', 'Glad to come in out of the rain', 'must', 'everybody'),
    need('children', 'Children can draw', 'nice', 'grandchildren'),
  ])
  say('Wrote down what will not do', [
    add('constraint', newId(), { roomId: null, reason: 'children', forbids: 'toxic plant', note: '' }),
    add('constraint', newId(), {
      roomId: null,
      reason: 'damp',
      forbids: 'glue',
      note: 'The north wall sweats in winter',
    }),
    add('constraint', newId(), { roomId: null, reason: 'their wish', forbids: 'pale', note: 'Boots, soil and tea' }),
  ])
  say(
    'Chose whose practice to follow',
    chooseAll(told, {
      colours: 'eclectic',
      begin: 'clearing',
      goods: 'second-hand',
      placeholder: 'stand-in',
      woods: 'mixed',
      pace: 'year',
      styles: 'mixed',
      symmetry: 'one-sided',
      exactness: 'follows',
    }),
  )
  say('Put two pictures together', [
    make('inspiration', 'Potting bench', {
      name: 'Potting bench',
      liked: 'Every drawer a different front',
      materials: 'pine, zinc',
      hues: 'brick, sky',
      words: 'used, cheerful',
    }),
    make('inspiration', 'Rag rugs', {
      name: 'Rag rugs at a fair',
      liked: 'All colours, none twice',
      materials: 'cotton',
      hues: 'brick, sky, mustard',
      words: 'cheerful, thrifty',
    }),
  ])
  say(
    'Drafted the categories',
    ['Furniture', 'Cloth', 'Kitchen corner', 'Paint'].map((name, place) => make('category', name, { name, place })),
  )
  plan('The stove stays', {
    name: 'Iron stove',
    category: null,
    serves: ['glad'],
    offers: [
      {
        name: 'The society’s stove',
        source: 'owned',
        keepReason: 'works',
        origin: 'where it always was',
        price: 0,
        hex: '#2f2d2b',
      },
    ],
    chosen: 'It is the room',
  })
  plan('The founders’ clock stays', {
    name: 'Founders’ clock',
    category: null,
    serves: ['glad'],
    offers: [
      {
        name: 'The clock of 1931',
        source: 'gift',
        keepReason: 'sentimental',
        origin: 'the founders',
        price: 0,
        hex: '#5b3a26',
      },
    ],
    chosen: 'It has never been wrong',
  })
  sign(
    'Bram signed the budget',
    { Furniture: 420, Cloth: 150, 'Kitchen corner': 260, Paint: 120 },
    95,
    'Bram',
    day(-120),
  )
  say('Laid out the palette', [
    finish({
      name: 'Brick dust',
      role: 'dominant',
      family: 'paint',
      sheen: 'satin',
      hex: '#9c5a44',
      usedFor: 'lower boards',
      m2: 14,
      surface: 'walls',
      bandToMm: 914.4,
    }),
    finish({
      name: 'Cloud break',
      role: 'dominant',
      family: 'paint',
      sheen: 'matt',
      hex: '#9fb7c4',
      usedFor: 'upper boards',
      m2: 18,
      surface: 'walls',
      bandFromMm: 914.4,
    }),
    finish({
      name: 'Pine shelf',
      role: 'secondary',
      family: 'wood',
      sheen: 'matt',
      hex: '#cfa46a',
      usedFor: 'shelves, table',
      m2: 7,
      surface: 'piece',
    }),
    finish({
      name: 'Old zinc',
      role: 'secondary',
      family: 'metal',
      texture: 'aged',
      sheen: 'matt',
      hex: '#8f9597',
      usedFor: 'counter',
      m2: 2.6,
      surface: 'piece',
    }),
    finish({
      name: 'Rag rug',
      role: 'secondary',
      family: 'plush',
      sheen: 'matt',
      hex: '#7d6a58',
      usedFor: 'by the stove',
      m2: 3,
      surface: 'floor',
      pattern: 'all over',
      patternScale: 'small',
      repeatMm: 55,
    }),
    finish({
      name: 'Wicker',
      role: 'secondary',
      family: 'cane',
      sheen: 'matt',
      hex: '#a8814f',
      usedFor: 'chairs',
      m2: 4,
      surface: 'piece',
    }),
    finish({
      name: 'Mustard seed',
      role: 'accent',
      family: 'textile',
      sheen: 'matt',
      hex: '#c4972c',
      usedFor: 'cushions',
      m2: 1.2,
      surface: 'piece',
    }),
    finish({
      name: 'Enamel',
      role: 'accent',
      family: 'ceramic',
      sheen: 'gloss',
      hex: '#34607a',
      usedFor: 'mugs',
      m2: 0.4,
      surface: 'piece',
    }),
    finish({
      name: 'Bottle glass',
      role: 'accent',
      family: 'glass',
      sheen: 'gloss',
      hex: '#6c8f6a',
      usedFor: 'lamp, jars',
      m2: 0.5,
      surface: 'piece',
    }),
    finish({
      name: 'Seed packets',
      role: 'accent',
      family: 'paper',
      sheen: 'matt',
      hex: '#b7683f',
      usedFor: 'the board',
      m2: 1,
      surface: 'other',
    }),
    finish({
      name: 'Slate hearth',
      role: 'secondary',
      family: 'stone',
      sheen: 'matt',
      hex: '#4d5357',
      usedFor: 'hearth',
      m2: 1.1,
      surface: 'other',
    }),
    finish({
      name: 'Geranium',
      role: 'accent',
      family: 'greenery',
      sheen: 'matt',
      hex: '#56713f',
      usedFor: 'sills',
      m2: 0.6,
      surface: 'window',
    }),
  ])
  say('Said what the rug holds', [
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Rag rug'),
      partId: idOf('finish', 'Brick dust'),
      sharePpm: 250_000,
    }),
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Rag rug'),
      partId: idOf('finish', 'Cloud break'),
      sharePpm: 200_000,
    }),
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Rag rug'),
      partId: idOf('finish', 'Mustard seed'),
      sharePpm: 150_000,
    }),
  ])

  plan('Planned the long table', {
    name: 'Long table',
    category: 'Furniture',
    serves: ['sit', 'swap'],
    allowance: 180,
    offers: [
      {
        name: 'Scaffold boards on trestles',
        source: 'made',
        origin: 'the Saturday group',
        price: 64,
        hours: 9,
        hourMinor: minor(0),
        workMinor: cents(22),
        lead: 10,
        hex: '#cfa46a',
        lifeYears: 12,
        size: [3050, 760, 750],
        madeOf: 'solid wood',
        topMm: 750,
      },
    ],
    chosen: 'Twelve elbows and a tray',
  })
  plan('Planned the chairs', {
    name: 'Wicker chairs',
    category: 'Furniture',
    serves: ['sit'],
    quantity: 6,
    allowance: 150,
    setName: 'Six of a kind',
    offers: [
      {
        from: 'The Back Room',
        name: 'Wicker chairs, house clearance',
        source: 'second-hand',
        condition: 'sound, one arm mended',
        price: 17,
        lead: 3,
        hex: '#a8814f',
        lifeYears: 8,
      },
      {
        from: 'Gannet & Daughters',
        name: 'Folding garden chair',
        price: 29,
        delivery: 15,
        lead: 6,
        returns: 30,
        hex: '#3b4a3c',
        lifeYears: 6,
        turnedDown: 'Pinches fingers',
      },
    ],
    chosen: 'Nobody minds mud on wicker',
  })
  plan('Planned the armchair by the stove', {
    name: 'Armchair by the stove',
    category: 'Furniture',
    serves: ['glad'],
    allowance: 140,
    offers: [
      {
        from: 'The Back Room',
        name: 'Wing chair, new cover',
        madeOf: 'wool',
        topMm: 430,
        source: 'altered',
        condition: 'good springs, fire label there',
        price: 35,
        workMinor: cents(48),
        hours: 6,
        hourMinor: cents(5),
        lead: 14,
        hex: '#c4972c',
        lifeYears: 15,
      },
    ],
    chosen: 'Bought for its wings',
  })
  plan('Planned cushions', {
    name: 'Cushions',
    category: 'Cloth',
    serves: ['sit', 'glad'],
    quantity: 6,
    allowance: 72,
    offers: [
      {
        from: 'Harbour Weavers',
        name: 'Cushion, mustard twill',
        price: 11.5,
        delivery: 6,
        lead: 8,
        returns: 21,
        window: 30,
        hex: '#c4972c',
        lifeYears: 4,
      },
      {
        from: 'Sail Loft Supply',
        name: 'Cushion, brick canvas',
        price: 9.9,
        delivery: 5,
        lead: 5,
        returns: 14,
        hex: '#9c5a44',
        lifeYears: 5,
      },
    ],
    chosen: 'The one warm thing on a wet day',
  })
  plan('Planned the rug', {
    name: 'Rag rug by the stove',
    category: 'Cloth',
    serves: ['glad'],
    allowance: 60,
    offers: [
      {
        name: 'Plaited from the jumble sale',
        madeOf: 'cotton',
        cleaning: 'machine wash',
        source: 'made',
        origin: 'the Tuesday group',
        price: 12,
        hours: 14,
        hourMinor: minor(0),
        lead: 30,
        hex: '#7d6a58',
        also: ['#9c5a44', '#9fb7c4', '#c4972c'],
        lifeYears: 8,
      },
    ],
    chosen: 'Every member gave a shirt',
  })
  plan('Planned the urn', {
    name: 'Tea urn',
    category: 'Kitchen corner',
    hides: true,
    serves: ['boil'],
    allowance: 120,
    offers: [
      {
        from: 'Kestrel Contract',
        name: 'Urn, 12 litres',
        price: 119,
        off: 15,
        delivery: 0,
        lead: 7,
        returns: 30,
        hex: '#b9bcbd',
        lifeYears: 10,
      },
    ],
    chosen: 'Twelve cups at once',
  })
  plan('Planned the counter', {
    name: 'Zinc counter top',
    category: 'Kitchen corner',
    serves: ['boil'],
    allowance: 90,
    offers: [
      {
        from: 'Gannet & Daughters',
        name: 'Zinc sheet, cut',
        suits: 'wet, scrub',
        price: 74,
        delivery: 8,
        lead: 9,
        returns: 14,
        hex: '#8f9597',
        lifeYears: 20,
      },
    ],
    chosen: 'Wipes clean, ages well',
  })
  plan('Planned a lamp', {
    name: 'Lamp over the table',
    category: 'Kitchen corner',
    serves: ['glad'],
    allowance: 50,
    offers: [
      {
        from: 'Lantern Row',
        name: 'Bottle-glass lamp',
        price: 49,
        lead: 10,
        returns: 28,
        hex: '#6c8f6a',
        lifeYears: 12,
      },
    ],
    chosen: 'Green light on the tray',
  })
  plan('Planned the paint', {
    name: 'Brick and cloud paint',
    category: 'Paint',
    serves: ['glad'],
    quantity: 5,
    unit: 'litres',
    allowance: 110,
    hides: true,
    offers: [
      {
        from: 'Slipway Paints',
        name: 'Ends of lines, 2.5 litres',
        price: 26,
        packSize: 2.5,
        lead: 1,
        hex: '#9fb7c4',
        batch: 'mixed, two tins',
        lifeYears: 6,
      },
    ],
    chosen: 'Two tins nobody collected',
  })
  plan('A drawing table is lent', {
    name: 'Drawing table',
    category: null,
    serves: ['children'],
    offers: [
      {
        name: 'Low school table',
        source: 'borrowed',
        origin: 'the school in Mill Row',
        goBackOn: day(3),
        price: 0,
        hex: '#b98d55',
      },
    ],
    chosen: 'Until the holidays',
  })
  plan('Planned the rail', {
    name: 'Batten for the rail',
    category: 'Paint',
    thing: 'material',
    quantity: 5,
    unit: 'lengths',
    allowance: 16,
    offers: [{ from: 'Slipway Paints', name: 'Planed batten, 12 ft', price: 2.8, lead: 1 }],
    chosen: 'It hides where the two paints meet',
  })
  say('Hung the palette on its pieces', [
    change('finish', 'Pine shelf', { pieceId: idOf('piece', 'Long table') }),
    change('finish', 'Wicker', { pieceId: idOf('piece', 'Wicker chairs') }),
    change('finish', 'Rag rug', { pieceId: idOf('piece', 'Rag rug by the stove') }),
    change('finish', 'Old zinc', { pieceId: idOf('piece', 'Zinc counter top') }),
    change('finish', 'Bottle glass', { pieceId: idOf('piece', 'Lamp over the table') }),
  ])

  order('Bought the paint', 'paint', { 'Ends of lines, 2.5 litres': 2 }, day(-100))
  pay('Paid the paint in cash', 'paint', 52, day(-100), { tender: 'cash' })
  receive('Carried the paint home', 'Ends of lines, 2.5 litres', 2, day(-100))
  order('Bought the batten', 'batten', { 'Planed batten, 12 ft': 5 }, day(-98))
  pay('Paid the batten in cash', 'batten', 14, day(-98), { tender: 'cash' })
  receive('Carried the batten home', 'Planed batten, 12 ft', 5, day(-98))
  order('Bought boards for the table', 'table', { 'Scaffold boards on trestles': 1 }, day(-90))
  pay('Paid the boards', 'table', 86, day(-88), { tender: 'cash' })
  receive('The Saturday group made the table', 'Scaffold boards on trestles', 1, day(-80))
  order(
    'Bought six wicker chairs and the wing chair',
    'back',
    { 'Wicker chairs, house clearance': 6, 'Wing chair, new cover': 1 },
    day(-76),
  )
  pay('Paid the Back Room', 'back', 215, day(-76), { tender: 'cash' })
  receive('Fetched the chairs', 'Wicker chairs, house clearance', 6, day(-75))
  receive('The wing chair came back in its cover', 'Wing chair, new cover', 1, day(-58))
  order('Ordered the urn', 'urn', { 'Urn, 12 litres': 1 }, day(-60))
  pay('Paid the urn', 'urn', 101.15, day(-60), { tender: 'card' })
  receive('The urn came with a dent', 'Urn, 12 litres', 1, day(-52), { damagedPacks: 1, note: 'A dent by the tap' })
  say('Asked Kestrel for money off the urn, and they allowed it', [
    add('claim', newId(), {
      purchaseId: idOf('purchase', 'Urn, 12 litres'),
      about: 'damage',
      note: 'It boils; the dent stays',
      askedMinor: cents(25),
      madeOn: day(-51),
      answer: 'yes',
      grantedMinor: cents(20),
      answeredOn: day(-45),
    }),
  ])
  pay('Kestrel paid back for the dent', 'urn', 20, day(-44), { direction: 'back', tender: 'card' })
  order('Ordered the cushions', 'cushions', { 'Cushion, mustard twill': 6 }, day(-50))
  pay('Paid the cushions', 'cushions', 75, day(-50), { tender: 'card' })
  receive('The cushions came', 'Cushion, mustard twill', 6, day(-42))
  say('All six cushions went back: the twill sheds', [
    add('return', newId(), {
      ...blank.return,
      purchaseId: idOf('purchase', 'Cushion, mustard twill'),
      packs: 6,
      sentOn: day(-38),
      reason: 'It sheds on every coat',
      creditMinor: cents(69),
      acceptedOn: day(-30),
      wantedAgain: true,
    }),
  ])
  say('The weavers gave a credit note', [
    make('credit', 'note', {
      ...blank.credit,
      sellerId: told.row('order', 'cushions').sellerId ?? '',
      kind: 'credit note',
      number: 'HW 118',
      faceMinor: minor(0),
      gotOn: day(-30),
      expiresOn: day(200),
    }),
  ])
  pay('The credit note of the weavers', 'cushions', 69, day(-30), {
    direction: 'back',
    tender: 'held credit',
    creditId: idOf('credit', 'note'),
  })
  const [planned, taken] = [
    told.row('candidate', 'Cushion, mustard twill'),
    told.row('candidate', 'Cushion, brick canvas'),
  ]
  say('Took brick canvas cushions instead', [
    change('piece', 'Cushions', {
      chosenId: taken.id,
      chosenReason: 'Canvas does not shed, and it is the colour of the boards',
    }),
    add('substitution', newId(), {
      pieceId: idOf('piece', 'Cushions'),
      fromId: planned.id,
      toId: taken.id,
      fromLandedMinor: cents(75),
      toLandedMinor: cents(64.4),
      reason: 'Canvas does not shed, and it is the colour of the boards',
      agreedById: idOf('client', 'Bram'),
      madeOn: day(-28),
    }),
  ])
  order('Ordered the canvas cushions', 'canvas', { 'Cushion, brick canvas': 6 }, day(-28))
  pay('Paid the canvas cushions', 'canvas', 64.4, day(-28), { tender: 'card' })
  receive('The canvas cushions came', 'Cushion, brick canvas', 6, day(-22))
  order('Bought cord for the rug', 'rug', { 'Plaited from the jumble sale': 1 }, day(-70))
  pay('Paid the cord', 'rug', 12, day(-70), { tender: 'cash' })
  receive('The Tuesday group finished the rug', 'Plaited from the jumble sale', 1, day(-20))
  order('Ordered the zinc', 'zinc', { 'Zinc sheet, cut': 1 }, day(-40))
  pay('Paid the zinc', 'zinc', 82, day(-40), { tender: 'transfer' })
  receive('The zinc came', 'Zinc sheet, cut', 1, day(-31))
  order('Ordered the lamp', 'lamp', { 'Bottle-glass lamp': 1 }, day(-25))
  pay('Paid the lamp', 'lamp', 49, day(-25), { tender: 'card' })
  receive('The lamp came cracked', 'Bottle-glass lamp', 1, day(-16), { damagedPacks: 1, note: 'A crack in the shade' })
  say('The cracked lamp goes back for another', [
    add('return', newId(), {
      ...blank.return,
      purchaseId: idOf('purchase', 'Bottle-glass lamp'),
      packs: 1,
      sentOn: day(-14),
      reason: 'Cracked',
      creditMinor: minor(0),
      settles: 'replacement',
      acceptedOn: day(-10),
      wantedAgain: false,
    }),
  ])
  receive('The new lamp came', 'Bottle-glass lamp', 1, day(-5))
  place(
    'Everything stands, and the tags are off',
    [
      'Ends of lines, 2.5 litres',
      'Planed batten, 12 ft',
      'Scaffold boards on trestles',
      'Wicker chairs, house clearance',
      'Wing chair, new cover',
      'Urn, 12 litres',
      'Cushion, brick canvas',
      'Plaited from the jumble sale',
      'Zinc sheet, cut',
    ],
    day(-4),
    day(-2),
  )
  place('The lamp hangs', ['Bottle-glass lamp'], day(-2), null)
  told.stand('Said where things stand', {
    'Iron stove': [2],
    'Founders’ clock': [1, 1600],
    'Zinc counter top': [1, 900],
    'Tea urn': [1, 914],
    'Rag rug by the stove': [2],
    'Armchair by the stove': [2],
  })
  say('Said how the boards were painted, and where the rail runs', [
    done('Brick dust', { pieceId: idOf('piece', 'Brick and cloud paint'), coats: 1 }),
    done('Cloud break', { pieceId: idOf('piece', 'Brick and cloud paint'), coats: 1 }),
    ...sold('Ends of lines, 2.5 litres', { rateM2: 12 }),
    ...told.treat('rail', 'Brick dust', [{ surface: 'walls', bandFromMm: 914.4 }], {
      how: 'moulding',
      profile: 'dado rail',
      pieceId: idOf('piece', 'Batten for the rail'),
    }),
    ...sold('Planed batten, 12 ft', { lengthMm: 3657.6, thickMm: 19.05, kerfMm: 3 }),
  ])
  say(
    'Measured what was not measured',
    told.sized({
      'Wicker chairs': [540, 560, 850],
      'Armchair by the stove': [780, 800, 900],
      'Rag rug by the stove': [900, 1500, 10],
      'Lamp over the table': [350, 350, 300],
    }),
  )
  plan('The old dishes come off the shelf', {
    name: 'Enamel dish plate, large',
    thing: 'ornament',
    category: null,
    offers: [{ name: 'Meat dish, blue rim', source: 'owned', keepReason: 'works', price: 0, size: [420, 30, 420] }],
    chosen: 'It served every harvest tea',
  })
  plan('And the plates with it', {
    name: 'Enamel plates for the wall',
    thing: 'ornament',
    category: null,
    quantity: 4,
    offers: [{ name: 'Four plates, blue rim', source: 'owned', keepReason: 'works', price: 0, size: [240, 20, 240] }],
    chosen: 'Two and two about the dish',
  })
  say('Hung them mirrored about the dish', [
    ...told.hang(told.room(), 2, { 'Enamel dish plate, large': [[2741.5, 1530]] }, 'The plates'),
    ...told.hang(
      told.room(),
      2,
      {
        'Enamel plates for the wall': [
          [2349, 1440],
          [3134, 1440],
          [2047, 1350],
          [3436, 1350],
        ],
      },
      'The plates',
    ),
  ])
  say('Hung the lamp over the table, and read its packet', [
    change('piece', 'Lamp over the table', { aboveMm: 1550 }),
    ...told.gives({ 'Bottle-glass lamp': { lumens: 806, kelvin: 2700, spread: 'down' } }),
  ])
  say(
    'Drew what stands where',
    told.furnish('As it is', told.room(), {
      'Long table': [[2500, -1500]],
      'Wicker chairs': [
        ...[1500, 2500, 3500].map((x) => [x, -980, 0] as const),
        ...[1500, 2500, 3500].map((x) => [x, -2020, 180] as const),
      ],
      'Armchair by the stove': [[640, -3150, 90]],
      'Rag rug by the stove': [[1660, -2850, 0]],
      'Lamp over the table': [[2500, -1500]],
    }),
  )
  say('The plot holders do it themselves, on any day', [
    make('hand', 'plot holders', {
      ...blank.hand,
      name: 'The plot holders',
      does: 'studio, painter, carpenter, workroom',
      daysWorked: 'Mon, Tue, Wed, Thu, Fri, Sat, Sun',
    }),
  ])
  say('Walked round with the society', [
    make('snag', 'stove', {
      ...blank.snag,
      says: 'Soot on the new paint above the stove',
      roomId: told.room(),
      trade: 'painter',
      byOn: day(4),
    }),
    make('snag', 'chair', {
      ...blank.snag,
      says: 'One wicker chair rocks',
      roomId: told.room(),
      trade: 'carpenter',
      byOn: day(2),
      doneOn: day(-1),
    }),
  ])
  const walls = rowsOf(told.documents().makeover, 'wall')
  say('The views to photograph', [
    ...walls.slice(0, 2).map((wall, at) =>
      make('view', `view ${at}`, {
        ...blank.view,
        roomId: told.room(),
        wallId: wall.id,
        name: `Clubhouse: ${wall.name}`,
        place: at,
      }),
    ),
  ])
  say('Held every need against what is there', [
    ...rowsOf(told.documents().makeover, 'need')
      .filter(({ struckOn }) => struckOn === null)
      .map((need, at) => make('tick', `tick ${at}`, { needId: need.id, state: 'there', note: '', tickedOn: day(0) })),
  ])
  say('New covers for the six cushions, in two cloths', [
    ...makes(
      told,
      'Cushions',
      {
        name: 'Mustard before, rag stripe behind',
        calculator: 'cushions',
        finishId: idOf('finish', 'Mustard seed'),
        secondId: idOf('finish', 'Rag rug'),
      },
      {
        thing: 'square cushion',
        count: 6,
        size: 457.2,
        depth: 457.2,
        edge: 'plain',
        back: 'no',
        clothWidth: 1371.6,
        repeat: 0,
        centred: 'no',
        way: 'up its height',
      },
    ),
  ])
  say('What comes up again', [
    make('reminder', 'stove', {
      ...blank.reminder,
      what: 'season',
      says: 'Sweep the stove before the first frost',
      dueOn: day(60),
      everyMonths: 12,
      storedAt: 'brushes in the potting shed',
    }),
  ])
  return {
    makeoverId: told.makeoverId,
    changeSets: told.changeSets,
    studio: told.studioAfter(),
    closesBy: idOf('client', 'Bram'),
  }
}

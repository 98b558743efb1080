/**
 * The music room at Tern House: two players, an old house above a harbour, in the middle of purchases. It is the rich
 * one: a keepsake that rules the scheme, a clash, a signed change, a return, a price drop, a gift card, a stand-in.
 */
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type ChangeSet } from '#core/makeover/change.ts'
import { rowsOf, type Studio } from '#core/makeover/document.ts'
import type { Fields } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { wayKey } from '#core/makeover/said-arrivals.ts'
import { hangs, makes } from './soft-goods.ts'
import { musicRoomLengths } from './surveys.ts'
import { cents, percent, tell, type Offer } from './telling.ts'

export type Told = {
  readonly makeoverId: string
  readonly changeSets: readonly ChangeSet[]
  readonly studio: Studio
  /** Who signs the statement with which its account is closed; null while it is open. */
  readonly closesBy?: string
}

export const chooseAll = (told: ReturnType<typeof tell>, choices: Readonly<Record<string, string>>) =>
  Object.entries(choices).map(([question, school]) =>
    add('school', told.newId(), { question: question as 'colours', school }),
  )

export function musicRoom(today: PlainDate, newId: () => string, studio: Studio): Told {
  const told = tell(today, newId, studio, { rate: 20, included: false })
  const { day, say, make, idOf, change, finish, done, also, sold, plan, order, pay, receive, place, sign } = told
  say('Began the music room', [
    make('makeover', 'head', {
      ...blank.makeover,
      name: 'Music room, Tern House',
      currency: 'EUR',
      units: 'metric',
      scope: 'refresh',
      installOn: day(45),
      builtYear: 1906,
    }),
    make('client', 'Nell', { name: 'Nell Ashgrove' }),
    make('client', 'Piet', { name: 'Piet Ashgrove' }),
    make('room', 'Music room', { uses: '', name: 'Music room' }),
  ])
  say('Parted the room in two', [
    make('zone', 'playing', { ...blank.zone, roomId: told.room(), name: 'The playing end' }),
    make('zone', 'window', { ...blank.zone, roomId: told.room(), name: 'Under the window' }),
  ])

  told.measure('Measured the music room', told.room(), musicRoomLengths)
  const survey = rowsOf(told.documents().makeover, 'survey')[0]
  if (survey)
    say('Noted which way it looks, and where the zones lie', [
      edit('survey', survey, {
        facesDeg: 205,
        measuredOn: day(-60),
        note: 'The bay looks over the harbour; the floor falls 8 mm towards it',
      }),
      change('zone', 'playing', { wallId: told.wall(told.room(), 10), fromMm: 300, widthMm: 3400, depthMm: 2300 }),
      change('zone', 'window', { wallId: told.wall(told.room(), 2), fromMm: 0, widthMm: 1300, depthMm: 1500 }),
    ])
  const stage = (
    place: number,
    what: 'gate' | 'door' | 'corridor' | 'turn' | 'stair',
    name: string,
    widthMm: number,
    heightMm: number | null,
    depthMm: number | null,
    note = '',
  ) => add('passage', newId(), { ...blank.passage, place, what, name, widthMm, heightMm, depthMm, note })
  say('Walked the way in with a tape', [
    stage(1, 'gate', 'Quay gate', 1100, null, null, 'cobbles, no vans beyond it'),
    stage(2, 'door', 'Front door', 880, 2050, null),
    stage(3, 'turn', 'Into the stairwell', 1040, 2300, 910),
    stage(4, 'stair', 'One flight, straight', 870, 1980, null, '15 steps, the rail comes off'),
    stage(5, 'door', 'Hall door', 785, 2040, null),
  ])
  const need = (
    key: string,
    name: string,
    importance: 'must' | 'should' | 'nice',
    who: string,
    zone: string | null = null,
    more: Partial<Fields<'need'>> = {},
  ) =>
    make('need', key, {
      ...blank.need,
      roomId: told.room(),
      zoneId: zone ? idOf('zone', zone) : null,
      name,
      importance,
      who,
      ...more,
    })
  say('Wrote down what the room is for', [
    need('play', 'Two can play at once, side by side', 'must', 'Nell and Piet', 'playing'),
    need('read', 'Read notes after dusk', 'must', 'Piet, whose eyes tire', 'playing'),
    need('quiet', 'Take the ring out of the room', 'must', 'everybody below'),
    need('store', 'Sheet music within reach, lying flat', 'should', 'Nell', 'playing', {
      amount: 4,
      unit: 'shelf metres',
    }),
    need('listen', 'Four friends can sit and listen', 'should', 'friends on Thursdays', 'window'),
    need('quilt', 'Great-aunt Sanna’s quilt stays in sight', 'must', 'Nell'),
    need('tea', 'Somewhere to put down a cup', 'nice', 'friends on Thursdays', 'window'),
  ])
  say('Wrote down what the house does not allow', [
    add('constraint', newId(), {
      roomId: null,
      reason: 'listed building',
      forbids: 'remove',
      note: 'The boards and the panelling stay',
    }),
    add('constraint', newId(), { roomId: null, reason: 'pets', forbids: 'toxic plant', note: 'Two cats' }),
    add('constraint', newId(), { roomId: null, reason: 'pets', forbids: 'corded', note: 'The younger cat climbs' }),
  ])
  say(
    'Chose whose practice to follow',
    chooseAll(told, {
      colours: 'as-inspired',
      begin: 'inspiration',
      woods: 'one-undertone',
      keepsakes: 'rule',
      splurge: 'touch',
    }),
  )
  const clipping = (name: string, liked: string, materials: string, hues: string, words: string) =>
    make('inspiration', name, { name, liked, materials, hues, words })
  say('Put six pictures together', [
    clipping(
      'Boat shed doors',
      'Blue that has been out in the rain',
      'paint, larch',
      'grey blue, honey',
      'weathered, calm',
    ),
    clipping(
      'The quilt, unfolded',
      'Everything begins here',
      'cotton, wool',
      'damson, grey blue, ochre',
      'warm, patched, kept',
    ),
    clipping('Rehearsal in a barn', 'Cloth on the walls, no echo', 'felt, larch, wool', 'straw, honey', 'hushed, warm'),
    clipping('Field after harvest', 'Pale straw against wet earth', 'straw', 'straw, ochre', 'calm, open'),
    clipping('Ink on a score', 'Black and cream and nothing else', 'paper, ink', 'cream, black', 'calm, exact'),
    clipping('A bowl by the sink', 'One green thing', 'ceramic', 'sea green', 'kept, small'),
  ])

  say(
    'Drafted the categories',
    ['Seating', 'Textiles', 'Light', 'Walls', 'Storage'].map((name, place) => make('category', name, { name, place })),
  )
  plan('The quilt stays, and rules the scheme', {
    name: 'Great-aunt Sanna’s quilt',
    category: null,
    serves: ['quilt'],
    offers: [
      {
        name: 'The quilt',
        source: 'owned',
        keepReason: 'sentimental',
        origin: 'a chest on the landing',
        price: 0,
        hex: '#8a5a6b',
        also: ['#83a7ad', '#b99f72'],
      },
    ],
    chosen: 'It is why the room is done at all',
  })
  plan('A music cabinet comes up from the hall', {
    name: 'Music cabinet',
    category: null,
    serves: ['store'],
    zone: 'playing',
    offers: [
      {
        name: 'Hall cabinet',
        source: 'moved',
        keepReason: 'works',
        origin: 'the hall',
        hole: 'gloves and leads have no drawer now',
        price: 0,
        hex: '#94603f',
        size: [880, 420, 960],
        holds: 1.6,
        front: 'closed',
        madeOf: 'solid wood',
      },
    ],
    chosen: 'Drawers of the right depth for scores',
  })
  plan('A cup table is lent', {
    name: 'Cup table',
    category: null,
    serves: ['tea'],
    zone: 'window',
    offers: [
      {
        name: 'Tripod table',
        source: 'borrowed',
        origin: 'the studio’s own stock',
        goBackOn: day(120),
        price: 0,
        hex: '#6d4630',
      },
    ],
    chosen: 'Until they find one at the quay market',
  })
  sign(
    'Nell Ashgrove signed the budget',
    { Seating: 2450, Textiles: 1780, Light: 860, Walls: 640, Storage: 1520 },
    1450,
    'Nell',
    day(-61),
  )

  say('Laid out the palette', [
    finish({
      name: 'Rain barrel',
      role: 'dominant',
      family: 'paint',
      sheen: 'matt',
      hex: '#83a7ad',
      usedFor: 'walls',
      m2: 36,
      surface: 'walls',
      methods: 'paint',
    }),
    finish({
      name: 'Larch boards',
      role: 'dominant',
      family: 'wood',
      sheen: 'satin',
      hex: '#c59c5f',
      usedFor: 'floor, kept',
      m2: 17,
      surface: 'floor',
      suits: 'traffic',
      fate: 'keep',
      condition: 'worn',
      material: 'wood',
      laidYear: 1906,
    }),
    finish({
      name: 'Candle end',
      role: 'secondary',
      family: 'paint',
      sheen: 'satin',
      hex: '#f1e9da',
      usedFor: 'trim, door, window',
      m2: 7,
      surface: 'trim',
      methods: 'paint',
      suits: 'scrub',
    }),
    finish({
      name: 'Damson',
      role: 'secondary',
      family: 'textile',
      sheen: 'matt',
      hex: '#5d3d55',
      usedFor: 'curtains',
      m2: 11,
      surface: 'window',
    }),
    finish({
      name: 'Stubble',
      role: 'secondary',
      family: 'plush',
      sheen: 'matt',
      hex: '#b99f72',
      usedFor: 'felt hanging',
      m2: 4.5,
      surface: 'piece',
    }),
    finish({
      name: 'Elm',
      role: 'secondary',
      family: 'wood',
      sheen: 'matt',
      hex: '#8f5741',
      usedFor: 'bench, shelves',
      m2: 3.2,
      surface: 'piece',
    }),
    finish({
      name: 'Patchwork',
      role: 'secondary',
      family: 'textile',
      sheen: 'matt',
      hex: '#8a5a6b',
      usedFor: 'the quilt',
      m2: 1.3,
      surface: 'piece',
      pieceId: idOf('piece', 'Great-aunt Sanna’s quilt'),
      pattern: 'check',
      patternScale: 'large',
      repeatMm: 310,
    }),
    finish({
      name: 'Calendula',
      role: 'accent',
      family: 'textile',
      sheen: 'matt',
      hex: '#d18a2b',
      usedFor: 'stool seats',
      m2: 0.7,
      surface: 'piece',
    }),
    finish({
      name: 'Tin',
      role: 'accent',
      family: 'metal',
      sheen: 'satin',
      hex: '#a9aaa9',
      usedFor: 'lamps, pulls',
      m2: 0.5,
      surface: 'piece',
      texture: 'aged',
    }),
    finish({
      name: 'Sea glass',
      role: 'accent',
      family: 'ceramic',
      sheen: 'gloss',
      hex: '#3f857c',
      usedFor: 'bowls on the shelf',
      m2: 0.3,
      surface: 'piece',
    }),
    finish({
      name: 'Old distemper',
      role: 'secondary',
      family: 'paint',
      sheen: 'matt',
      hex: '#dcd3c4',
      usedFor: 'ceiling, flaking',
      m2: null,
      surface: 'ceiling',
      fate: 'change',
      condition: 'damaged',
      material: 'paint',
      laidYear: 1955,
      tested: 'clear',
    }),
    finish({
      name: 'Brown gloss',
      role: 'secondary',
      family: 'paint',
      sheen: 'gloss',
      hex: '#5d4433',
      usedFor: 'closet door',
      m2: 1.3,
      surface: 'other',
      fate: 'camouflage',
      condition: 'worn',
      material: 'paint',
      laidYear: 1988,
    }),
  ])
  say('Said what the quilt holds', [
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Patchwork'),
      partId: idOf('finish', 'Rain barrel'),
      sharePpm: percent(25),
    }),
    add('patternPart', newId(), {
      finishId: idOf('finish', 'Patchwork'),
      partId: idOf('finish', 'Stubble'),
      sharePpm: percent(20),
    }),
  ])
  say('Put the boards up', [
    ...told.sample(
      'Rain barrel',
      { ordered: -70, came: -66, verdict: 'right', by: 'both' },
      [10, 'morning', -65, 'right', 'Nell'],
      [10, 'noon', -65, 'right', 'Nell'],
      [11, 'evening', -65, 'right', 'Piet', 'greyer than by day, and they like it so'],
      [11, 'lamp', -64, 'right', 'both'],
    ),
    ...told.sample(
      'Damson',
      { ordered: -40, came: -35, by: 'Nell' },
      [2, 'morning', -34, 'right', 'Nell'],
      [2, 'noon', -34, 'open', 'Nell', 'nearly brown against the light'],
    ),
    ...told.sample('Candle end', { ordered: -18 }),
  ])

  plan('Planned the playing stools', {
    name: 'Playing stools',
    category: 'Seating',
    serves: ['play'],
    quantity: 2,
    allowance: 560,
    zone: 'playing',
    setName: 'The two stools',
    widthMm: 450,
    depthMm: 450,
    heightMm: 560,
    offers: [
      {
        from: 'Marl Street Turners',
        name: 'Turned ash stool, wool seat',
        price: 236,
        off: 5,
        delivery: 38,
        lead: 21,
        returns: 14,
        hex: '#d18a2b',
        size: [420, 420, 520],
        lifeYears: 25,
        article: 'MS-21',
        warranty: 'Its frame ten years, with the receipt',
      },
      {
        from: 'Gannet & Daughters',
        name: 'Steel stool, cork seat',
        price: 164,
        delivery: 25,
        lead: 9,
        returns: 30,
        hex: '#8a6b4c',
        size: [380, 380, 460],
        lifeYears: 12,
        window: 30,
      },
    ],
    chosen: 'Silent joints: the steel one creaks in the quiet bars',
  })
  plan('Planned the listening bench', {
    name: 'Listening bench',
    category: 'Seating',
    serves: ['listen'],
    allowance: 1250,
    zone: 'window',
    widthMm: 1900,
    depthMm: 500,
    heightMm: 900,
    offers: [
      {
        from: 'Oakum Yard',
        name: 'Elm bench, made to the bay',
        source: 'custom',
        price: 940,
        delivery: 70,
        lead: 42,
        hex: '#8f5741',
        size: [1895, 460, 840],
        madeOf: 'solid wood',
        topMm: 445,
        weightKg: 38,
        lifeYears: 40,
      },
      {
        from: 'Marl Street Turners',
        name: 'Ash settle with box',
        price: 1080,
        off: 8,
        delivery: 60,
        lead: 28,
        returns: 14,
        hex: '#cdae84',
        size: [1740, 520, 910],
        lifeYears: 30,
      },
    ],
    chosen: 'Follows the bay to the millimetre; they like the red of the elm',
  })
  const chairs: Offer[] = [
    {
      from: 'The Back Room',
      name: 'Chapel chairs',
      source: 'placeholder',
      condition: 'worn, sound',
      price: 18,
      lead: 2,
      hex: '#7a5337',
      lookAgainOn: day(60),
      lifeYears: 3,
    },
    {
      from: 'Gannet & Daughters',
      name: 'Beech folding chair',
      price: 89,
      off: 10,
      delivery: 25,
      lead: 6,
      returns: 30,
      hex: '#c8a071',
      lifeYears: 12,
      window: 30,
    },
    {
      from: 'Sail Loft Supply',
      name: 'Canvas folding chair',
      price: 112,
      delivery: 18,
      lead: 10,
      returns: 14,
      hex: '#5d3d55',
      lifeYears: 8,
    },
  ]
  plan('Planned chairs for guests', {
    name: 'Folding chairs for guests',
    category: 'Seating',
    serves: ['listen'],
    quantity: 3,
    allowance: 480,
    offers: chairs,
    chosen: 'Cheap, and good enough until the spring',
  })
  plan('Planned the curtain cloth', {
    name: 'Curtain cloth, heavy',
    category: 'Textiles',
    serves: ['quiet'],
    quantity: 11,
    unit: 'm',
    allowance: 980,
    offers: [
      {
        from: 'Sail Loft Supply',
        name: 'Wool serge, damson, bolts of 4 m',
        price: 268,
        packSize: 4,
        off: 10,
        delivery: 24,
        lead: 18,
        returns: 21,
        hex: '#5d3d55',
        colourName: 'Damson 14',
        batch: 'K7',
        warranty: 'Five years against moth, if it was never washed',
        lifeYears: 20,
      },
      {
        from: 'Harbour Weavers',
        name: 'Cotton velvet, plum',
        price: 79,
        lead: 30,
        returns: 14,
        hex: '#4c2e4a',
        lifeYears: 12,
        turnedDown: 'Half the weight, and it holds dust',
      },
    ],
    chosen: 'Twice the weight of the velvet, and it takes the ring out',
  })
  plan('Planned the rug', {
    name: 'Rug under the players',
    category: 'Textiles',
    serves: ['quiet', 'play'],
    allowance: 620,
    zone: 'playing',
    offers: [
      {
        from: 'Harbour Weavers',
        name: 'Flat wool rug 2.0 × 3.0 m',
        price: 498,
        delivery: 35,
        lead: 14,
        returns: 10,
        hex: '#b99f72',
        also: ['#83a7ad'],
        size: [2000, 3000, null],
        madeOf: 'wool',
        cleaning: 'dry clean',
        lifeYears: 15,
        window: 30,
      },
      {
        from: 'The Back Room',
        name: 'Two worn runners, joined',
        madeOf: 'viscose',
        source: 'second-hand',
        condition: 'thin in the middle',
        price: 240,
        delivery: 20,
        lead: 3,
        hex: '#8d4f3a',
      },
    ],
    chosen: 'Thick enough to hush the boards, flat enough for a stand',
  })
  plan('Planned the felt hanging', {
    name: 'Felt hanging, back wall',
    category: 'Textiles',
    serves: ['quiet'],
    allowance: 460,
    offers: [
      {
        from: 'Harbour Weavers',
        name: 'Felted hanging 1.6 × 2.4 m',
        price: 372,
        off: 5,
        lead: 33,
        returns: 14,
        hex: '#b99f72',
        priceKind: 'seen',
        pricedOn: day(-41),
        lifeYears: 15,
      },
      {
        from: 'Sail Loft Supply',
        name: 'Quilted sailcloth panel',
        price: 318,
        delivery: 24,
        lead: 20,
        returns: 21,
        hex: '#d9d2c0',
        lifeYears: 10,
      },
    ],
    chosen: 'Soft side out, and the colour of the field they see from the window',
  })
  plan('Planned the reading lamps', {
    name: 'Reading lamps, long arm',
    category: 'Light',
    serves: ['read'],
    quantity: 2,
    allowance: 520,
    zone: 'playing',
    setName: 'The two lamps',
    offers: [
      {
        from: 'Lantern Row',
        name: 'Tin floor lamp with a long arm',
        price: 189,
        delivery: 22,
        lead: 12,
        returns: 28,
        hex: '#a9aaa7',
        lifeYears: 15,
        window: 30,
        qualities: '',
      },
      {
        from: 'Gannet & Daughters',
        name: 'Clamp lamp for a stand',
        price: 74,
        delivery: 12,
        lead: 4,
        returns: 30,
        hex: '#2b2b2b',
        lifeYears: 8,
      },
    ],
    chosen: 'Lights both pages without a shadow from the bow arm',
  })
  plan('Planned the low lamp', {
    name: 'Low lamp by the bench',
    category: 'Light',
    serves: ['read'],
    allowance: 240,
    zone: 'window',
    offers: [
      {
        from: 'Lantern Row',
        name: 'Glazed lamp, sea glass',
        price: 158,
        delivery: 14,
        lead: 16,
        returns: 28,
        hex: '#3f857c',
        lifeYears: 15,
      },
    ],
    chosen: 'Brings the green of the bowls across the room',
  })
  plan('Planned the wall paint', {
    name: 'Wall paint, rain barrel',
    category: 'Walls',
    quantity: 11,
    unit: 'litres',
    allowance: 330,
    hides: true,
    offers: [
      {
        from: 'Slipway Paints',
        name: 'Rain barrel, matt, tins of 2.5 litres',
        price: 46.5,
        packSize: 2.5,
        lead: 3,
        hex: '#83a7ad',
        methods: 'paint',
        batch: '0417',
        lifeYears: 8,
      },
    ],
    chosen: 'The board kept its blue by lamp light',
  })
  plan('Planned a frame for the quilt', {
    name: 'Deep frame for the quilt',
    category: 'Walls',
    serves: ['quilt'],
    allowance: 290,
    offers: [
      {
        from: 'Oakum Yard',
        name: 'Box frame in elm, 1.1 × 1.1 m',
        source: 'custom',
        price: 236,
        lead: 35,
        hex: '#8f5741',
      },
      {
        from: 'Marl Street Turners',
        name: 'Ash tray frame, unglazed',
        price: 148,
        delivery: 18,
        lead: 34,
        returns: 14,
        hex: '#cdae84',
      },
    ],
  })
  plan('Planned shelves for sheet music', {
    name: 'Shelves for sheet music',
    category: 'Storage',
    serves: ['store'],
    quantity: 6,
    allowance: 1300,
    zone: 'playing',
    offers: [
      {
        from: 'Oakum Yard',
        name: 'Elm shelf, 900 mm, on hidden pins',
        holds: 0.4,
        front: 'open',
        madeOf: 'solid wood',
        holes: 2,
        price: 208,
        off: 4,
        delivery: 85,
        lead: 26,
        hex: '#8f5741',
        methods: 'drill',
        lifeYears: 40,
      },
      {
        from: 'Gannet & Daughters',
        name: 'Painted shelf with a lip',
        holds: 0.55,
        front: 'open',
        madeOf: 'chipboard',
        holes: 4,
        price: 62,
        delivery: 30,
        lead: 8,
        returns: 30,
        hex: '#f1e9da',
        methods: 'drill',
        lifeYears: 15,
      },
    ],
    chosen: 'One wood with the bench, made by the same hands',
  })
  say('Hung the palette on the pieces that carry it', [
    change('finish', 'Damson', { pieceId: idOf('piece', 'Curtain cloth, heavy') }),
    change('finish', 'Stubble', { pieceId: idOf('piece', 'Felt hanging, back wall') }),
    change('finish', 'Elm', { pieceId: idOf('piece', 'Listening bench') }),
    change('finish', 'Calendula', { pieceId: idOf('piece', 'Playing stools') }),
    change('finish', 'Tin', { pieceId: idOf('piece', 'Reading lamps, long arm') }),
  ])

  order('Ordered the wall paint', 'paint', { 'Rain barrel, matt, tins of 2.5 litres': 5 }, day(-50))
  pay('Paid the wall paint at the counter', 'paint', 279, day(-50), { tender: 'card' })
  receive('The wall paint came', 'Rain barrel, matt, tins of 2.5 litres', 5, day(-47))
  place('The walls are painted', ['Rain barrel, matt, tins of 2.5 litres'], day(-30), day(-30))

  sign(
    'Piet Ashgrove signed a change: a heavier curtain and a rug',
    { Seating: 2450, Textiles: 2160, Light: 860, Walls: 640, Storage: 1520 },
    1450,
    'Piet',
    day(-34),
    'Emptied, the room rings more than it seemed: a heavier curtain cloth, and a rug under the players',
  )

  order('Ordered the playing stools', 'stools', { 'Turned ash stool, wool seat': 2 }, day(-33), {
    reference: 'MS 2231',
    depositMinor: cents(250),
  })
  pay('Paid a deposit on the stools', 'stools', 250, day(-33))
  order('Ordered the curtain cloth', 'cloth', { 'Wool serge, damson, bolts of 4 m': 3 }, day(-31))
  pay('Paid the curtain cloth', 'cloth', 897.12, day(-31), { tender: 'card' })
  order('Ordered the reading lamps', 'lamps', { 'Tin floor lamp with a long arm': 2 }, day(-26))
  say('They were given a card for Lantern Row', [
    make('credit', 'card', {
      ...blank.credit,
      sellerId: told.row('order', 'lamps').sellerId ?? '',
      kind: 'gift card',
      number: 'LR 0091',
      faceMinor: cents(120),
      gotOn: day(-90),
      expiresOn: day(40),
    }),
  ])
  pay('Paid part of the lamps with the gift card', 'lamps', 80, day(-26), {
    tender: 'gift card',
    creditId: idOf('credit', 'card'),
  })
  pay('Paid the rest of the lamps', 'lamps', 400, day(-26), { tender: 'card' })
  order('Ordered the listening bench', 'bench', { 'Elm bench, made to the bay': 1 }, day(-20), {
    depositMinor: cents(360),
    balanceDueOn: day(5),
  })
  pay('Paid the deposit that Oakum Yard asks', 'bench', 360, day(-20))
  order('Ordered the rug', 'rug', { 'Flat wool rug 2.0 × 3.0 m': 1 }, day(-16))
  receive('Both reading lamps came', 'Tin floor lamp with a long arm', 2, day(-14))
  receive('Two of three bolts came; the third is on the loom', 'Wool serge, damson, bolts of 4 m', 2, day(-12))
  order('Took three chapel chairs to stand in', 'chairs', { 'Chapel chairs': 3 }, day(-11))
  pay('Paid the chapel chairs in cash', 'chairs', 64.8, day(-11), { tender: 'cash' })
  receive('The chapel chairs came', 'Chapel chairs', 3, day(-10), { damagedPacks: 1, note: 'One rung is split' })
  receive('The stools came', 'Turned ash stool, wool seat', 2, day(-9))
  pay('Paid the rest on the stools', 'stools', 333.68, day(-8))
  place('The stools stand at the playing end', ['Turned ash stool, wool seat'], day(-7), null)
  pay('Paid a first part on the rug', 'rug', 200, day(-6))
  say('One reading lamp goes back: it hums', [
    add('return', newId(), {
      ...blank.return,
      purchaseId: idOf('purchase', 'Tin floor lamp with a long arm'),
      packs: 1,
      sentOn: day(-4),
      reason: 'Hums a flat B when it is dimmed',
      creditMinor: cents(226.8),
      acceptedOn: null,
      wantedAgain: true,
    }),
  ])
  say('Saw the rug for less in the weavers’ window', [
    add('price', newId(), {
      candidateId: idOf('candidate', 'Flat wool rug 2.0 × 3.0 m'),
      kind: 'seen',
      amountMinor: cents(449),
      seenOn: day(-3),
      note: 'End of the season',
    }),
  ])
  receive('The rug came', 'Flat wool rug 2.0 × 3.0 m', 1, day(-2))
  say('Asked which frame they want', [
    make('question', 'frame', {
      pieceId: idOf('piece', 'Deep frame for the quilt'),
      candidateId: idOf('candidate', 'Box frame in elm, 1.1 × 1.1 m'),
      ask: 'Elm box or ash tray for the quilt?',
      askedOn: day(-5),
      neededBy: day(4),
      answer: 'waiting',
      answerNote: '',
      answeredById: null,
      answeredOn: null,
    }),
  ])
  told.stand('Said where things stand', {
    'Great-aunt Sanna’s quilt': [10, 1350],
    'Music cabinet': [10],
    'Cup table': [2],
    'Listening bench': [2],
    'Curtain cloth, heavy': [2, 40],
    'Felt hanging, back wall': [10, 500],
    'Low lamp by the bench': [4],
    'Reading lamps, long arm': [10],
    'Shelves for sheet music': [9, 1300],
    'Playing stools': [10],
  })
  say('Said which pieces carry which finish', [
    change('finish', 'Stubble', { pieceId: idOf('piece', 'Felt hanging, back wall') }),
    change('finish', 'Elm', { pieceId: idOf('piece', 'Listening bench') }),
    change('finish', 'Calendula', { pieceId: idOf('piece', 'Playing stools') }),
    change('finish', 'Tin', { pieceId: idOf('piece', 'Reading lamps, long arm') }),
    change('finish', 'Sea glass', { pieceId: idOf('piece', 'Low lamp by the bench') }),
  ])
  say('Said how the walls and the trim are painted', [
    done('Rain barrel', { pieceId: idOf('piece', 'Wall paint, rain barrel'), coats: 2 }),
    also('Candle end', { surface: 'door' }),
    also('Candle end', { surface: 'window' }),
    ...sold('Rain barrel, matt, tins of 2.5 litres', { rateM2: 10, coats: 2 }),
  ])
  plan('Looked for a paper for the bay', {
    name: 'Paper for the bay',
    category: 'Walls',
    thing: 'material',
    quantity: 1,
    unit: 'rolls',
    allowance: 120,
    offers: [
      { from: 'Slipway Paints', name: 'Reed paper', price: 26, lead: 9, returns: 14, hex: '#c9cbb6' },
      { from: 'Gannet & Daughters', name: 'Reed paper, wide', price: 43, lead: 15, returns: 14, hex: '#c9cbb6' },
    ],
    chosen: 'The reeds under the window, once more',
  })
  say('Found a paper for the bay', [
    ...sold('Reed paper', { widthMm: 530, lengthMm: 10_050, repeatMm: 530, match: 'half-drop' }),
    ...sold('Reed paper, wide', { widthMm: 700, lengthMm: 10_050, repeatMm: 530, match: 'half-drop' }),
    finish({
      name: 'Reed paper',
      role: 'secondary',
      family: 'paper',
      sheen: 'matt',
      hex: '#c9cbb6',
      usedFor: 'the bay',
      m2: null,
      pattern: 'floral',
      patternScale: 'large',
      repeatMm: 530,
    }),
    told.carries('Reed paper', 'Candle end', 0.2),
    told.carries('Reed paper', 'Rain barrel', 0.15),
  ])
  say(
    'Laid the paper round the bay',
    told.treat(
      'bay',
      'Reed paper',
      [1, 2, 3].map((at) => ({ surface: 'walls' as const, wallId: told.wall(told.room(), at) })),
      { pieceId: idOf('piece', 'Paper for the bay') },
    ),
  )
  told.bringToNeed('Counted the rolls', 'Reed paper')
  say(
    'Measured what was not measured',
    told.sized({
      'Cup table': [450, 450, 480],
      'Reading lamps, long arm': [300, 300, 1500],
      'Low lamp by the bench': [280, 280, 620],
      'Felt hanging, back wall': [2400, 40, 1600],
      'Deep frame for the quilt': [900, 60, 1100],
      'Shelves for sheet music': [900, 220, 40],
    }),
  )
  say('Measured how high everybody looks', [
    make('resident', 'Nell', { name: 'Nell', eyeMm: 1570 }),
    make('resident', 'Piet', { name: 'Piet', eyeMm: 1710 }),
  ])
  plan('A sofa bed comes down from the study', {
    name: 'Study sofa',
    thing: 'seat',
    category: null,
    serves: ['listen'],
    offers: [
      {
        name: 'Two-seat sofa bed',
        source: 'moved',
        keepReason: 'works',
        origin: 'the study upstairs',
        hole: 'nobody sleeps in the study now',
        price: 0,
        hex: '#7d8b86',
        size: [1450, 860, 800],
        topMm: 430,
      },
    ],
    chosen: 'Whoever plays late stays the night',
  })
  say('Said how the sofa opens, and the shape of the table', [
    add('openState', newId(), {
      ...blank.openState,
      pieceId: idOf('piece', 'Study sofa'),
      name: 'made up as a bed',
      frontMm: 1120,
      heightMm: 430,
    }),
    add('footprint', newId(), { ...blank.footprint, pieceId: idOf('piece', 'Study sofa'), legsOffMm: 90 }),
    add('footprint', newId(), { ...blank.footprint, pieceId: idOf('piece', 'Cup table'), shape: 'round' }),
  ])
  const rug: [number, number, number] = [4200, -3400, 90]
  const cabinet: [number, number, number] = [212, -1800, 90]
  say(
    'Tried where things stand',
    told.furnish('As it will be', told.room(), {
      'Rug under the players': [rug],
      'Playing stools': [
        [3600, -3400, 90],
        [4800, -3400, 270],
      ],
      'Listening bench': [[5250, -232]],
      'Music cabinet': [cabinet],
      'Study sofa': [[5774, -3830, 270]],
      'Cup table': [[5000, -950]],
      'Reading lamps, long arm': [
        [3480, -2980],
        [5350, -2750],
      ],
      'Low lamp by the bench': [[4120, -900]],
    }),
  )
  say('Read what the lamps give, and what is done where', [
    ...told.gives({
      'Tin floor lamp with a long arm': { lumens: 1055, kelvin: 2700, spread: 'down', sourceMm: 1400 },
      'Glazed lamp, sea glass': { lumens: 470, kelvin: 2700, dims: true },
    }),
    change('zone', 'window', { activity: 'talk' }),
  ])
  say(
    'Stood what belongs to music in its cabinet',
    told.show('Music cabinet', '0, 320, 640', {
      'Bound quartets': { at: [1, 190], size: [340, 270], hex: '#5b2f45', what: 'books', madeOf: 'paper' },
      'Box of rosin': { at: [1, 500], size: [180, 110], hex: '#8f5741', what: 'box', madeOf: 'solid wood' },
      'Basket of strings': { at: [1, 740], size: [220, 200], hex: '#b99f72', what: 'basket', madeOf: 'cane' },
      'Blue jug': { at: [2, 170], size: [130, 240], hex: '#7fa3ad', what: 'vase', madeOf: 'ceramic' },
      Songbooks: { at: [2, 450], size: [300, 250], hex: '#c9cbb6', what: 'books', madeOf: 'paper' },
      'Brass bowl': { at: [2, 760], size: [150, 80], hex: '#b79a5c', what: 'bowl', madeOf: 'brass or bronze' },
      Metronome: { at: [3, 130], size: [120, 220], hex: '#8f5741', what: 'figure', madeOf: 'solid wood' },
      'Plaster head': {
        at: [3, 430],
        size: [200, 290],
        hex: '#f1e9d8',
        what: 'figure',
        madeOf: 'stone',
        heavy: true,
        leads: true,
      },
      'Fern in a pot': { at: [3, 740], size: [190, 280], hex: '#5f7a4e', what: 'plant', madeOf: 'ceramic' },
    }),
  )
  plan('The programmes come out of their box', {
    name: 'Concert programmes, framed',
    thing: 'work',
    category: null,
    quantity: 6,
    offers: [
      {
        name: 'Six programmes in larch frames',
        source: 'owned',
        keepReason: 'works',
        price: 0,
        size: [380, 20, 480],
        weightKg: 1.4,
        holes: 1,
      },
    ],
    chosen: 'Every one of them was played here',
  })
  say('Hung the programmes as one over the sofa, on strips', [
    ...told.hang(
      told.room(),
      10,
      {
        'Concert programmes, framed': [1760.5, 1219].flatMap((centre) =>
          [-442, 0, 442].map((along) => [655 + along, centre + 38] as const),
        ),
      },
      'The programmes',
    ),
    make('fixing', 'programmes', {
      ...blank.fixing,
      pieceId: idOf('piece', 'Concert programmes, framed'),
      method: 'strips',
      hooks: 2,
      stripKg: 1.8,
    }),
  ])
  // whoever plays late sleeps on that sofa: nothing on strips hangs over a bed
  say('They came to hang over the bench, on nails', [
    ...rowsOf(told.documents().makeover, 'hanging')
      .filter(({ pieceId }) => pieceId === idOf('piece', 'Concert programmes, framed'))
      .map((hanging) =>
        edit('hanging', hanging, { wallId: told.wall(told.room(), 4), alongMm: hanging.alongMm - 655 + 949 }),
      ),
    change('fixing', 'programmes', { method: 'nail', hooks: 1, stripKg: null }),
  ])
  say('Hung the quilt over the fire, and the felt on the back wall', [
    ...told.hang(told.room(), 7, { 'Deep frame for the quilt': [[801, 1640]] }),
    ...told.hang(told.room(), 10, { 'Felt hanging, back wall': [[3880, 1640]] }),
    add('fixing', newId(), {
      ...blank.fixing,
      pieceId: idOf('piece', 'Deep frame for the quilt'),
      method: 'screw',
      hooks: 2,
      dropMm: 60,
      spreadMm: 500,
    }),
    add('fixing', newId(), { ...blank.fixing, pieceId: idOf('piece', 'Felt hanging, back wall'), method: 'rail' }),
  ])
  say(
    'Kept another layout',
    told.furnish(
      'Bench under the window',
      told.room(),
      {
        'Rug under the players': [rug],
        'Listening bench': [[3100, -1050, 180]],
        'Music cabinet': [cabinet],
        'Cup table': [[3100, -1750]],
      },
      false,
    ),
  )
  const purchaseOf = (piece: string): string => {
    const pieceId = idOf('piece', piece)
    const line = rowsOf(told.documents().makeover, 'purchase').find((row) => row.pieceId === pieceId)
    if (!line) throw new Error(`${piece} is ordered`)
    return line.id
  }
  // the calendar: who works when, a range asked for, and a bench that comes later than it was ordered for
  say('The painters come on any day but Sunday, and are away for the regatta', [
    make('hand', 'painters', {
      ...blank.hand,
      name: 'Pell & Gull, painters',
      does: 'painter',
      daysWorked: 'Mon, Tue, Wed, Thu, Fri, Sat',
      dayMinor: cents(340),
    }),
    make('absence', 'regatta', {
      handId: idOf('hand', 'painters'),
      name: 'Regatta',
      fromOn: day(5),
      untilOn: day(8),
    }),
  ])
  say('The weavers said how long it may take', [
    ...rowsOf(told.documents().makeover, 'candidate')
      .filter(({ name }) => name === 'Felted hanging 1.6 × 2.4 m')
      .map((offer) => edit('candidate', offer, { leadLeastDays: 28, leadMostDays: 42 })),
  ])
  say('The joiner says the bench comes a week and a half later', [
    make('task', 'bench', {
      ...blank.task,
      key: wayKey(idOf('piece', 'Listening bench')),
      pinnedOn: day(33),
      note: 'The larch was still wet',
    }),
    make('arrival', 'bench comes', {
      ...blank.arrival,
      purchaseId: purchaseOf('Listening bench'),
      packs: 1,
      state: 'late',
      comesOn: day(33),
      earliestMinute: 8 * 60,
      latestMinute: 11 * 60,
      letsIn: 'Pell & Gull, painters',
      waitsInId: told.room(),
      answer: 'The larch was still wet: it has to stand another ten days.',
      saidOn: day(-1),
    }),
  ])
  say('Dressed the bay: one track round it, and the cloth that came', [
    ...told.sold('Wool serge, damson, bolts of 4 m', { widthMm: 1500 }),
    hangs(told, 2, 0, {
      roundBay: true,
      hung: 'track',
      heading: 'gathered',
      fullness: 1.75,
      atMm: 2400,
      lining: 'none',
      finishId: idOf('finish', 'Damson'),
      pieceId: idOf('piece', 'Curtain cloth, heavy'),
      note: 'The track follows the walls of the bay; the serge is heavy enough unlined',
    }),
  ])
  const elm = idOf('finish', 'Elm')
  const quilt = { size: 860, high: 860, count: 1, valued: 'yes', glazing: 'acrylic', face: 45, depth: 60 }
  say('Three frames for the quilt, side by side', [
    ...makes(
      told,
      'Deep frame for the quilt',
      {
        name: 'Elm, a wide border',
        calculator: 'frame',
        finishId: elm,
        secondId: idOf('finish', 'Candle end'),
        note: 'Sewn to a cotton-covered board by its upper edge: nothing is glued',
      },
      { ...quilt, border: 80, fillet: 0 },
    ),
    ...makes(
      told,
      'Deep frame for the quilt',
      { name: 'Elm, with a fillet', calculator: 'frame', place: 1, counts: false, finishId: elm },
      { ...quilt, border: 55, fillet: 8 },
    ),
    ...makes(
      told,
      'Deep frame for the quilt',
      {
        name: 'The hall mirror’s frame',
        calculator: 'frame',
        place: 2,
        counts: false,
        finishId: idOf('finish', 'Larch boards'),
      },
      {
        ...quilt,
        border: 60,
        fillet: 0,
        frame: 'an old frame used again',
        oldWidth: 1040,
        oldHeight: 1080,
        slip: 12,
        face: 70,
      },
    ),
  ])
  say('A shade for the low lamp: made at home against bought', [
    ...makes(
      told,
      'Low lamp by the bench',
      {
        name: 'Drum in the serge that is left',
        calculator: 'shade',
        place: 3,
        finishId: idOf('finish', 'Damson'),
        hours: 2.5,
        rateMinor: cents(18),
        boughtMinor: cents(74),
      },
      { across: 300, height: 190 },
      [
        { name: 'Ring set, 300', needed: 1, unit: 'pieces', atHome: 0, packSize: 1, packMinor: cents(9.8) },
        { name: 'Stiff sheet', needed: 1, unit: 'm', atHome: 0, packSize: 1, packMinor: cents(11.5) },
        { name: 'Serge', needed: 1, unit: 'm', atHome: 1, packSize: 4, packMinor: cents(268) },
        { name: 'Tape, 10 m', needed: 2, unit: 'm', atHome: 0, packSize: 10, packMinor: cents(4.2) },
      ],
    ),
  ])
  say('What is put off to the winter', [
    make('deferral', 'blind', {
      ...blank.deferral,
      name: 'A blind for the sea side',
      roomId: told.room(),
      waitsFor: 'the new sash',
      costMinor: cents(260),
      wantedOn: day(110),
    }),
  ])
  const [player] = rowsOf(told.documents().makeover, 'client')
  if (!player) throw new Error('the music room has a client')
  told.present('The room as we see it now. The frame for the quilt still waits for your word.', -3)
  say('What the players said', [
    make('reply', 'on the bench', {
      ...blank.reply,
      clientId: player.id,
      pieceId: idOf('piece', 'Listening bench'),
      about: told.documents().makeover.rows.piece[idOf('piece', 'Listening bench')]?.chosenId ?? '',
      says: 'comment',
      words: 'Could the back be a hand lower? My cello leans there.',
      saidOn: day(-1),
    }),
  ])
  return { makeoverId: told.makeoverId, changeSets: told.changeSets, studio: told.studioAfter() }
}

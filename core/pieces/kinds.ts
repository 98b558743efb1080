/** The kinds of row of the pieces and their candidates. */
import {
  answers,
  cleanings,
  fronts,
  keepReasons,
  methods,
  openTerms,
  priceKinds,
  qualities,
  sources,
  stuffs,
  thingKinds,
  uses,
} from '../makeover/choices.ts'
import {
  choice,
  count,
  date,
  distance,
  flag,
  lab,
  label,
  line,
  maybeLab,
  money,
  quantity,
  real,
  reference,
  row,
  several,
  size,
} from '../makeover/fields.ts'
import { terms } from '../makeover/terms.ts'

export const pieceKinds = {
  piece: row('piece', {
    roomId: reference('room'),
    zoneId: reference('zone').nullable(),
    /** Null only for what costs nothing. */
    categoryId: reference('category').nullable(),
    name: label(),
    thing: choice(thingKinds),
    quantity: quantity(),
    /** What is counted: "pieces", "m", "rolls". */
    unit: label(20).meta({ words: false }),
    allowanceMinor: money(),
    chosenId: reference('candidate', { deferred: true }).nullable(),
    chosenReason: line(500),
    /** Pieces of one set bear its name and stay together; empty for none. */
    setName: line(60).meta({ words: false }),
    /** The room it may take, in mm. */
    widthMm: size(),
    depthMm: size(),
    heightMm: size(),
    /** It is meant to disappear before its wall. */
    hides: flag(),
    /** The wall it stands before or hangs on, and how high its lower edge is. */
    wallId: reference('wall').nullable(),
    aboveMm: distance(20_000),
    /** The niche or window that it goes into. */
    openingId: reference('opening').nullable(),
    /** Its own day, where a makeover goes on piece by piece. */
    wantedOn: date().nullable(),
  }),
  serving: row(
    'need served',
    { needId: reference('need'), pieceId: reference('piece') },
    { once: ['needId', 'pieceId'] },
  ),
  candidate: row('candidate', {
    pieceId: reference('piece'),
    sellerId: reference('seller').nullable(),
    source: choice(sources),
    name: label(),
    article: line(80),
    link: line(300),
    colourName: line(80),
    batch: line(60),
    condition: line(200),
    /** Where it comes from, for what is not bought: whose, or from which room. */
    origin: line(200),
    keepReason: choice(keepReasons).nullable(),
    /** When it goes back, for what is lent or rented. */
    goBackOn: date().nullable(),
    /** What is missing where it stood. */
    hole: line(200),
    /** When to look at a placeholder again. */
    lookAgainOn: date().nullable(),
    ...terms,
    /** The least and the most days from the order to the goods, where the seller gave a range; and whether it counts working days. */
    leadLeastDays: count(0, 1000).nullable(),
    leadMostDays: count(0, 1000).nullable(),
    leadWorking: flag(),
    priceKind: choice(priceKinds),
    pricedOn: date().nullable(),
    ...maybeLab,
    widthMm: size(),
    depthMm: size(),
    heightMm: size(),
    lifeYears: real(0.1, 200).nullable(),
    methods: several(methods),
    qualities: several(qualities),
    weightKg: real(0.01, 5000).nullable(),
    /** How much of a need one of it takes in, in the need's own unit: metres of books, litres. */
    holds: quantity().nullable(),
    /** The height of its seat or its top. */
    topMm: size(),
    front: choice(fronts).nullable(),
    madeOf: choice(stuffs).nullable(),
    cleaning: choice(cleanings).nullable(),
    /** What the maker or the seller warrants, how long, and what it needs: “frame ten years, with the receipt”. */
    warranty: line(200),
    /** What it is made for. */
    suits: several(uses),
    /** Words for its style, separated by commas. */
    styles: line(120).meta({ words: false }),
    /** Holes it takes to put one of it up; null where nobody counted. */
    holes: count(0, 200).nullable(),
    /** The day a gift is promised for, and what is done where it does not come. */
    promisedOn: date().nullable(),
    fallBack: line(200),
    /** Terms that nobody asked the seller yet; what stands for them here is then no answer. */
    toAsk: several(openTerms),
    /** Why it was turned down; null while it is in the running. */
    turnedDown: line(500).meta({ words: false }).nullable(),
  }),
  /** A further colour of a candidate: a rug or a cloth may hold several. */
  candidateColour: row('further colour', { candidateId: reference('candidate'), ...lab }),
  price: row('price', {
    candidateId: reference('candidate'),
    kind: choice(priceKinds),
    amountMinor: money(),
    seenOn: date(),
    note: line(200),
  }),
  /** Another thing taken than was planned: both stay on record with what they cost at the time. */
  substitution: row('substitution', {
    pieceId: reference('piece'),
    fromId: reference('candidate', { within: 'pieceId' }),
    toId: reference('candidate', { within: 'pieceId' }),
    fromLandedMinor: money(),
    toLandedMinor: money(),
    reason: label(500),
    agreedById: reference('client').nullable(),
    madeOn: date(),
  }),
  /** Something a client has to answer. */
  question: row('question', {
    pieceId: reference('piece').nullable(),
    candidateId: reference('candidate').nullable(),
    ask: label(300),
    askedOn: date(),
    neededBy: date().nullable(),
    answer: choice(answers),
    answerNote: line(500),
    answeredById: reference('client').nullable(),
    answeredOn: date().nullable(),
  }),
}

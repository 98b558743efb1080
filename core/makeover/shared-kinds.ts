/** The kinds of row of what the steps share: the studio and what its makeovers share; the makeover, its clients and rooms; files; accepted remarks. */
import { moments } from './client-choices.ts'
import { countryCodes } from '../measure/habits.ts'
import { currencyCodes } from '../money/currencies.ts'
import { ruleIds } from '../rulebook/rulebook.ts'
import { questionIds } from '../rulebook/schools.ts'
import {
  contrastStandards,
  entryUnits,
  mediaTypes,
  roomUses,
  scopes,
  stockKinds,
  taxRoundings,
  unitSystems,
} from './choices.ts'
import {
  choice,
  count,
  date,
  digest,
  label,
  line,
  quantity,
  rate,
  real,
  reference,
  row,
  several,
  size,
  timeZone,
} from './fields.ts'

export const sharedKinds = {
  studio: row('studio', { name: label(), timeZone: timeZone() }, { document: 'studio' }),
  seller: row(
    'seller',
    {
      name: label(),
      taxRounding: choice(taxRoundings),
      adjustDays: count(0, 1000).nullable(),
      /** Sellers of one group take each other's gift cards. */
      groupName: line(60).meta({ words: false }),
      note: line(500),
    },
    { document: 'studio' },
  ),
  studioRuling: row(
    'rule of the studio',
    { rule: choice(ruleIds), value: real(-100_000, 100_000) },
    { document: 'studio', once: ['rule'] },
  ),
  studioSchool: row(
    'school of the studio',
    { question: choice(questionIds), school: label(60) },
    { document: 'studio', once: ['question'] },
  ),
  /** What a makeover may begin with: rooms, needs, categories and schools of an earlier one, as JSON. */
  template: row('template', { name: label(), holds: line(200_000) }, { document: 'studio' }),
  /** What the studio knows of a seller beyond what a makeover needs: it stays at home when a makeover goes out as a file. */
  sellerEntry: row(
    'entry of the sellers’ book',
    {
      sellerId: reference('seller'),
      contact: line(120),
      phone: line(60),
      email: line(254),
      /** The studio’s number with them. */
      account: line(60).meta({ words: false }),
      payTerms: line(300),
      tradePpm: rate().meta({ cost: true }),
      /** Days in which they usually take goods back; null where nobody asked. */
      returnDays: count(0, 1000).nullable(),
      returnHabit: line(500),
      matchHabit: line(500),
      note: line(1000),
    },
    { document: 'studio', personal: true, once: ['sellerId'] },
  ),
  /** What the studio itself owns, to lend, to place or to use up. */
  stock: row(
    'thing in stock',
    {
      name: label(),
      kind: choice(stockKinds),
      quantity: quantity(),
      unit: label(20).meta({ words: false }),
      /** Where it lies: “rack 3, left”. */
      lies: line(120),
      cameFrom: line(200),
      widthMm: size(),
      depthMm: size(),
      heightMm: size(),
      /** Where it is while it is lent, and since and until when. */
      lentTo: line(200),
      lentOn: date().nullable(),
      backOn: date().nullable(),
      note: line(500),
    },
    { document: 'studio' },
  ),
  makeover: row('makeover', {
    name: label(),
    currency: choice(currencyCodes),
    units: choice(unitSystems),
    entryUnit: choice(entryUnits),
    /** Where it is, by ISO 3166: dates, sums, paper and words follow its habits; null where nobody said. */
    country: choice(countryCodes).nullable(),
    scope: choice(scopes),
    installOn: date().nullable(),
    /** When the house was built, where anybody knows. */ builtYear: count(1000, 2200).nullable(),
    contrastBy: choice(contrastStandards),
  }),
  client: row('client', { name: label() }, { personal: true }),
  room: row('room', { name: label(), uses: several(roomUses) }),
  /** A file kept by its content, hung on what it belongs to. */
  attachment: row('file', {
    sha256: digest(),
    mediaType: choice(mediaTypes),
    bytes: count(1, 10_485_760),
    name: label(200),
    addedOn: date(),
    orderId: reference('order').nullable(),
    deliveryId: reference('delivery').nullable(),
    candidateId: reference('candidate').nullable(),
    inspirationId: reference('inspiration').nullable(),
    finishId: reference('finish').nullable(),
    roomId: reference('room').nullable(),
    taskId: reference('task').nullable(),
    snagId: reference('snag').nullable(),
    replyId: reference('reply').nullable(),
    viewId: reference('view').nullable(),
    moment: choice(moments).nullable(),
  }),
  /** A remark accepted as it stands: it comes back when its numbers are no longer those of the fingerprint. */
  acceptance: row('accepted remark', {
    remarkKey: label(300),
    fingerprint: line(1000),
    reason: label(500),
    acceptedOn: date(),
  }),
}

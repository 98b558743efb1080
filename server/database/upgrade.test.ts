/** A database of the first version, with money in it, comes forward with nothing lost. */
import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { randomUUID } from 'node:crypto'
import { expect, inject, it } from 'vitest'
import { reckon } from '#core/reckoning/reckon.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { run, withDatabase } from '../testing/postgres.ts'
import { connect, inTransaction } from './connection.ts'
import { loadMakeover, loadStudio } from './documents.ts'
import { migrateDatabase } from './migrate.ts'

const id = (at: number): string => `01900000-0000-7000-8000-${at.toString(16).padStart(12, '0')}`
const [studio, makeover, client, room, category, need, agreement, seller, piece, candidate, purchase, payment] =
  Array.from({ length: 12 }, (_, at) => id(at + 1))

it('orders become orders with a line, payments are for the order, needs served are rows, and every sum is as it was', async () => {
  const name = `bonitas_old_${randomUUID().slice(0, 8)}`
  await run(inject('postgres'), `create database ${name}`)
  const url = withDatabase(inject('postgres'), name)
  const first = join(mkdtempSync(join(tmpdir(), 'bonitas-first-')), 'migrations')
  cpSync(join(import.meta.dirname, 'migrations'), first, { recursive: true })
  const journal = join(first, 'meta', '_journal.json')
  const kept = JSON.parse(readFileSync(journal, 'utf8')) as { entries: unknown[] }
  writeFileSync(journal, JSON.stringify({ ...kept, entries: kept.entries.slice(0, 2) }))
  await migrateDatabase(url, first)

  const client1 = new pg.Client({ connectionString: url })
  await client1.connect()
  await client1.query(`
    insert into studios values ('${studio}', '${studio}', '${studio}', 'A studio', 'UTC');
    insert into documents values ('${studio}', '${studio}', 1), ('${studio}', '${makeover}', 1);
    insert into sellers values ('${studio}', '${seller}', '${seller}', 'A seller');
    insert into makeovers values ('${studio}', '${makeover}', '${makeover}', '${makeover}', 'A room', 'EUR', 'metric', '2027-06-01');
    insert into clients values ('${studio}', '${makeover}', '${client}', '${client}', 'A client');
    insert into rooms values ('${studio}', '${makeover}', '${room}', '${room}', 'A room');
    insert into needs values ('${studio}', '${makeover}', '${need}', '${need}', '${room}', null, 'Sit', 'must');
    insert into categories values ('${studio}', '${makeover}', '${category}', '${category}', 'Furniture', 0);
    insert into agreements values ('${studio}', '${makeover}', '${agreement}', '${agreement}', 1, 60000, '${client}', '2027-01-10', '');
    insert into agreement_lines values ('${studio}', '${makeover}', '${id(20)}', '${id(20)}', '${agreement}', '${category}', 540000);
    begin; set constraints all deferred;
    insert into pieces (studio_id, makeover_id, id, version, room_id, need_id, category_id, name, quantity, unit, allowance_minor, chosen_id, chosen_reason)
      values ('${studio}', '${makeover}', '${piece}', '${piece}', '${room}', '${need}', '${category}', 'Chairs', 2, 'pieces', 150000, '${candidate}', 'Good');
    insert into candidates (studio_id, makeover_id, id, version, piece_id, seller_id, name, price_minor, pack_size, discount_ppm, delivery_minor, tax_ppm, tax_included, delivery_taxed, lead_days, return_days)
      values ('${studio}', '${makeover}', '${candidate}', '${candidate}', '${piece}', '${seller}', 'Wing chair', 64000, 1, 100000, 4500, 200000, false, true, 14, 14);
    commit;
    insert into purchases (studio_id, makeover_id, id, version, piece_id, candidate_id, packs, ordered_on, reference, price_minor, pack_size, discount_ppm, delivery_minor, tax_ppm, tax_included, delivery_taxed, lead_days, return_days)
      values ('${studio}', '${makeover}', '${purchase}', '${purchase}', '${piece}', '${candidate}', 2, '2027-02-01', 'No 7', 64000, 1, 100000, 4500, 200000, false, true, 14, 14);
    insert into payments (studio_id, makeover_id, id, version, purchase_id, direction, amount_minor, paid_on, tender) values ('${studio}', '${makeover}', '${payment}', '${payment}', '${purchase}', 'out', 40000, '2027-02-02', 'card');
  `)
  await client1.end()

  await migrateDatabase(url)
  const database = connect(url)
  const [opened, shared] = await inTransaction(
    database,
    { studio: studio ?? '' },
    async (tx) => [await loadMakeover(tx, makeover ?? ''), await loadStudio(tx, studio ?? '')] as const,
  )
  if (!opened) throw new Error('the makeover was put in above')
  expect(opened.rows.order[purchase ?? '']).toMatchObject({
    sellerId: seller,
    orderedOn: '2027-02-01',
    reference: 'No 7',
    taxRounding: 'line',
  })
  expect(opened.rows.payment[payment ?? '']).toMatchObject({ orderId: purchase, amountMinor: 40000 })
  expect(opened.rows.serving[piece ?? '']).toMatchObject({ needId: need, pieceId: piece })
  // the worked case of the trade handbook, section 7: two chairs, 400.00 paid
  expect(reckon({ makeover: opened, studio: shared }, plainDate('2027-03-01')).money.total).toMatchObject({
    paid: 400_00,
    committed: 1_036_40,
    owed: 1_436_40,
  })
  await database.close()
  await run(inject('postgres'), `drop database ${name} with (force)`)
})

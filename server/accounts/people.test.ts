/** People of a studio who are given another role, taken out, and asked back; there is always an owner. */
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { add, edit } from '#core/makeover/change.ts'
import { helper, makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

describe('people', () => {
  it('the last owner neither leaves nor steps down; two who take each other out at once leave one', async () => {
    const owner = await person(served)
    const remove = (who: Speaker, whom: Speaker) => who.post(`/people/${whom.personId}/removal`, {})
    expect((await remove(owner, owner)).body).toMatchObject({ status: 409, type: 'urn:bonitas:problem:last-owner' })
    expect((await owner.post(`/people/${owner.personId}/role`, { role: 'member', seesCosts: true })).status).toBe(409)
    for (let round = 0; round < 3; round++) {
      const first = await person(served)
      const second = await helper(served, first, 'Second', { role: 'owner', seesCosts: true })
      const answers = await Promise.all([remove(first, second), remove(second, first)])
      expect(answers.filter(({ status }) => status === 204)).toHaveLength(1)
      const stays = answers[0].status === 204 ? first : second
      expect(
        ((await stays.get('/people')).body as { removedAt: string | null }[]).filter(
          ({ removedAt }) => removedAt === null,
        ),
      ).toHaveLength(1)
    }
  })
  it('who is taken out is out at once and everywhere, their work stays under their name, and they can be asked back', async () => {
    const owner = await person(served)
    const { ids } = await makeover(owner)
    const second = await helper(served, owner, 'Second Hand')
    expect(
      (await second.change(ids.makeover, [add('room', uuidv7(), { name: 'A second room', uses: '' })])).status,
    ).toBe(200)
    expect((await owner.post(`/people/${second.personId}/removal`, {})).status).toBe(204)
    expect((await second.get('/day')).status).toBe(401)
    expect(
      (
        await request(served.application)
          .post('/api/session')
          .send({ email: second.email, password: 'a long enough password' })
      ).status,
    ).toBe(401)
    const diary = (await owner.get(`/makeovers/${ids.makeover}/diary`)).body as { who: string }[]
    expect(diary[0]?.who).toBe('Second Hand')
    expect((await owner.post('/invitations', { email: second.email, role: 'member', seesCosts: true })).status).toBe(
      201,
    )
    const [letter] = (await owner.get('/letters')).body as { opens: string }[]
    const token = letter?.opens.split('#')[1]
    expect(
      (
        await request(served.application)
          .post('/api/join')
          .send({ token, name: 'Second Hand', password: 'seven ferns under rain' })
      ).status,
    ).toBe(201)
    expect(((await owner.get('/people')).body as { id: string }[]).map(({ id }) => id)).toEqual([
      owner.personId,
      second.personId,
    ])
  })
  it('a role that changes while its person works counts from the next thing they do, and nothing is half done', async () => {
    const owner = await person(served)
    const { ids } = await makeover(owner)
    const second = await helper(served, owner)
    const write = (name: string) => second.change(ids.makeover, [add('room', uuidv7(), { name, uses: '' })])
    expect((await write('Before')).status).toBe(200)
    expect((await owner.post(`/people/${second.personId}/role`, { role: 'looker-on', seesCosts: true })).status).toBe(
      204,
    )
    expect((await write('After')).body).toMatchObject({
      status: 403,
      detail: expect.stringMatching(/Nothing was changed/) as unknown,
    })
    const rooms = Object.values((await owner.open(ids.makeover)).makeover.rows.room).map(({ name }) => name)
    expect(rooms).toContain('Before')
    expect(rooms).not.toContain('After')
    expect((await owner.post(`/people/${second.personId}/role`, { role: 'member', seesCosts: true })).status).toBe(204)
    expect((await write('After')).status).toBe(200)
  })
  it('a bookkeeper changes money rows and no others', async () => {
    const owner = await person(served)
    const { ids } = await makeover(owner)
    const keeper = await helper(served, owner, 'Keeper', { role: 'bookkeeper', seesCosts: true })
    const opened = await keeper.open(ids.makeover)
    const stage = { name: 'Deposit', kind: 'deposit', amountMinor: 50_000, askedOn: '2027-03-01', dueOn: null } as never
    expect((await keeper.change(ids.makeover, [add('stage', uuidv7(), stage)])).status).toBe(200)
    const [room] = Object.values(opened.makeover.rows.room)
    if (!room) throw new Error('a room is expected')
    expect((await keeper.change(ids.makeover, [edit('room', room, { name: 'Another' })])).status).toBe(403)
  })
})

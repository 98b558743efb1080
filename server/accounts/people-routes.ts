/** What an owner does with the people of the studio; and what everybody sees of them. */
import { Router } from 'express'
import { boolean, object, string } from 'yup'
import { isEmail, isUuid, label } from '#core/makeover/fields.ts'
import { roles, roleWords, type Role } from '#core/people/index.ts'
import { inTransaction } from '../database/connection.ts'
import { layDown } from '../post/drop.ts'
import { notFound, Problem } from '../problem.ts'
import { read } from '../read.ts'
import { noteDown } from '../record/note.ts'
import type { Setting } from '../setting.ts'
import { giveRole, peopleOf, signOutOf, takeFactorFrom, takeOut, type Left } from './people.ts'
import { fieldProblem, personBehind } from './routes.ts'
import { invitationsOf, invite, takeBack, type Ticket } from './tickets.ts'

const role = () =>
  string<Role>()
    .oneOf([...roles], `expected one of ${roles.join(', ')}`)
    .required('is missing')
const standing = { role: role(), seesCosts: boolean().strict().required('is missing: expected yes or no') }
const invitation = object({ email: label(254, [isEmail, 'expected an email address']), ...standing })
const given = object(standing)

const shown = ({ id, email, role: asked, seesCosts, madeAt, expiresAt }: Ticket) => ({
  id,
  email,
  role: asked,
  seesCosts,
  madeAt: madeAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
})

export function peopleRoutes(setting: Setting): Router {
  const { database, clock, news } = setting
  const routes = Router()

  routes.get('/people', async (request, response) => {
    response.json(await peopleOf(database, personBehind(request).studioId))
  })

  routes.get('/invitations', async (request, response) => {
    response.json((await invitationsOf(database, personBehind(request).studioId, clock())).map(shown))
  })
  routes.post('/invitations', async (request, response) => {
    const who = personBehind(request)
    const made = await invite(database, who, read(invitation, request.body), clock())
    if (made === 'here')
      throw fieldProblem(409, 'twice', 'email', 'is already somebody’s of this studio: expected another')
    await layDown(setting, made.written, clock())
    const { title } = roleWords[made.ticket.role]
    await noteDown(database, { ...who, what: `invited somebody as ${title.toLowerCase()}` }, clock())
    response.status(201).json(shown(made.ticket))
  })
  routes.delete('/invitations/:invitation', async (request, response) => {
    const who = personBehind(request)
    const { invitation: id } = request.params
    if (!isUuid(id) || !(await inTransaction(database, { studio: who.studioId }, (tx) => takeBack(tx, id, clock()))))
      throw notFound()
    await noteDown(database, { ...who, what: 'took an invitation back' }, clock())
    response.status(204).end()
  })

  /** Does something to somebody, notes it down, and lets their browsers look again. */
  const toSomebody = (path: string, what: (body: unknown) => string, act: Act): void => {
    routes.post(`/people/:person/${path}`, async (request, response) => {
      const who = personBehind(request)
      const { person } = request.params
      if (!isUuid(person)) throw notFound()
      const said = what(request.body)
      refuse(await act(who.studioId, person, request.body))
      await noteDown(database, { ...who, what: said, toPersonId: person }, clock())
      news.tell({ is: 'ended', studio: who.studioId, personId: person })
      response.status(204).end()
    })
  }
  toSomebody(
    'role',
    (body) => {
      const { role: asked, seesCosts } = read(given, body)
      const costs = asked === 'looker-on' && !seesCosts ? ' without costs' : ''
      return `made somebody ${roleWords[asked].title.toLowerCase()}${costs}`
    },
    (studioId, person, body) => giveRole(database, studioId, person, read(given, body)),
  )
  toSomebody(
    'removal',
    () => 'took somebody out',
    (studioId, person) => takeOut(database, studioId, person, clock()),
  )
  toSomebody(
    'sign-out',
    () => 'signed somebody out',
    async (studioId, person) => ((await signOutOf(database, studioId, person)) ? 'out' : 'nobody'),
  )
  toSomebody(
    'second-factor-off',
    () => 'took somebody’s second factor away',
    async (studioId, person) => ((await takeFactorFrom(database, studioId, person)) ? 'out' : 'nobody'),
  )
  return routes
}

type Act = (studioId: string, person: string, body: unknown) => Promise<'given' | 'out' | Left>

function refuse(done: 'given' | 'out' | Left): void {
  if (done === 'nobody') throw notFound()
  if (done === 'last owner')
    throw new Problem(
      409,
      'last-owner',
      'The last owner',
      'Nobody would be left who says who works here. Make somebody else an owner first. Nothing was changed.',
    )
}

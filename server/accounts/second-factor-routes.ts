/** One’s own second factor: set up with an app, turned off, and the codes for when the app is lost. */
import { Router, type Request } from 'express'
import { object } from 'yup'
import { line } from '#core/makeover/fields.ts'
import { Problem } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { fieldProblem, personBehind } from './routes.ts'
import { beginSecondFactor, codesLeft, confirmSecondFactor, newCodes, turnOff } from './second-factor.ts'
import { codeWords } from './code-words.ts'
import { limited } from './tries.ts'

const passwordAsked = object({ password: line(1000) })
const codeAsked = object({ code: line(40) })

export function secondFactorRoutes(setting: Setting): Router {
  const { database, clock } = setting
  const routes = Router()
  const few = limited(setting, {
    as: 'second-factor',
    limit: Math.ceil(setting.failedSignIns / 2),
    keyOf: (request) => personBehind(request).personId,
    failed: true,
    tooMany: 'Too many wrong passwords or codes: wait a quarter of an hour.',
  })
  const wrongPassword = (): Problem =>
    fieldProblem(403, 'wrong', 'password', 'is not right: expected the one you have now')
  const passwordIn = (request: Request): string => read(passwordAsked, request.body).password

  routes.get('/second-factor', async (request, response) => {
    const who = personBehind(request)
    response.json({ on: who.hasSecondFactor, codesLeft: who.hasSecondFactor ? await codesLeft(database, who) : 0 })
  })
  routes.post('/second-factor', few, async (request, response) => {
    const begun = await beginSecondFactor(database, personBehind(request), passwordIn(request))
    if (begun === 'password') throw wrongPassword()
    if (begun === 'on') throw new Problem(409, 'on', 'On already', 'A second factor is on: turn it off first.')
    response.status(201).json(begun)
  })
  routes.post('/second-factor/confirm', few, async (request, response) => {
    const told = await confirmSecondFactor(database, personBehind(request), read(codeAsked, request.body).code, clock())
    if (told.is !== 'on') throw fieldProblem(422, 'wrong', 'code', codeWords(told))
    response.json({ codes: told.codes })
  })
  routes.post('/second-factor/off', few, async (request, response) => {
    if (!(await turnOff(database, personBehind(request), passwordIn(request)))) throw wrongPassword()
    response.status(204).end()
  })
  routes.post('/second-factor/codes', few, async (request, response) => {
    const codes = await newCodes(database, personBehind(request), passwordIn(request))
    if (!codes) throw wrongPassword()
    response.json({ codes })
  })
  return routes
}

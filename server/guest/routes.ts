/** What a client does on their own page, by their link alone: looks, answers, sends pictures, signs. Nothing of the studio is reached from here. */
import { Router } from 'express'
import { v7 as uuidv7 } from 'uuid'
import { number, object, string } from 'yup'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type Documents, type Operation } from '#core/makeover/change.ts'
import { replies } from '#core/makeover/client-choices.ts'
import { isUuid, line } from '#core/makeover/fields.ts'
import { rowsOf } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { notFound, Problem } from '../problem.ts'
import { read } from '../read.ts'
import type { Setting } from '../setting.ts'
import { pictureRoutes } from './pictures.ts'
import { closingText, keptFor, shownTo } from './shown.ts'
import { doorFor } from './who.ts'

const asked = object({
  id: string().test('id', 'expected an id', isUuid).required(),
  pieceId: string().nullable().defined(),
  questionId: string().nullable().defined(),
  presentationId: string().nullable().defined(),
  says: string()
    .oneOf([...replies])
    .required(),
  words: line(4000),
  about: line(64),
  atX: number().min(0).max(1).nullable().defined(),
  atY: number().min(0).max(1).nullable().defined(),
})
const typed = {
  name: line(120, [(text) => text.trim() !== '', 'is empty: type your name as you sign it']),
  digest: line(64),
}
const signature = object({ agreementId: string().test('id', 'expected an id', isUuid).required(), ...typed })
const closingSignature = object({ closingId: string().test('id', 'expected an id', isUuid).required(), ...typed })

export function guestRoutes(setting: Setting): Router {
  const { heavy } = setting
  const routes = Router()
  const { guest, change, looks, acts } = doorFor(setting)

  routes.get('/guest', looks, async (request, response) => {
    const { documents, clientId, today } = await guest(request)
    response.json(shownTo(documents, clientId, today))
  })

  routes.post('/guest/replies', acts, async (request, response) => {
    const who = await guest(request)
    const { clientId, documents, today } = who
    const { id, pieceId, questionId, presentationId, says, words, about, atX, atY } = read(asked, request.body)
    const { rows } = documents.makeover
    if (rows.reply[id]?.clientId === clientId) {
      response.status(201).json(shownTo(documents, clientId, today))
      return
    }
    if (pieceId !== null && !rows.piece[pieceId]) throw notFound()
    if (questionId !== null && !rows.question[questionId]) throw notFound()
    if (presentationId !== null && !rows.presentation[presentationId]) throw notFound()
    if ((says === 'comment' || says === 'asks back') && words.trim() === '')
      throw new Problem(422, 'invalid', 'Nothing said', 'words: is empty: write what you want to say')
    const client = rows.client[clientId]?.name ?? ''
    const thing = pieceId === null ? 'the version' : (rows.piece[pieceId]?.name ?? '')
    const sentence = `${client} ${said[says]} ${thing}`.slice(0, 500)
    const reply = {
      ...blank.reply,
      clientId,
      presentationId,
      pieceId,
      questionId,
      says,
      words,
      about,
      atX,
      atY,
      saidOn: today,
    }
    await change(who, request, uuidOf(id), sentence, [
      add('reply', id, reply),
      ...answering(documents, { pieceId, questionId, says, words, clientId, today }),
    ])
    response.status(201).json(shownTo((await guest(request)).documents, clientId, today))
  })

  routes.post('/guest/signatures', acts, async (request, response) => {
    const who = await guest(request)
    const { clientId, documents, today } = who
    const { agreementId, name, digest } = read(signature, request.body)
    const { toSign } = shownTo(documents, clientId, today)
    if (!toSign || toSign.id !== agreementId)
      throw new Problem(
        409,
        'changed',
        'There is nothing to sign',
        'It was signed already, or taken back: look again.',
        { toSign },
      )
    if (toSign.digest !== digest)
      throw new Problem(
        409,
        'changed',
        'The figures changed',
        'They changed a moment ago, and nothing was signed: look at the new ones, then sign those.',
        { toSign },
      )
    const row = documents.makeover.rows.agreement[agreementId]
    if (!row) throw notFound()
    const signed = { ...row, signedById: clientId, signedOn: today }
    const after = {
      ...documents,
      makeover: {
        ...documents.makeover,
        rows: {
          ...documents.makeover.rows,
          agreement: { ...documents.makeover.rows.agreement, [agreementId]: signed },
        },
      },
    }
    const sentence = `${documents.makeover.rows.client[clientId]?.name ?? ''} signed the agreed budget, version ${toSign.number}`
    await change(
      who,
      request,
      uuidv7(),
      sentence,
      [edit('agreement', row, { signedById: clientId, signedOn: today, kept: keptFor(after, agreementId) })],
      name.trim(),
    )
    response.status(201).json(shownTo((await guest(request)).documents, clientId, today))
  })

  routes.post('/guest/closings', acts, async (request, response) => {
    const who = await guest(request)
    const { clientId, documents, today } = who
    const { closingId, name, digest } = read(closingSignature, request.body)
    const { toClose } = shownTo(documents, clientId, today)
    const row = documents.makeover.rows.closing[closingId]
    if (!toClose || toClose.id !== closingId || !row)
      throw new Problem(
        409,
        'changed',
        'There is nothing to sign',
        'It was signed already, or taken back: look again.',
        { toClose },
      )
    if (toClose.digest !== digest)
      throw new Problem(
        409,
        'changed',
        'The account changed',
        'It changed a moment ago, and nothing was signed: look at the new figures, then sign those.',
        { toClose },
      )
    await change(
      who,
      request,
      uuidv7(),
      `${documents.makeover.rows.client[clientId]?.name ?? ''} signed the closing statement`,
      [
        edit('closing', row, {
          signedById: clientId,
          closedOn: today,
          statement: closingText(documents, today),
          digest,
        }),
      ],
      name.trim(),
    )
    response.status(201).json(shownTo((await guest(request)).documents, clientId, today))
  })

  pictureRoutes(routes, setting, { guest, change, looks, acts })

  routes.get('/guest/presentation.pdf', acts, async (request, response) => {
    const { link, documents, clientId, today } = await guest(request)
    const { presented } = shownTo(documents, clientId, today)
    if (!presented) throw notFound()
    const bytes = await heavy.run(link.studioId, 'presentation', { told: [presented] })
    response
      .set({ 'content-type': 'application/pdf', 'content-disposition': 'attachment; filename="presentation.pdf"' })
      .send(bytes)
  })
  return routes
}

const said = {
  yes: 'says yes to',
  another: 'asks for another in place of',
  comment: 'has a comment on',
  'asks back': 'asks back about',
} as const

/** A yes or another answers what the studio asked of that thing too, so that what waited for it goes on. */
function answering(
  { makeover }: Documents,
  {
    pieceId,
    questionId,
    says,
    words,
    clientId,
    today,
  }: {
    pieceId: string | null
    questionId: string | null
    says: (typeof replies)[number]
    words: string
    clientId: string
    today: PlainDate
  },
): Operation[] {
  if (says !== 'yes' && says !== 'another') return []
  return rowsOf(makeover, 'question')
    .filter(
      (row) => row.answer === 'waiting' && (row.id === questionId || (pieceId !== null && row.pieceId === pieceId)),
    )
    .map((row) =>
      edit('question', row, {
        answer: says === 'yes' ? 'yes' : 'no',
        answerNote: words.slice(0, 500),
        answeredById: clientId,
        answeredOn: today,
      }),
    )
}
/** The change of an answer has the id of the answer with another last digit: sent twice, it is taken once. */
const uuidOf = (id: string): string =>
  `${id.slice(0, -1)}${((Number.parseInt(id.slice(-1), 16) + 1) % 16).toString(16)}`

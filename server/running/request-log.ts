/**
 * One line a request, at the level `info`: its id, method, path, status and how long it took. No address, no cookie, no body, no query, and
 * no token of a link: nothing in it is personal.
 */
import type { Request, RequestHandler } from 'express'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { v7 as uuidv7 } from 'uuid'
import { withoutTokens } from '../problem.ts'

/** The id of a request: it stands in the log, and in what is answered where something went wrong. */
export const idOf = (request: Request): string => (request as { id?: unknown }).id as string

export const requestLog = (log: Logger): RequestHandler =>
  pinoHttp<Request>({
    logger: log,
    genReqId: (_request, response) => {
      const id = uuidv7()
      response.setHeader('x-request-id', id)
      return id
    },
    useLevel: 'info',
    quietReqLogger: true,
    customSuccessMessage: () => 'answered',
    customErrorMessage: () => 'answered',
    serializers: {
      req: ({ id, method, url }: { id: string; method: string; url: string }) => ({
        id,
        method,
        path: withoutTokens((url.split('?')[0] ?? '').slice(0, 300)),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      err: () => undefined,
    },
  })

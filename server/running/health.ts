/** How the server does: whether it lives, whether it is ready to work, and its figures in the form that Prometheus reads. */
import { timingSafeEqual } from 'node:crypto'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import type { Database } from '../database/connection.ts'

const patienceMs = 2000

export type Health = ReturnType<typeof openHealth>

export function openHealth({
  database,
  metricsToken,
  alone,
}: {
  readonly database: Database
  /** Who says this word may read the figures; null where nobody need say one. */
  readonly metricsToken: string | null
  /** It is reached from this machine alone: the figures are then open. */
  readonly alone: boolean
}) {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry, prefix: 'bonitas_' })
  const took = new Histogram({
    name: 'bonitas_request_seconds',
    help: 'How long requests took, by method, route and status.',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10],
    registers: [registry],
  })
  const refused = new Counter({
    name: 'bonitas_sign_ins_refused_total',
    help: 'Sign-ins that were refused.',
    registers: [registry],
  })
  new Gauge({
    name: 'bonitas_database_connections',
    help: 'Connections to the database, by what they do.',
    labelNames: ['state'],
    registers: [registry],
    collect() {
      const { totalCount, idleCount, waitingCount } = database.pool
      this.set({ state: 'busy' }, totalCount - idleCount)
      this.set({ state: 'idle' }, idleCount)
      this.set({ state: 'waited for' }, waitingCount)
    },
  })
  let stopping = false

  /** Why it should be handed no request; null where it is ready. */
  async function notReady(): Promise<string | null> {
    if (stopping) return 'stopping'
    const answered = database.pool.query('select 1').then(
      () => null,
      () => 'the database does not answer',
    )
    const late = new Promise<string>((resolve) =>
      setTimeout(() => resolve('the database does not answer in time'), patienceMs).unref(),
    )
    return Promise.race([answered, late])
  }

  function mayRead(given: string): boolean {
    if (metricsToken === null) return alone
    const [left, right] = [Buffer.from(given), Buffer.from(`Bearer ${metricsToken}`)]
    return left.length === right.length && timingSafeEqual(left, right)
  }

  return {
    notReady,
    mayRead,
    stop: (): void => void (stopping = true),
    figures: (): Promise<string> => registry.metrics(),
    contentType: registry.contentType,
    /** A request was answered; `route` is its pattern, never its path, so that no id and no token is in the figures. */
    answered(method: string, route: string, status: number, seconds: number): void {
      took.observe({ method, route, status: String(status) }, seconds)
      if (route === '/session' && method === 'POST' && status === 401) refused.inc()
    },
  }
}

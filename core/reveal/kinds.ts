/** The kinds of row of the client's side and of the reveal: what was shown, what was answered, the views, what is ticked, how it closed. */
import { digest } from '../makeover/fields.ts'
import { choice, count, date, flag, label, line, real, reference, row, several } from '../makeover/fields.ts'
import { presentedParts, reminderKinds, replies, tickStates } from '../makeover/client-choices.ts'

const corner = () => real(-2, 3).nullable()

export const revealKinds = {
  /** What the client was shown: word for word as it was sent, or the makeover as it stands. */
  presentation: row('version for the client', {
    number: count(1, 1000),
    greeting: line(2000),
    sentOn: date(),
    isLive: flag(),
    parts: several(presentedParts),
    /** What it said when it was sent, as JSON; empty where it is live. */
    kept: line(600_000),
  }),
  /** What a client said: of a thing, of a question, or of a whole version. */
  reply: row(
    'answer of a client',
    {
      clientId: reference('client'),
      presentationId: reference('presentation').nullable(),
      pieceId: reference('piece').nullable(),
      questionId: reference('question').nullable(),
      says: choice(replies),
      words: line(4000),
      /** Where on the plan, as shares of its width and height. */
      atX: real(0, 1).nullable(),
      atY: real(0, 1).nullable(),
      saidOn: date(),
      /** What it was said of, as its digest: a thing that changed since asks again. */
      about: line(64).meta({ words: false }),
      seenOn: date().nullable(),
    },
    { personal: true },
  ),
  /** A view that is photographed before and after, from one spot; how the later picture lies over the earlier: its corners, as shares. */
  view: row('view', {
    roomId: reference('room'),
    wallId: reference('wall').nullable(),
    openingId: reference('opening').nullable(),
    name: label(),
    place: count(0, 1000),
    x0: corner(),
    y0: corner(),
    x1: corner(),
    y1: corner(),
    x2: corner(),
    y2: corner(),
    x3: corner(),
    y3: corner(),
  }),
  /** A need or a promise held against what is really there. */
  tick: row(
    'need ticked at the reveal',
    { needId: reference('need'), state: choice(tickStates), note: line(300), tickedOn: date() },
    { once: ['needId'] },
  ),
  /** The account closed, with the statement as it was signed; opened again only with a reason. */
  closing: row(
    'closed account',
    {
      closedOn: date(),
      signedById: reference('client').nullable(),
      statement: line(600_000),
      digest: digest(),
      reopenedOn: date().nullable(),
      reason: line(500),
    },
    { personal: true },
  ),
  /** What comes up again after the work is done: a season, a plant, wear, a placeholder. */
  reminder: row('reminder', {
    what: choice(reminderKinds),
    pieceId: reference('piece').nullable(),
    says: label(300),
    dueOn: date(),
    /** It comes again after so many months; null where it comes once. */
    everyMonths: count(1, 240).nullable(),
    /** Where it is kept meanwhile. */
    storedAt: line(120),
    doneOn: date().nullable(),
  }),
}

/**
 * What the tables hold besides what the schemas say of single fields: what may be there once, and sums that must agree.
 * A column is written as {field}.
 */
import type { Kind } from '#core/makeover/kinds.ts'

export type Constraints = {
  /** Fields that no two rows of a makeover (or of the studio) share, by the name of the constraint. */
  readonly once?: Readonly<Record<string, readonly string[]>>
  readonly checks?: Readonly<Record<string, string>>
}

const colour = 'lab_l between 0 and 100 and lab_a between -128 and 128 and lab_b between -128 and 128'
const terms =
  'price_minor >= 0 and delivery_minor >= 0 and pack_size > 0 and discount_ppm between 0 and 1000000 and tax_ppm between 0 and 1000000 and lead_days >= 0'

export const constraints: { readonly [K in Kind]?: Constraints } = {
  studio: {
    checks: { studios_is_itself: '{studioId} = {id}' },
  },
  makeover: {
    checks: { makeovers_is_itself: '{makeoverId} = {id}' },
  },
  wall: {
    checks: {
      walls_lengths: '{lengthMm} > 0 and {curveMm} > 0 and {heightMm} > 0 and {cornerDeg} > 0 and {cornerDeg} < 360',
    },
  },
  diagonal: {
    checks: { diagonals_length: '{lengthMm} > 0 and {fromId} <> {toId}' },
  },
  opening: {
    checks: { openings_sizes: '{widthMm} > 0 and {headMm} > {sillMm}' },
  },
  agreement: {
    once: { agreements_number_once: ['number'] },
    checks: {
      agreements_sums: '{contingencyMinor} >= 0 and {number} >= 1 and ({signedOn} is null) = ({signedById} is null)',
    },
  },
  agreementLine: {
    once: { agreement_lines_once: ['agreementId', 'categoryId'] },
    checks: { agreement_lines_amount: '{amountMinor} >= 0' },
  },
  piece: {
    checks: { pieces_amounts: '{quantity} > 0 and {allowanceMinor} >= 0' },
  },
  candidate: {
    once: { candidates_of_piece: ['pieceId', 'id'] },
    checks: { candidates_terms: terms },
  },
  candidateColour: {
    checks: { candidate_colours_lab: colour },
  },
  price: {
    checks: { prices_amount: '{amountMinor} >= 0' },
  },
  substitution: {
    checks: { substitutions_amounts: '{fromLandedMinor} >= 0 and {toLandedMinor} >= 0' },
  },
  scopeOption: {
    checks: { scope_options_cost: '{costMinor} >= 0' },
  },
  finish: {
    checks: { finishes_lab: colour },
  },
  patternPart: {
    checks: { pattern_parts_share: '{sharePpm} between 0 and 1000000 and {finishId} <> {partId}' },
  },
  coupon: {
    checks: { coupons_amounts: '{ratePpm} between 0 and 1000000 and {amountMinor} >= 0 and {minimumMinor} >= 0' },
  },
  credit: {
    checks: { credits_face: '{faceMinor} >= 0' },
  },
  order: {
    checks: { orders_deposit: '{depositMinor} >= 0' },
  },
  purchase: {
    checks: { purchases_packs: '{packs} > 0 and {couponMinor} >= 0', purchases_terms: terms },
  },
  delivery: {
    checks: { deliveries_packs: '{packs} > 0 and {damagedPacks} between 0 and {packs}' },
  },
  cancellation: {
    checks: { cancellations_amounts: '{packs} > 0 and {creditMinor} >= 0 and {keptMinor} >= 0' },
  },
  return: {
    checks: { returns_amounts: '{packs} > 0 and {creditMinor} >= 0 and {restockingMinor} >= 0' },
  },
  claim: {
    checks: { claims_amounts: '{askedMinor} > 0 and {grantedMinor} >= 0' },
  },
  payment: {
    once: { payments_reversed_once: ['reversesId'] },
    checks: { payments_amount: "{amountMinor} > 0 and {direction} in ('out', 'back')" },
  },
  attachment: {
    checks: {
      attachments_on_one:
        'num_nonnulls({orderId}, {deliveryId}, {candidateId}, {inspirationId}, {finishId}, {roomId}, {taskId}, {snagId}, {replyId}, {viewId}) = 1',
    },
  },
}

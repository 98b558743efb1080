import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { computed, watch, type Ref } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, remove, type Operation } from '#core/makeover/change.ts'
import {
  cleanings,
  fronts,
  keepReasons,
  methods,
  openTerms,
  priceKinds,
  qualities,
  returnStarts,
  sources,
  stuffs,
  uses,
} from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { inStock, ownStock, sourceNeeds, stockBehind } from '#core/pieces/index.ts'
import { landedCost, landedWorking, packsFor, quantityOf } from '#core/purchases/index.ts'
import { useBasis } from '../parts/basis.ts'
import {
  choiceField,
  coloursField,
  maybeChoiceField,
  maybeColourField,
  maybeDateField,
  maybeLengthField,
  maybeNumberField,
  moneyField,
  numberField,
  rateField,
  severalField,
  textField,
  useForm,
  yesField,
} from '../parts/form.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { bounded } from '../parts/bounded.ts'
import { goToMade } from '../parts/made.ts'

/** The form of one candidate for a piece: what is typed, what it lands at, and how it is kept with its colours. */
export function useCandidateForm(
  asked: () => { readonly piece: Row<'piece'>; readonly candidate: Row<'candidate'> | null },
  open: Ref<boolean>,
) {
  const makeover = useMakeover()
  const further = useRows('candidateColour')
  const sellers = computed(() => Object.values(makeover.opened?.studio.rows.seller ?? {}))
  const sellerName = (id: string | null | undefined): string => byId(sellers.value, id)?.name ?? ''
  const entry = useEntry()
  /** A new candidate begins with the tax terms of the last one: sellers of one country mostly share them. */
  const last = computed(() =>
    Object.values(makeover.opened?.makeover.rows.candidate ?? {})
      .toSorted((left, right) => (left.id < right.id ? -1 : 1))
      .findLast((candidate) => candidate.sellerId !== null),
  )
  const writtenColour = (row: Row<'candidate'> | null): string =>
    row && row.labL !== null && row.labA !== null && row.labB !== null
      ? hexFromLab({ L: row.labL, a: row.labA, b: row.labB })
      : ''
  const furtherOf = (row: Row<'candidate'> | null): Row<'candidateColour'>[] =>
    row ? further.value.filter((candidateColour) => candidateColour.candidateId === row.id) : []
  const writtenFurther = (row: Row<'candidate'> | null): string =>
    furtherOf(row)
      .map((candidateColour) =>
        hexFromLab({ L: candidateColour.labL, a: candidateColour.labA, b: candidateColour.labB }),
      )
      .join('; ')
  const { form, reset, submit } = useForm(() => {
    const candidate = asked().candidate
    return bounded('candidate', {
      source: choiceField(sources, candidate?.source ?? 'new'),
      seller: textField(sellerName(candidate?.sellerId)),
      name: textField(candidate?.name),
      origin: textField(candidate?.origin),
      keepReason: maybeChoiceField(keepReasons, candidate?.keepReason ?? null),
      condition: textField(candidate?.condition),
      hole: textField(candidate?.hole),
      goBackOn: maybeDateField(candidate?.goBackOn ?? null),
      lookAgainOn: maybeDateField(candidate?.lookAgainOn ?? null),
      priceMinor: moneyField(makeover.currency, candidate?.priceMinor ?? null),
      priceKind: choiceField(priceKinds, candidate?.priceKind ?? 'asked'),
      pricedOn: maybeDateField(candidate ? candidate.pricedOn : (makeover.opened?.today ?? null)),
      packSize: numberField(candidate?.packSize ?? 1, 3),
      periods: numberField(candidate?.periods ?? 1, 0),
      discountPpm: rateField(candidate?.discountPpm ?? 0),
      tradePpm: rateField(candidate?.tradePpm ?? 0),
      deliveryMinor: moneyField(makeover.currency, candidate?.deliveryMinor ?? null),
      taxPpm: rateField((candidate ?? last.value)?.taxPpm ?? 0),
      taxIncluded: yesField((candidate ?? last.value)?.taxIncluded ?? false),
      deliveryTaxed: yesField((candidate ?? last.value)?.deliveryTaxed ?? true),
      workMinor: moneyField(makeover.currency, candidate?.workMinor ?? null),
      hours: numberField(candidate?.hours ?? 0, 3),
      hourMinor: moneyField(makeover.currency, candidate?.hourMinor ?? null),
      leadDays: numberField(candidate?.leadDays ?? null, 0),
      returnDays: maybeNumberField(candidate?.returnDays ?? null, 0),
      returnFrom: choiceField(returnStarts, candidate?.returnFrom ?? 'arrival'),
      adjustDays: maybeNumberField(candidate?.adjustDays ?? null, 0),
      colour: maybeColourField(writtenColour(candidate)),
      colours: coloursField(writtenFurther(candidate)),
      colourName: textField(candidate?.colourName),
      batch: textField(candidate?.batch),
      article: textField(candidate?.article),
      link: textField(candidate?.link),
      widthMm: maybeLengthField(entry.value, candidate?.widthMm ?? null),
      depthMm: maybeLengthField(entry.value, candidate?.depthMm ?? null),
      heightMm: maybeLengthField(entry.value, candidate?.heightMm ?? null),
      lifeYears: maybeNumberField(candidate?.lifeYears ?? null, 1),
      weightKg: maybeNumberField(candidate?.weightKg ?? null, 2),
      holds: maybeNumberField(candidate?.holds ?? null, 3),
      topMm: maybeLengthField(entry.value, candidate?.topMm ?? null),
      front: maybeChoiceField(fronts, candidate?.front ?? null),
      madeOf: maybeChoiceField(stuffs, candidate?.madeOf ?? null),
      warranty: textField(candidate?.warranty),
      cleaning: maybeChoiceField(cleanings, candidate?.cleaning ?? null),
      suits: severalField(uses, candidate?.suits ?? ''),
      styles: textField(candidate?.styles),
      holes: maybeNumberField(candidate?.holes ?? null, 0),
      promisedOn: maybeDateField(candidate?.promisedOn ?? null),
      fallBack: textField(candidate?.fallBack),
      toAsk: severalField(openTerms, candidate?.toAsk ?? ''),
      methods: severalField(methods, candidate?.methods ?? ''),
      qualities: severalField(qualities, candidate?.qualities ?? ''),
    })
  })
  const { basis, save: saveCandidate } = useBasis('candidate', () => asked().candidate, open)
  watch(open, (isOpen) => isOpen && reset())
  const needs = computed(() => sourceNeeds[sources.find((source) => source === form.fields.source.text) ?? 'new'])
  const bought = computed(() => needs.value.seller || needs.value.work)

  /** What may be borrowed of our own stock; once it is named, what is known of it is filled in where nothing was typed. */
  const stock = computed(() =>
    form.fields.source.text === 'borrowed' && makeover.opened ? inStock(makeover.opened.studio) : [],
  )
  const fromStock = computed(() =>
    makeover.opened
      ? stockBehind(makeover.opened.studio, {
          source: form.fields.source.text === 'borrowed' ? 'borrowed' : 'new',
          name: form.fields.name.text,
        })
      : null,
  )
  watch(fromStock, (line) => {
    if (!line) return
    const known = {
      origin: ownStock(line),
      widthMm: maybeLengthField(entry.value, line.widthMm).text,
      depthMm: maybeLengthField(entry.value, line.depthMm).text,
      heightMm: maybeLengthField(entry.value, line.heightMm).text,
    }
    for (const name of ['origin', 'widthMm', 'depthMm', 'heightMm'] as const)
      if (form.fields[name].text.trim() === '') form.fields[name].text = known[name]
  })

  /** The landed cost of what is typed so far, as soon as its parts can be read. */
  const landed = computed(() => {
    const fields = form.fields
    const read = {
      priceMinor: fields.priceMinor.read(fields.priceMinor.text || (needs.value.seller ? '' : '0')),
      packSize: fields.packSize.read(fields.packSize.text),
      periods: fields.periods.read(fields.periods.text),
      discountPpm: fields.discountPpm.read(fields.discountPpm.text),
      deliveryMinor: fields.deliveryMinor.read(fields.deliveryMinor.text || '0'),
      taxPpm: fields.taxPpm.read(fields.taxPpm.text),
      workMinor: fields.workMinor.read(fields.workMinor.text || '0'),
      hours: fields.hours.read(fields.hours.text || '0'),
      hourMinor: fields.hourMinor.read(fields.hourMinor.text || '0'),
    }
    const { priceMinor, packSize, periods, discountPpm, deliveryMinor, taxPpm, workMinor, hours, hourMinor } = read
    if (
      !priceMinor.ok ||
      !packSize.ok ||
      !periods.ok ||
      !discountPpm.ok ||
      !deliveryMinor.ok ||
      !taxPpm.ok ||
      !workMinor.ok ||
      !hours.ok ||
      !hourMinor.ok
    )
      return null
    const terms = {
      priceMinor: priceMinor.value,
      packSize: packSize.value,
      periods: periods.value,
      discountPpm: discountPpm.value,
      deliveryMinor: deliveryMinor.value,
      taxPpm: taxPpm.value,
      workMinor: workMinor.value,
      hours: hours.value,
      hourMinor: hourMinor.value,
      tradePpm: 0,
      taxIncluded: fields.taxIncluded.text === 'yes',
      deliveryTaxed: fields.deliveryTaxed.text === 'yes',
    }
    const packs = packsFor(asked().piece.quantity, terms.packSize)
    return {
      working: landedWorking(terms, landedCost(terms, packs), makeover.currency),
      over: Math.round((quantityOf(packs, terms.packSize) - asked().piece.quantity) * 1000) / 1000,
    }
  })

  const sameColour = (row: Row<'candidateColour'>, lab: Lab): boolean =>
    hexFromLab({ L: row.labL, a: row.labA, b: row.labB }) === hexFromLab(lab)
  function colourOperations(candidateId: string, wanted: readonly Lab[]): Operation[] {
    const had = furtherOf(asked().candidate)
    return [
      ...had.filter((row) => !wanted.some((lab) => sameColour(row, lab))).map((row) => remove('candidateColour', row)),
      ...wanted
        .filter((lab) => !had.some((row) => sameColour(row, lab)))
        .map(({ L, a, b }) => add('candidateColour', uuidv7(), { candidateId, labL: L, labA: a, labB: b })),
    ]
  }

  async function save(): Promise<void> {
    for (const field of [
      form.fields.deliveryMinor,
      form.fields.workMinor,
      form.fields.hourMinor,
      form.fields.hours,
      ...(needs.value.seller ? [] : [form.fields.priceMinor, form.fields.leadDays]),
    ])
      if (field.text.trim() === '') field.text = '0'
    const madeId = uuidv7()
    const done = await submit(
      ({ seller, colour, colours, ...terms }) => {
        if (needs.value.seller && seller === '')
          return Promise.resolve([{ field: 'seller', message: 'is empty: expected who sells it' }])
        const known = sellers.value.find(
          (thisSeller) => thisSeller.name.toLocaleLowerCase('en') === seller.toLocaleLowerCase('en'),
        )
        const sellerId = seller === '' ? null : (known?.id ?? uuidv7())
        const seen = basis.value
        const same = seen && form.fields.colour.text === writtenColour(seen)
        const lab = same
          ? { labL: seen.labL, labA: seen.labA, labB: seen.labB }
          : { labL: colour?.lab.L ?? null, labA: colour?.lab.a ?? null, labB: colour?.lab.b ?? null }
        const id = asked().candidate?.id ?? madeId
        const fields = {
          ...blank.candidate,
          pieceId: asked().piece.id,
          sellerId,
          ...terms,
          ...lab,
          turnedDown: seen?.turnedDown ?? null,
        }
        const operations: Operation[] = [
          ...(sellerId === null || known ? [] : [add('seller', sellerId, { ...blank.seller, name: seller })]),
          ...colourOperations(id, colours),
        ]
        if (asked().candidate) return saveCandidate(`Changed the candidate “${terms.name}”`, fields, operations)
        return makeover.change(`Noted “${terms.name}”${seller ? ` from ${seller}` : ''} for ${asked().piece.name}`, [
          ...operations,
          add('candidate', id, fields),
        ])
      },
      { sellerId: 'seller', labL: 'colour', labA: 'colour', labB: 'colour' },
    )
    if (!done) return
    goToMade(asked().candidate?.id ?? madeId)
    open.value = false
  }

  return { form, sellers, needs, bought, stock, fromStock, landed, save }
}

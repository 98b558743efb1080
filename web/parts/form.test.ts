import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { defineComponent, h } from 'vue'
import { minor } from '#core/money/minor.ts'
import { bounded } from './bounded.ts'
import { draftHere } from './draft.ts'
import {
  choiceField,
  dateField,
  maybeDateField,
  maybeNumberField,
  moneyField,
  numberField,
  rateField,
  saidField,
  textField,
  useForm,
} from './form.ts'

const start = () => ({
  name: saidField('', 10),
  price: moneyField('EUR', minor(12_50)),
  tax: rateField(88_750),
  on: dateField(null),
  lead: maybeNumberField(null, 0),
  by: choiceField(['card', 'cash'], ''),
})

describe('a form', () => {
  it('starts with what it was given, written as it reads back', () => {
    const { form } = useForm(start)
    expect(form.fields.price.text).toBe('12.50')
    expect(form.fields.tax.text).toBe('8.875')
    expect(form.fields.tax.read(form.fields.tax.text)).toEqual({ ok: true, value: 88_750 })
  })
  it('says what is wrong with every field at once, and keeps what was typed', () => {
    const { form, read } = useForm(start)
    Object.assign(form.fields.name, { text: 'far too long a name' })
    Object.assign(form.fields.price, { text: '1e3' })
    Object.assign(form.fields.on, { text: '31 Feb 2027' })
    expect(read()).toBeNull()
    const errors = Object.fromEntries(Object.entries(form.fields).map(([name, field]) => [name, field.error]))
    expect(errors).toMatchObject({
      name: expect.stringMatching(/at most 10 characters, this has 19/),
      price: expect.stringMatching(/not a number/),
      on: expect.stringMatching(/not a date/),
      by: 'is not chosen yet',
      tax: '',
      lead: '',
    })
    expect(form.fields.price.text).toBe('1e3')
  })
  it('does its work with what was read, once at a time, and puts faults where they belong', async () => {
    const { form, submit } = useForm(start)
    Object.assign(form.fields.name, { text: ' Chair ' })
    Object.assign(form.fields.on, { text: '2027-03-14' })
    Object.assign(form.fields.by, { text: 'card' })
    const seen: unknown[] = []
    const work = (values: unknown) => {
      seen.push(values)
      return Promise.resolve([
        { field: 'priceMinor', message: 'too dear' },
        { field: null, message: 'no' },
        { field: 'elsewhere', message: 'odd' },
      ])
    }
    const [first, second] = await Promise.all([submit(work, { priceMinor: 'price' }), submit(work)])
    expect([first, second]).toEqual([false, false])
    expect(seen).toEqual([{ name: 'Chair', price: 12_50, tax: 88_750, on: '2027-03-14', lead: null, by: 'card' }])
    expect(form.fields.price.error).toBe('too dear')
    expect(form.faults).toEqual(['no', 'elsewhere: odd'])
    expect(await submit(() => Promise.resolve([]))).toBe(true)
    expect(form.faults).toEqual([])
  })
  it('shows an error that nobody expected, and can be tried again', async () => {
    const { form, submit } = useForm(() => ({ name: textField('Chair') }))
    expect(await submit(() => Promise.reject(new Error('the worker is gone')))).toBe(false)
    expect(form.faults).toEqual(['the worker is gone'])
    expect(form.busy).toBe(false)
  })
})

describe('a field of a row', () => {
  const fields = () =>
    bounded('candidate', {
      name: textField(),
      leadDays: numberField(null, 0),
      seller: textField(),
      lifeYears: maybeNumberField(null, 1),
    })
  it('is held to the schema of its kind, and says what was typed and what was expected', () => {
    const { name, leadDays, lifeYears } = fields()
    expect(name.read(' ')).toEqual({ ok: false, error: 'is empty: expected some text' })
    expect(name.read('x'.repeat(121))).toMatchObject({ error: expect.stringMatching(/at most 120 characters/) })
    expect(leadDays.read('2000')).toMatchObject({ error: expect.stringMatching(/^“2000”: expected .* 0 to 1000/) })
    expect(leadDays.read('12')).toEqual({ ok: true, value: 12 })
    expect(lifeYears.read('')).toEqual({ ok: true, value: null })
    expect(lifeYears.read('900').ok).toBe(false)
  })
  it('that is no field of the kind is held to nothing', () => {
    expect(fields().seller.read('')).toEqual({ ok: true, value: '' })
  })
})

describe('a day', () => {
  it('says that it may be picked from a month, and is typed all the same', () => {
    expect(dateField(null).day).toBe(true)
    expect(bounded('candidate', { pricedOn: maybeDateField(null) }).pricedOn.day).toBe(true)
    expect(textField().day).toBeUndefined()
  })
})

describe('a form that is left', () => {
  /** A form with a dialog of it, as the page has them. */
  function opened() {
    const found: { form?: ReturnType<typeof made>; draft?: ReturnType<typeof draftHere> } = {}
    const made = () => useForm(() => ({ name: textField(), price: moneyField('EUR') }))
    const Inner = defineComponent({ setup: () => ((found.draft = draftHere()), () => null) })
    mount(defineComponent({ setup: () => ((found.form = made()), found.form.reset(), () => h(Inner)) }))
    if (!found.form || !found.draft) throw new Error('both are set up')
    return { ...found.form, draft: found.draft }
  }
  it('has what was typed again when it is opened for the same, until it is saved', async () => {
    const left = opened()
    left.form.fields.name.text = 'Walnut stool'
    expect(left.draft.keep()).toBe(true)
    const again = opened()
    expect([again.form.fields.name.text, again.draft.restored.value]).toEqual(['Walnut stool', true])
    again.form.fields.price.text = '40'
    expect(await again.submit(() => Promise.resolve([]))).toBe(true)
    expect(opened().form.fields.name.text).toBe('')
  })
  it('can be started afresh, and keeps nothing where nothing was typed', () => {
    const left = opened()
    expect(left.draft.keep()).toBe(false)
    left.form.fields.name.text = 'Cane chair'
    left.draft.keep()
    const again = opened()
    again.draft.startAfresh()
    expect([again.form.fields.name.text, again.draft.restored.value]).toEqual(['', false])
    expect(opened().form.fields.name.text).toBe('')
  })
})

import { z } from 'zod'
import { currency, day, money, name, photoHash, text, uuid, value, words } from './schema-basics'

/** Places on the field that a hand signs in, thousandths of its width and height. */
const PLACE = 1000
const place = z.int().min(0).max(PLACE)
/** A stroke: x, y, x, y …, at least two places. */
const stroke = z
  .array(place)
  .min(4)
  .max(4000)
  .refine((all) => all.length % 2 === 0, 'is no row of places')
/** What a hand drew: without a stroke there is no signature. */
export const strokes = z
  .array(stroke)
  .min(1)
  .max(200)
  .refine((all) => all.reduce((sum, s) => sum + s.length, 0) <= 20_000, 'is too long to be kept')

/** What is done to the machine after its cause is known, what shows that it works, and what is left with its user. */
export const OUTCOME_PAYLOADS = [
  /** The repair that was chosen. `until`: by when one for now is done for good. */
  z.strictObject({
    type: z.literal('decided'),
    repair: name,
    as: z.enum(['for-good', 'interim']),
    until: day.optional(),
    /** It comes and goes: that it is quiet now proves little, and somebody looks at it again. */
    returns: z.literal(true).optional(),
  }),
  /** What the customer was told that it costs, in minor units. */
  z.strictObject({
    type: z.literal('quoted'),
    currency,
    lines: z
      .array(z.strictObject({ text: text(200, 1), minor: money }))
      .min(1)
      .max(30),
    text: words,
  }),
  /** What the customer said to it. */
  z.strictObject({ type: z.literal('answered'), quote: uuid, yes: z.boolean(), who: text(120, 1) }),
  /** Something of a list was done or looked at; `found` what was seen. */
  z.strictObject({
    type: z.literal('ticked'),
    repair: name,
    list: z.enum(['steps', 'look-at']),
    item: text(600, 1),
    found: text(1000, 1).optional(),
  }),
  /** The new part, checked before it goes in; `good` by what a good one shows. */
  z.strictObject({
    type: z.literal('new-part'),
    repair: name,
    check: text(200, 1),
    text: text(60, 1),
    value: value.optional(),
    instrument: name.optional(),
    good: z.boolean(),
  }),
  /** What was put in. */
  z.strictObject({
    type: z.literal('used'),
    title: text(200, 1),
    number: text(60, 1).optional(),
    count: z.int().min(1).max(99),
    from: z.enum(['van', 'shop', 'bought', 'customer']),
  }),
  /** What came out and must not go back to stock: how it was made unusable. */
  z.strictObject({ type: z.literal('condemned'), title: text(200, 1), how: text(300, 1) }),
  /** Something that has to hold before the machine is left, by its id in the facts of the sheet: it does, does not, or is not asked of this one. */
  z.strictObject({
    type: z.literal('proven'),
    item: name,
    as: z.enum(['passed', 'failed', 'not-needed']),
    /** The run that was watched for it. */
    run: uuid.optional(),
    text: text(1000).optional(),
    value: value.optional(),
  }),
  /** The machine is left unsafe: off, tagged, with a warning in writing and a photo of the tag. */
  z.strictObject({ type: z.literal('left-unsafe'), warning: text(4000, 1), photo: photoHash }),
  /** A hand signed; or would not, and why. */
  z.strictObject({ type: z.literal('signed'), for: z.enum(['work', 'warning']), name: text(120, 1), strokes }),
  z.strictObject({
    type: z.literal('not-signed'),
    for: z.enum(['work', 'warning']),
    name: text(120),
    text: text(600, 1),
  }),
  /** How something that is set on the machine was found, or is left. */
  z.strictObject({ type: z.literal('setting'), setting: name, as: z.enum(['found', 'left']), text: text(120, 1) }),
  /** Somebody looks at it again on a day, and why. */
  z.strictObject({ type: z.literal('follow-up'), on: day, why: text(600, 1) }),
] as const

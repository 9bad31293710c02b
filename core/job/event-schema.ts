import { z } from 'zod'
import { ACCURACY, SAFETY_EFFECTS, TEST_STRATEGIES, VERBS } from '../evidence'
import { OUTCOME_PAYLOADS } from './outcome-schema'
import { day, moment, name, photoHash, revision, share, text, uuid, value, words } from './schema-basics'

/**
 * What happened on a job, as data. An event is written once and never changed: a newer form of the language gets a
 * new version here and an upcaster in `upcast.ts`.
 */
export const EVENT_VERSION = 3 as const

/** How a job can end without a repair. */
export const ENDINGS = ['works-now', 'cancelled', 'wrong-machine', 'handed-over', 'out-of-service'] as const
export type Ending = (typeof ENDINGS)[number]

/** A clock that is further off is no clock, ms: ten years. */
const FURTHEST_OFF = 10 * 365 * 24 * 3600e3

/** No program runs longer, s. */
const LONGEST_RUN = 10 * 24 * 3600

/** What a photo was taken for. */
const PHOTO_ABOUT = ['found', 'wiring', 'remark', 'tagged'] as const

const options = z.array(z.strictObject({ id: name, fitted: z.boolean() })).max(12)

export const payloadSchema = z.discriminatedUnion('type', [
  /** The call: a unit, the revision of its sheet, and what the customer says. */
  z.strictObject({
    type: z.literal('opened'),
    unit: uuid,
    revision: revision.optional(),
    complaints: z.array(name).min(1).max(12),
    /** What was said of the days before. */
    circumstances: z.array(name).max(12).optional(),
    /** What this machine has or has not, where it is otherwise than its sheet says. */
    options: options.optional(),
    words,
  }),
  /** What the customer says, told anew: it takes the place of what was told before. */
  z.strictObject({
    type: z.literal('said'),
    complaints: z.array(name).min(1).max(12),
    circumstances: z.array(name).max(12).optional(),
    options: options.optional(),
    words,
  }),
  /** `again`: a step that is taken back once the machine has been live; `does`: what it brings about. As its sheet says, whatever was sent. */
  z.strictObject({
    type: z.literal('safety'),
    step: name,
    again: z.literal(true).optional(),
    does: z.enum(SAFETY_EFFECTS).optional(),
  }),
  z.strictObject({
    type: z.literal('reading'),
    test: text(200, 1),
    text: text(60, 1),
    /** Absent in events of before it was kept; the text is read again then. */
    value: value.optional(),
    instrument: name.optional(),
    /** Limit of error of the instrument, share of the reading; absent for the usual one. */
    accuracy: z.number().min(ACCURACY.least).max(ACCURACY.most).optional(),
    /** It was taken on a powered machine: as the facts of the test say, whatever was sent. */
    live: z.literal(true).optional(),
    /** Hands were in the machine for it: as the facts of the test say, whatever was sent. */
    hands: z.literal(true).optional(),
  }),
  z.strictObject({
    type: z.literal('action'),
    action: z.strictObject({ verb: z.enum(VERBS), target: name.optional() }),
    /** What a bridged part is called: as its sheet says, whatever was sent. */
    title: text(120).optional(),
  }),
  z.strictObject({ type: z.literal('retracted'), event: uuid }),
  z.strictObject({
    type: z.literal('test-strategy'),
    strategy: z.enum(TEST_STRATEGIES),
  }),
  z.strictObject({
    type: z.literal('acceptance'),
    acceptance: z.enum(['published', 'sibling', 'not-open-or-short', 'kind-band']),
  }),
  /** A remark, for the own people unless it says that it is for the customer. */
  z.strictObject({ type: z.literal('note'), text: text(4000, 1), to: z.literal('customer').optional() }),
  /** A photo, by what its bytes hash to: the server has them before it takes this. Width and height in pixels. */
  z.strictObject({
    type: z.literal('photo'),
    photo: photoHash,
    width: z.int().min(1).max(20_000),
    height: z.int().min(1).max(20_000),
    about: z.enum(PHOTO_ABOUT),
  }),
  /** A connector or wire with its name, before it comes off; `x` and `y` as shares of the photo that shows it. */
  z.strictObject({
    type: z.literal('label'),
    name: text(120, 1),
    colour: text(40, 1).optional(),
    /** Where it belongs. */
    terminal: text(120, 1).optional(),
    shown: z.strictObject({ photo: photoHash, x: share, y: share }).optional(),
  }),
  /** What a label names has come off, or is back where it belongs. */
  z.strictObject({ type: z.literal('disconnected'), label: uuid, name: text(120, 1) }),
  z.strictObject({ type: z.literal('reconnected'), label: uuid }),
  /** `as`: what it ended with where no repair was done. */
  z.strictObject({ type: z.literal('closed'), repair: text(80), text: words, as: z.enum(ENDINGS).optional() }),
  /** Somebody or something is waited for; what is shut or off until then stands in the text. The job stays open. */
  z.strictObject({
    type: z.literal('awaits'),
    what: z.enum(['part', 'person', 'customer']),
    text: words,
    /** What is on order. */
    parts: z
      .array(z.strictObject({ title: text(200, 1), number: text(60, 1).optional() }))
      .max(20)
      .optional(),
    /** When somebody comes back for it, as far as it is known. */
    until: day.optional(),
  }),
  z.strictObject({ type: z.literal('reopened') }),
  /** A program is started to be watched, by what was measured beside it: the values of parameters, SI by id. */
  z.strictObject({
    type: z.literal('run'),
    program: name,
    conditions: z.record(name, z.number()).optional(),
    /** When by the clock of the device that started it, whatever the server makes of that; and what it was off by then, ms, where it knew. */
    began: moment,
    clockOff: z.number().min(-FURTHEST_OFF).max(FURTHEST_OFF).optional(),
    /** Gone through step by step, as a check-out. */
    steps: z.literal(true).optional(),
  }),
  /**
   * What was noticed of a run: a lane of it turned, or did not when it should have. `seconds` since its start by a clock that nobody sets;
   * `si` what a clipped meter showed then.
   */
  z.strictObject({
    type: z.literal('marked'),
    run: uuid,
    lane: text(200, 1),
    turn: z.enum(['on', 'off', 'not']),
    nth: z.int().min(0).max(9999),
    seconds: z.number().min(0).max(LONGEST_RUN),
    noticed: z.enum(['hand', 'ear', 'meter']),
    si: z.number().optional(),
  }),
  /** The watching of a run ends: it came to its end, or was broken off. */
  z.strictObject({ type: z.literal('run-over'), run: uuid, seconds: z.number().min(0).max(LONGEST_RUN) }),
  /** Tips sit where a live test is read, clipped on dead; and they are off again, taken off dead. */
  z.strictObject({ type: z.enum(['clipped', 'unclipped']), test: text(200, 1) }),
  ...OUTCOME_PAYLOADS,
])

export const jobEventSchema = z.strictObject({
  /** UUIDv7, made by the device: sent twice it is one event. */
  id: uuid,
  version: z.literal(EVENT_VERSION),
  /** When it happened by the device's clock. Shown only; order comes from the server's sequence. */
  at: moment,
  device: name,
  /** Counts the entries of this device from 1; 0 where it was not kept. */
  ordinal: z
    .int()
    .min(0)
    .max(2 ** 31 - 1),
  /** The last server sequence of this job that the device had seen when it was entered. */
  baseSeq: z
    .int()
    .min(0)
    .max(2 ** 31 - 1),
  payload: payloadSchema,
})

export type JobEvent = z.infer<typeof jobEventSchema>
export type Payload = JobEvent['payload']

/** An event as the server keeps it: with its place in the job and who entered it. */
export interface SequencedEvent extends JobEvent {
  /** 1, 2, 3 … without a gap in each job: the order of the fold. */
  seq: number
  /** Name of the person who entered it. */
  by: string
}

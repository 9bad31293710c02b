import { SAFETY_EFFECTS } from '../../evidence'
import { z } from 'zod'
import { accessShape, repairNotesShape } from './notes-schema'
import { CIRCUMSTANCE_IDS, PLACED_INSTRUMENT_IDS, SENSE_IDS } from '../kinds'

/**
 * The shape of a sheet as written. Meaning (units, names that must exist) is checked in `resolve.ts`.
 * `npm run schema` publishes this as JSON Schema.
 */
const quantity = z.string().describe('a quantity with its unit, such as "2.9 kΩ ±9 %"')
const condition = z
  .string()
  .describe('a condition, such as "level.level >= 120 mm and after 4 s", "never tub.filling" or "ever alarm LF"')
const name = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]*$/, 'letters, digits, - and _, beginning with a letter or digit')
const faultName = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_-]*(\.[A-Za-z0-9_-]+)?$/, 'NAME or PART.FAULT')
/** `null` in an extending sheet takes the entry of the family out. */
const table = <K extends z.ZodType<string, string>, T extends z.ZodType>(key: K, value: T) =>
  z.record(key, value.nullable())

const handSettings = z.record(
  z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_-]*(\.[A-Za-z0-9_-]+)?$/, 'PART or PART.MODE'),
  z.string(),
)

const effect = z.union([
  z.strictObject({ set: z.string(), to: z.union([quantity, z.number()]) }),
  z.strictObject({ set: z.string(), times: z.union([z.number(), z.literal('severity')]) }),
  z.strictObject({ set: z.string(), plus: z.union([quantity, z.literal('severity')]) }),
  z.strictObject({ hold: z.string(), at: z.string() }),
  z.strictObject({ swap: z.tuple([z.string(), z.string()]) }),
])

export const sheetSchema = z.strictObject({
  sheet: z.literal(1).describe('version of the sheet language'),
  id: name,
  title: z.string().min(1),
  extends: name.optional(),
  given: table(name, z.record(z.string(), z.union([z.string(), z.number()])))
    .optional()
    .describe('of a sub-assembly: parts of the sheet that brings it in, as it needs them; named there under `with`'),
  family: z.boolean().optional(),
  assembly: z.boolean().optional().describe('true: parts for other sheets to bring in, not a machine'),
  maker: z.string().optional(),
  model: z.string().optional(),
  also: z.array(z.string()).optional().describe('other words by which people look for it'),
  source: z.string().optional().describe('where the figures come from'),
  rates: z
    .strictObject({
      'in-all': quantity.describe('faults a year of one machine, all together, such as "0.15 /year"'),
      source: z.string().describe('where that comes from; "judged" where nobody has counted'),
    })
    .optional()
    .describe('how often such a machine fails: the rates of its faults are taken as shares of this'),
  frequency: quantity.optional(),
  ambient: quantity.optional(),
  options: table(name, z.strictObject({ title: z.string(), fitted: z.boolean() }))
    .optional()
    .describe('what a machine may have; a part with `option` is there only where it is fitted'),
  panels: table(
    name,
    z.strictObject({
      title: z.string(),
      minutes: quantity,
      ...accessShape,
      licensed: z
        .string()
        .optional()
        .describe(
          'why only licensed people open it: nothing behind it is tested, and what is wrong there is handed over',
        ),
    }),
  ).optional(),
  parts: table(
    name,
    z
      .object({
        kind: z
          .string()
          .describe(
            'a kind of part; or instead `assembly`, the id of a sub-assembly, and `with`, the names of this sheet that it is given, and `called`, what its texts call it',
          ),
        title: z.string().optional(),
        panel: z.string().optional(),
        option: z.string().optional(),
        sits: z.string().optional().describe('where it sits, as somebody finds it: "behind the kick plate, left"'),
        tips: z.string().optional().describe('where the tips of the meter go while it runs'),
        untested: z
          .string()
          .optional()
          .describe(
            'tests of its kind that can tell nothing on this machine, by their names after the dot; all: nothing can be tested on it',
          ),
      })
      .catchall(z.union([z.string(), z.number(), z.boolean()])),
  ).optional(),
  wiring: table(name, z.array(z.string()).min(2)).optional(),
  water: table(name, z.array(z.string()).min(2)).optional(),
  colours: table(z.string().regex(/^[\w-]+\.[\w-]+$/, 'PART.TERMINAL'), z.string().min(1).max(40))
    .optional()
    .describe('colour of the wire at a terminal, such as "cold-valve.a: brown"'),
  connectors: table(
    z.string().min(1).max(24),
    z.strictObject({
      title: z.string().optional(),
      pins: table(z.string().min(1).max(8), z.string().regex(/^[\w-]+\.[\w-]+$/, 'PART.TERMINAL')),
    }),
  )
    .optional()
    .describe('plugs by the names printed beside them, with what is on each pin: "J4: { pins: { 1: cold-valve.a } }"'),
  control: z.strictObject({ powered: condition.optional(), starts: name.optional() }).optional(),
  programs: table(
    name,
    z.strictObject({
      title: z.string(),
      begins: name.optional(),
      sets: handSettings
        .optional()
        .describe('what a hand holds while it runs: a switch, or a float or another input forced as PART.MODE'),
      later: z
        .array(z.strictObject({ after: quantity, sets: handSettings }))
        .min(1)
        .optional()
        .describe('what a hand does on the way, by the time from its start: it shows how a machine stops'),
      needs: condition.optional().describe('what must hold before the control lets it start'),
      resets: z.array(name).min(1).optional().describe('alarms that starting it clears'),
      service: z
        .strictObject({ enter: z.string(), leave: z.string(), minutes: quantity.optional() })
        .optional()
        .describe('a service mode: which keys lead into it and out of it'),
      lasts: quantity,
    }),
  ).optional(),
  phases: table(
    name,
    z.strictObject({
      title: z.string(),
      on: z.array(name).optional(),
      exits: z.array(z.strictObject({ when: condition, to: name, alarm: z.string().optional() })).optional(),
      final: z.boolean().optional(),
    }),
  ).optional(),
  alarms: table(
    name,
    z.strictObject({
      title: z.string(),
      means: z.string().optional(),
      clears: condition.optional().describe('it clears itself when this holds'),
      lamps: z
        .string()
        .optional()
        .describe('how lamps or beeps show it, as the customer would say it: "3 beeps", "red and amber together"'),
      keeps: z.boolean().optional().describe('true: it stays through loss of power until a program resets it'),
    }),
  ).optional(),
  complaints: table(name, z.strictObject({ says: z.string(), when: condition })).optional(),
  moments: table(name, z.strictObject({ title: z.string(), program: name, after: quantity })).optional(),
  faults: table(
    faultName,
    z.strictObject({
      title: z.string().optional(),
      part: name.optional(),
      rate: quantity.optional(),
      latent: z.boolean().optional().describe('true: nobody complains of it by itself'),
      weight: z
        .number()
        .positive()
        .optional()
        .describe('machine-years of experience that the rate counts as; 100 when left out'),
      effects: z.array(effect).min(1).optional(),
      severity: z
        .strictObject({
          from: z.union([quantity, z.number()]),
          to: z.union([quantity, z.number()]),
          scale: z.enum(['log', 'linear']),
        })
        .optional(),
      repair: name.optional(),
      instead: z
        .array(name)
        .min(1)
        .optional()
        .describe(
          'other repairs of the sheet that cure it, where the trade differs: cleaned, a kit, the coil, the whole valve',
        ),
      said: z
        .partialRecord(z.enum(CIRCUMSTANCE_IDS), quantity)
        .optional()
        .describe('how often people say each of the days before where this is the cause, such as "moved: 50 %"'),
      sometimes: quantity.optional().describe('share of its cases that come and go, such as "30 %"'),
      causes: z
        .record(faultName, quantity)
        .optional()
        .describe('faults that this one brings about, with the chance that it has'),
    }),
  ).optional(),
  repairs: table(
    name,
    z.strictObject({
      title: z.string(),
      minutes: quantity,
      price: quantity.optional(),
      holds: quantity.optional(),
      licensed: z
        .string()
        .optional()
        .describe('where the work belongs to licensed people: what is theirs and what may be done'),
      caution: z.string().optional().describe('what bites at this repair, or what to warn of before it is begun'),
      ...repairNotesShape,
    }),
  ).optional(),
  tests: table(
    name,
    z.strictObject({
      title: z.string(),
      jumper: name.optional().describe('a switch that is bridged for it'),
      lifts: name
        .optional()
        .describe(
          'a part whose lead is lifted off its first terminal for it, dead, its end insulated, and put back dead',
        ),
      holds: z
        .record(z.string(), z.string())
        .optional()
        .describe('what a hand holds meanwhile, by PART or PART.MODE: fixed dead, read with the hands away'),
      sense: z.string().optional().describe('PART.SIGNAL that is watched: one that is true or false'),
      reads: z
        .string()
        .optional()
        .describe('PART.SIGNAL that is read off an instrument, in its place: one with a unit'),
      by: z
        .enum([...SENSE_IDS, ...PLACED_INSTRUMENT_IDS])
        .describe('eye, ear or hand for what is watched, the instrument for what is read'),
      moment: z.string(),
      watch: quantity.optional().describe('how long it is watched from that moment on; a phase is watched to its end'),
      asks: z
        .enum(['ever', 'always', 'how long'])
        .optional()
        .describe('ever (when it does not say): whether it is seen at all; always: all the while; how long: timed'),
      minutes: quantity,
      caution: z.string().optional(),
    }),
  ).optional(),
  'make-safe': z
    .array(
      z.strictObject({
        id: name,
        title: z.string(),
        text: z.string(),
        before: z.enum(['anything', 'dead', 'live']),
        does: z
          .enum(SAFETY_EFFECTS)
          .optional()
          .describe(
            'what it brings about: the meter is proved, every supply is off, it is proved dead, the water is shut (asked before a hose comes off), pressure and heat are let go, an opened machine may have its power back, the water is on again (asked once it was shut), a person is ready for live work',
          ),
        at: z.string().optional().describe('where it is proved dead, as "at the terminal box"'),
        again: z.boolean().optional().describe('true: asked again once the machine has been live'),
        minutes: quantity.optional().describe('how long it takes; 0.4 min where it does not say'),
      }),
    )
    .optional(),
  'as-found': table(name, z.string())
    .optional()
    .describe('what to look at and note before anything is moved, beside what follows from the parts'),
  settings: table(
    name,
    z.strictObject({
      title: z.string(),
      found: z.string().describe('how what is right is found: by seconds and volume, by bulb and ice'),
      usual: z.string().optional().describe('where it usually stands'),
    }),
  )
    .optional()
    .describe('what can be set on it; written down as left'),
  care: table(name, z.strictObject({ text: z.string(), every: z.string(), why: z.string() }))
    .optional()
    .describe('what its owner does for it, how often, and why'),
  customer: z
    .array(z.string())
    .optional()
    .describe('what a customer beside the machine may be told to do or to leave, while they wait'),
  cautions: table(name, z.strictObject({ bites: z.enum(['dead', 'live', 'water']), text: z.string() })).optional(),
})

export type WrittenSheet = z.infer<typeof sheetSchema>

import type { Doubt, Verdict } from '../diagnosis/belief'
import { DOUBT_ABOVE } from './advise'
import { findMeter, SENSES } from '../simulation/instrument'
import { WORKED } from '../diagnosis/plan'
import type { Machine } from '../model/machine'
import type { Prediction } from '../diagnosis/predict'
import type { WorkStep, Terminal, Procedure } from '../diagnosis/catalogue'
import { formatChance } from '../words'
import { formatQuantity, type Dimension, type ReadingValue } from '../foundation/quantity'

export const dimensionOf = (p: Procedure): Dimension | undefined =>
  p.shape.type === 'number' ? p.shape.dimension : undefined

/** A reading as it stands in a list. */
export function sayReading(value: ReadingValue, dimension: Dimension | undefined): string {
  switch (value.type) {
    case 'value':
      return formatQuantity(value.si, dimension ?? 'count')
    case 'open':
      return 'OL'
    case 'could-not':
      return 'could not take it'
    case 'word':
      return value.word
    case 'times':
      return `${value.clean} of ${value.of}`
    default:
      return value.type
  }
}

/** What a prediction would make the instrument show. */
export function sayPrediction(p: Prediction, dimension: Dimension | undefined): string {
  switch (p.type) {
    case 'value':
      return formatQuantity(p.mean, dimension ?? 'count')
    case 'open':
      return 'OL'
    case 'never':
      return 'never gets there'
    case 'sense':
      return p.yes > 0.5 ? 'yes' : 'no'
    case 'word':
      return p.word
    case 'times':
      return `${formatChance(p.clean)} of the times`
  }
}

const capital = (text: string): string => text[0].toUpperCase() + text.slice(1)

const terminal = (machine: Machine, part: number, name: string): string =>
  name === '@return' ? 'the return of the supply' : `terminal ${name} of the ${machine.parts[part].title}`

const pointOf = (machine: Machine, { part, terminal: t }: Terminal): string => terminal(machine, part, t)

/** The meter and where its probes go. `both`: the part whose two terminals they are. */
function sayMeter(meterId: string | undefined, a: string, b: string, both?: string): string {
  const meter = findMeter(meterId ?? 'volts')!
  if (meter.threshold && meter.dimension === 'voltage') return `Hold the ${meter.title} to ${a}. Yes if it glows`
  const where = both === undefined ? `one probe on ${a}, one on ${b}` : `one probe on each terminal of the ${both}`
  return meter.threshold ? `Meter on ${meter.title}, ${where}. Yes if it sounds` : `Meter on ${meter.title}, ${where}`
}

/** The name of a test in lists: what is taken, where. */
export function sayTest(machine: Machine, p: Procedure): string {
  const { measurement: what } = p
  switch (what.type) {
    case 'code':
      return 'Read the code shown'
    case 'duration':
      return `Time the phase ${p.title}`
    case 'watch':
      return p.title
    case 'between':
      return `${p.workMode === 'isolated' ? 'Ohms' : 'Volts'} from ${pointOf(machine, what.a)} to ${pointOf(machine, what.b)}`
    case 'probe': {
      const { title } = machine.parts[what.part]
      const { probe } = what
      switch (probe.type) {
        case 'ohms':
          return `Ohms of the ${title}`
        case 'volts':
          if (probe.b === '@return') return `Volts behind the ${title}, to the return`
          return probe.when === 'idle'
            ? `Volts at the ${title} while not called`
            : `Volts across the ${title}${Object.keys(machine.parts[what.part].nodes).length > 2 ? ` (${probe.a}–${probe.b})` : ''}`
        case 'amps':
          return `Current of the ${title}`
        case 'pressure':
          return `Pressure at the end of the ${title}`
        case 'bucket':
          return `Bucket test at the end of the ${title}`
        case 'worked':
          return `Work the ${title} ${WORKED} times`
        case 'hertz':
          return `Frequency at the ${title}`
        case 'display':
          return `${capital(machine.kinds[what.part].signals![probe.signal].description)} at the ${title}`
        case 'sense':
          return `${capital(title)}${probe.with ? `, ${sayByHand(probe.with)}` : ''}: ${SENSES[probe.sense].title} whether ${machine.kinds[what.part].signals![probe.signal].description}`
      }
    }
  }
}

/** `{ bleed: 'open' }` as the hand's work: "bleed to open". */
const sayByHand = (modes: Record<string, string>): string =>
  Object.entries(modes)
    .map(([name, value]) => `${name} ${value}`)
    .join(', ')

/** What the hands do, the verb first; after a service mode, the way out of it. */
export function sayHow(machine: Machine, p: Procedure, meterId: string | undefined = p.meter): string {
  const service = p.needs.arrival && machine.sheet.programs[p.needs.arrival.program].service
  const hands = sayHands(machine, p, meterId)
  return service ? `${hands} Then leave the service mode: ${service.leave}.` : hands
}

function sayHands(machine: Machine, p: Procedure, meterId: string | undefined): string {
  const { measurement: what } = p
  switch (what.type) {
    case 'code':
      return 'Read the code on the display. Type none when there is none.'
    case 'duration':
      return `Start the watch when ${p.title} begins, stop it when it ends. Type never if it does not end or is never reached.`
    case 'watch':
      return `${p.title}, ${p.when}. Yes if the ${machine.parts[what.part].title} does it: ${machine.kinds[what.part].signals![what.signal].description}.`
    case 'between':
      return `${sayMeter(meterId, pointOf(machine, what.a), pointOf(machine, what.b))}. Read it ${p.when}.`
    case 'probe': {
      const { title } = machine.parts[what.part]
      const { probe } = what
      const [a, b] =
        'b' in probe ? [terminal(machine, what.part, probe.a), terminal(machine, what.part, probe.b)] : ['', '']
      const both = 'b' in probe && probe.b !== '@return' && Object.keys(machine.parts[what.part].nodes).length === 2
      switch (probe.type) {
        case 'ohms':
          return `Take the leads off the ${title}. ${sayMeter(meterId, a, b, both ? title : undefined)}.`
        case 'volts':
          return `${sayMeter(meterId, a, b, both ? title : undefined)}. Read it ${p.when}.`
        case 'amps':
          return `Clamp round one lead of the ${title}. Read it ${p.when}.`
        case 'pressure':
          return `Close the tap, take the ${title} off at the machine, screw the gauge on, open the tap slowly and read.`
        case 'bucket':
          return `Close the tap, take the ${title} off at the machine, hold it in a bucket, open the tap fully and time the litres.`
        case 'worked':
          return `Take the leads off the ${title}, meter on the beeper, and work it ${WORKED} times or more. Write how many of how many times it made and broke as it should, such as ${WORKED}/${WORKED}.`
        case 'hertz':
          return `${sayMeter('counter', a, b)}. Read it ${p.when}.`
        case 'display':
          return probe.by
            ? `With the ${probe.by}: ${machine.kinds[what.part].signals![probe.signal].description} at the ${title}. Read it ${p.when}.`
            : `Read ${machine.kinds[what.part].signals![probe.signal].description} off the display ${p.when}.`
        case 'sense':
          if (probe.with)
            return `${p.needs.arrival ? capital(p.when) : 'Water on, no program'}: ${sayByHand(probe.with)} at the ${title}. Yes if ${machine.kinds[what.part].signals![probe.signal].description}. Put it back as it was after.`
          return `${capital(SENSES[probe.sense].title)} at the ${title}${p.needs.arrival || p.needs.power === 'off' ? ` ${p.when}` : ''}. Yes if ${machine.kinds[what.part].signals![probe.signal].description}.`
      }
    }
  }
}

export function sayMove(machine: Machine, m: WorkStep): string {
  switch (m.type) {
    case 'isolate':
      return 'Isolate and prove it dead'
    case 'restore':
      return 'Put everything back on, then power up'
    case 'open':
      return `Open the ${machine.sheet.panels.find((p) => p.id === m.panel)!.title}`
    case 'start': {
      const { title, service } = machine.sheet.programs[m.program]
      return service ? `Enter ${title}: ${service.enter}` : `Start ${title}`
    }
    case 'wait':
      return `Wait ${formatQuantity(m.minutes * 60, 'time')}`
  }
}

/** The cautions that bite at a test: those of its school, from the sheet. */
export function sayCautions(machine: Machine, p: Procedure): string[] {
  const { workMode } = p
  return [
    ...machine.sheet.cautions.filter((c) => c.appliesTo === workMode).map((c) => c.text),
    ...(p.caution === undefined ? [] : [p.caution]),
  ]
}

/** What so many clean times leave open: the greatest miss rate that would still give them one time in twenty. */
const missRate = (n: number): number => 1 - 0.05 ** (1 / n)

export function sayVerdict(v: Verdict, dimension: Dimension | undefined, value?: ReadingValue): string {
  if (value?.type === 'times' && value.clean === value.of)
    return `As it should be; up to ${Math.ceil(100 * missRate(value.of))} of 100 could still miss`
  const band =
    v.band && dimension
      ? ` (healthy: ${formatQuantity(v.band.low, dimension)} to ${formatQuantity(v.band.high, dimension)})`
      : ''
  return `${capital(v.finding)}${band}`
}

/** What is doubtful about a reading, in words; empty when nothing is. */
export function sayDoubt(doubt: Doubt, value: ReadingValue, dimension: Dimension | undefined): string {
  if (doubt.grossError < DOUBT_ABOVE) return ''
  const meant = (si: number) => formatQuantity(si, dimension ?? 'count')
  if (value.type === 'value')
    switch (doubt.unitSlip) {
      case 'thousand-too-small':
        return `Fits nothing as written. Was it ${meant(value.si * 1000)}?`
      case 'thousand-too-great':
        return `Fits nothing as written. Was it ${meant(value.si / 1000)}?`
      case 'fahrenheit':
        return `Fits nothing as written. Was it read in °F? Then it is ${meant(((value.si - 32) * 5) / 9)}.`
    }
  return 'Fits nothing else that was read. Take it again.'
}

/** How well something that the sheet does not list explains the evidence, from its share (see `Beside`). */
export const sayBeside = (share: number): string =>
  share >= 0.3 ? 'explains it as well' : share >= 0.02 ? 'explains it, but is rarer' : 'hardly explains it'

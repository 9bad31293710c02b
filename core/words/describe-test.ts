import { describeOpening } from './describe-access'
import type { Loosening, Procedure, Strip, WorkStep } from '../diagnosis/catalogue'
import { formatQuantity } from '../foundation/quantity'
import type { Machine } from '../model/machine'
import type { SheetPanel } from '../model/sheet'
import type { Meter } from '../simulation/instrument'
import { describeTiming } from './describe-timing'
import { wordsOf, type MeasurementFacts } from './measurements'
import { withArticle } from './measurements/pieces'

const factsOf = (
  machine: Machine,
  { timing, needs }: Procedure,
  meter: Meter | undefined,
  timesWorked: number,
): MeasurementFacts => ({
  machine,
  meter,
  when: describeTiming(machine, timing),
  inProgram: needs.arrival !== undefined,
  atMoment: needs.arrival !== undefined || needs.power === 'off' || needs.asFound,
  timesWorked,
})

/** The name of a test in lists: what is taken, where. */
export const describeTest = (machine: Machine, p: Procedure, timesWorked: number): string =>
  wordsOf(p.measurement).name(p.measurement, factsOf(machine, p, undefined, timesWorked))

/** The name of one row of a column. */
export const describeRow = ({ parts }: Machine, { measurement }: Procedure): string =>
  'part' in measurement ? parts[measurement.part].title : ''

/** Rows of a column that its name tells one by one. */
const ROWS_NAMED = 3

/** The name of a column of readings: what is taken, and of what. */
export function describeStrip(machine: Machine, { rows }: Strip, timesWorked: number): string {
  // Where one is called and the others are not, the one that is gives the name.
  const first = rows.find(({ measurement: m }) => !('when' in m) || m.when !== 'idle') ?? rows[0]
  const head = wordsOf(first.measurement).column?.(first.measurement, factsOf(machine, first, undefined, timesWorked))
  const names = rows.map((row) => describeRow(machine, row))
  const named = names.slice(0, ROWS_NAMED)
  const more = names.length - named.length
  return `${head ?? 'Each in turn'}: ${named.join(', ')}${more ? ` and ${more} more` : ''}`
}

/** What the hands do, the verb first; after a service mode, the way out of it. */
export function describeHow(machine: Machine, p: Procedure, meter: Meter | undefined, timesWorked: number): string {
  const hands = wordsOf(p.measurement).instruction(p.measurement, factsOf(machine, p, meter, timesWorked))
  const service = p.needs.arrival && machine.sheet.programs[p.needs.arrival.program].service
  return service ? `${hands} Then leave the service mode: ${service.leave}.` : hands
}

/** Colours of the wires of a part, in brackets; nothing where the sheet does not say them. */
function coloursOf({ colours }: Machine['sheet'], part: string): string {
  const own = colours.filter((c) => c.part === part).map(({ colour }) => colour)
  return own.length ? ` (${own.join(', ')})` : ''
}

/** How a part is held for a test: what its kind says of it, else the word of the sheet. */
function describeHolding({ kinds, parts }: Machine, part: number, at: Loosening['at']): string {
  const [mode, value] = at!
  const own = kinds[part].modes?.find((m) => m.name === mode)?.byHand?.[value]
  return `Fix ${withArticle(parts[part].title)} while it is dead: ${own ?? value}. Hands stay out once it runs; it is let go dead`
}

/** What hands take off or put on. @param wires their colours, as they stand behind a name */
function describeLoosening(machine: Machine, { part, what, at }: LoosenStep): string {
  const { title, id } = machine.parts[part]
  const wires = coloursOf(machine.sheet, id)
  switch (what) {
    case 'lifted':
      return `Mark a lead of ${withArticle(title)}${wires}, lift it off while it is dead and insulate its bare end; it goes back dead`
    case 'held':
      return describeHolding(machine, part, at)
    case 'joint':
      return `Shut the tap, let the pressure into a bucket and undo the joint at ${withArticle(title)}`
    case 'insert':
      return `Draw ${withArticle(title)} out`
    case 'leads':
      return `Mark the leads of ${withArticle(title)}${wires} and take them off`
    case 'swap':
      return `Change the leads of ${withArticle(title)} with those of its sibling`
    case 'clips':
      return `Clip the meter on at ${withArticle(title)}${wires} while it is dead`
  }
}

type LoosenStep = Extract<WorkStep, { type: 'loosen' }>

function describeOpenStep(panel: SheetPanel): string {
  const how = describeOpening(panel)
  return `Open the ${panel.title}${how ? `: ${how}` : ''}`
}

/** A step on the way to a test. */
export function describeStep(machine: Machine, step: WorkStep): string {
  const { sheet } = machine
  switch (step.type) {
    case 'isolate':
      return 'Isolate and prove it dead'
    case 'restore':
      return 'Put everything back on, then power up'
    case 'open':
      return describeOpenStep(sheet.panels.find((p) => p.id === step.panel)!)
    case 'loosen':
      return describeLoosening(machine, step)
    case 'start': {
      const { title, service } = sheet.programs[step.program]
      return service ? `Enter ${title}: ${service.enter}` : `Start ${title}`
    }
    case 'wait':
      return `Wait ${formatQuantity(step.minutes * 60, 'time')}`
  }
}

/** The cautions at a test: those of its work, from the sheet, and its own. */
export const describeCautions = ({ sheet }: Machine, { workMode, caution }: Procedure): string[] => [
  ...sheet.cautions.filter((c) => c.appliesTo === workMode).map((c) => c.text),
  ...(caution === undefined ? [] : [caution]),
]

/** What bites where a column is read live. */
export const describeStripCaution = ({ workMode }: Strip): string | undefined =>
  workMode === 'energised'
    ? 'One lead is clipped to the return while it is dead. Live, only the tip of the other moves, by its insulated grip, one hand, nothing else touched.'
    : undefined

/** What taking a test ends. */
export const describeLoss = ({ destroys }: Procedure): string | undefined =>
  destroys && 'switching off ends what the machine shows now: codes, levels and voltages'

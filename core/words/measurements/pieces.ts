import type { Machine } from '../../model/machine'
import type { Meter } from '../../simulation/instrument'

/** The title of a part, by index. */
export const titleOf = ({ parts }: Machine, part: number): string => parts[part].title

/** A title as it stands in a sentence: "the cold valve", but "valve 2". */
export const withArticle = (title: string): string => (/\d$/.test(title) ? title : `the ${title}`)
/** The same of a part, by index. */
export const theTitleOf = (machine: Machine, part: number): string => withArticle(titleOf(machine, part))

/** What a signal of a part says, in words: "water runs through it". */
export function signalOf({ kinds, parts }: Machine, part: number, signal: string): string {
  const { description, descriptionBy } = kinds[part].signals![signal]
  return descriptionBy?.words[parts[part].choice[descriptionBy.choice]] ?? description
}

/** A terminal as it is named to hands. */
export const terminalOf = (machine: Machine, part: number, terminal: string): string =>
  `terminal ${terminal} of ${theTitleOf(machine, part)}`

/** The return of the circuit that a terminal of a part belongs to: "neutral", "common of the 24 V transformer". */
export function returnOf({ parts, kinds, returnAt }: Machine, part: number, terminal: string): string {
  const to = returnAt[parts[part].nodes[terminal]]!
  const { word, of } = kinds[to.part].returns!
  return of === 'supply' ? word : `${word} of ${withArticle(parts[to.part].title)}`
}

/** Whether water goes through a part from joint to joint: what is no hose has nothing to be held into a bucket. */
const isHose = ({ parts }: Machine, part: number): boolean => (parts[part].choice.is ?? 'hose') === 'hose'
/** Where the water of a part is tried: "at the end of the cold hose", "behind the water filter". */
export const waterPoint = (machine: Machine, part: number): string =>
  `${isHose(machine, part) ? 'at the end of' : 'behind'} ${theTitleOf(machine, part)}`
/** The joint that is undone for it. */
export const openedAt = (machine: Machine, part: number): string =>
  isHose(machine, part)
    ? `take ${theTitleOf(machine, part)} off at the machine`
    : `undo the joint behind ${theTitleOf(machine, part)}`

/** How many terminals a part has. */
export const terminalCount = ({ parts }: Machine, part: number): number => Object.keys(parts[part].nodes).length

/** `{ bleed: 'open' }` of a part as the hand's work: "bleed open". */
export const handWork = ({ kinds }: Machine, part: number, modes: Record<string, string>): string =>
  Object.entries(modes)
    .map(([name, value]) => kinds[part].modes!.find((m) => m.name === name)!.byHand?.[value] ?? `${name} ${value}`)
    .join(', ')

/** The meter and where its probes go. @param both the part whose two terminals they are */
export function probesAt(meter: Meter, a: string, b: string, both?: string): string {
  if (meter.threshold && meter.dimension === 'voltage') return `Hold the ${meter.title} to ${a}. Yes if it glows`
  const where =
    both === undefined ? `one probe on ${a}, one on ${b}` : `one probe on each terminal of ${withArticle(both)}`
  return meter.threshold ? `Meter on ${meter.title}, ${where}. Yes if it sounds` : `Meter on ${meter.title}, ${where}`
}

/** Probes at two terminals of one part. */
export function probesOn(machine: Machine, meter: Meter, m: { part: number; a: string; b: string }): string {
  const a = terminalOf(machine, m.part, m.a)
  if (m.b === '@return') return probesAt(meter, a, `the ${returnOf(machine, m.part, m.a)}`)
  const both = terminalCount(machine, m.part) === 2 ? titleOf(machine, m.part) : undefined
  return probesAt(meter, a, terminalOf(machine, m.part, m.b), both)
}

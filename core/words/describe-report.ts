import type { Action } from '../evidence'
import { capital } from './capital'

/** What proved good, as one sentence. */
export const describeProven = (titles: readonly string[]): string => `Found good: ${titles.join(', ')}.`

/** Where a visit found nothing off. */
export const describeNothingFound = (): string => 'Nothing was found to be off.'

const ABOUT = {
  found: 'as found',
  wiring: 'wiring, before it came off',
  remark: 'remark',
  tagged: 'tagged out of service',
} as const

/** What a photo was taken for. */
export const describeAbout = (about: keyof typeof ABOUT): string => ABOUT[about]

const SAID = { passed: 'holds', failed: 'does not hold', 'not-needed': 'not asked here' } as const

/** Something that has to hold, as it was found. */
export const describeProvenItem = (title: string, as: keyof typeof SAID, text = ''): string =>
  `${capital(title)}: ${SAID[as]}${text ? `, ${text}` : ''}`

/** A line of the log of bypasses; empty for what is none. */
export function describeBypassEntry(verb: Action['verb'], part: string): string {
  switch (verb) {
    case 'jumper':
      return `Jumper put across ${part}`
    case 'unjumper':
      return `Jumper taken off ${part}`
    case 'lift':
      return `Lead of ${part} lifted`
    case 'land':
      return `Lead of ${part} put back`
    default:
      return ''
  }
}

interface ForHelpLine {
  maker: string | undefined
  model: string | undefined
  serial: string | undefined
  complaints: readonly string[]
  readings: readonly string[]
  done: readonly string[]
}

/** What to have ready before the maker's help line is rung. */
export function describeHelpLine({ maker, model, serial, complaints, readings, done }: ForHelpLine): string[] {
  return [
    `Maker and model: ${[maker, model].filter(Boolean).join(' ') || 'read them off the rating plate'}`,
    `Serial number: ${serial ?? 'read it off the rating plate'}`,
    `What it does: ${complaints.join('; ')}`,
    `Readings that were off: ${readings.join('; ') || 'none'}`,
    `Done so far: ${done.join('; ') || 'nothing'}`,
    'Volts measured at the supply, with the machine running; the water pressure, flowing',
    'Whether somebody stands beside the machine with a meter, and until when',
  ]
}

/** How far a report is. @param before how many are made before it */
export function describeReportState(
  state: 'waiting' | 'making' | 'made' | 'failed',
  before: number,
  fault: string | null,
): string {
  switch (state) {
    case 'waiting':
      return before ? `Waits: ${before} before it` : 'It is next'
    case 'making':
      return 'Being made: the machine is run for its verdicts …'
    case 'made':
      return 'Made'
    case 'failed':
      return `Not made: ${fault ?? 'something went wrong'}`
  }
}

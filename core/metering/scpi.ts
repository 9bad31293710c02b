/** What a linked meter is set to. */
export const METER_READS = ['volts-ac', 'volts-dc', 'ohms', 'amps-ac'] as const
export type MeterReads = (typeof METER_READS)[number]

const CONFIGURE: Record<MeterReads, string> = {
  'volts-ac': 'CONF:VOLT:AC',
  'volts-dc': 'CONF:VOLT:DC',
  ohms: 'CONF:RES',
  'amps-ac': 'CONF:CURR:AC',
}
/** What a linked meter has to read where an instrument of the trade is asked for; `undefined` where none can stand for it. */
export const readsFor = (instrument: string | undefined): MeterReads | undefined =>
  instrument === undefined ? undefined : INSTRUMENTS[instrument]
const INSTRUMENTS: Readonly<Record<string, MeterReads>> = {
  volts: 'volts-ac',
  'volts-dc': 'volts-dc',
  ohms: 'ohms',
  clamp: 'amps-ac',
}
/** Instruments send this for a value beyond their range (SCPI 1999, volume 1, 7.2.1.5). */
const OVERLOAD = 9.9e37
/** Why a line to a meter does not stand. */
export const LINK_TROUBLES = [
  'address-refused',
  'not-found',
  'no-connection',
  'broken',
  'no-answer',
  'nonsense',
  'taken',
  'refused',
  'too-many',
  'database-away',
] as const
export type LinkTrouble = (typeof LINK_TROUBLES)[number]
/** A number as instruments write it (IEEE 488.2, 8.7.2 to 8.7.4). */
const NUMBER = /^[-+]?(?:\d+\.?\d*|\.\d+)(?:E[-+]?\d{1,3})?$/i

/** What is asked of a meter once its line stands: who it is, a clean slate, what it reads. @param range SI; 0 for its own choice */
export const openingLines = (reads: MeterReads, range = 0): { ask: readonly string[]; say: readonly string[] } => ({
  ask: ['*IDN?'],
  say: ['*CLS', range > 0 ? `${CONFIGURE[reads]} ${range}` : CONFIGURE[reads]],
})
export const READ = 'READ?'
export const NEXT_ERROR = 'SYST:ERR?'

/** What a meter answered to `READ?`: its value, SI; `Infinity` beyond its range. */
export type MeterAnswer = { type: 'value'; si: number } | { type: 'nonsense'; text: string }

/** Longest piece of nonsense that is shown, characters. */
const SHOWN = 40

/** What of an answer can be shown: the rest of its characters may be anything. */
export const shownText = (text: string): string => text.replace(/[^\x20-\x7e]/g, '·').slice(0, SHOWN)

export function readAnswer(text: string): MeterAnswer {
  const own = text.trim()
  const value = Number(own)
  if (!NUMBER.test(own) || Number.isNaN(value)) return { type: 'nonsense', text: shownText(own) }
  return { type: 'value', si: Math.abs(value) >= OVERLOAD ? Infinity : value }
}

/** What a meter says of its next error; `undefined` where it has none. */
export function readError(text: string): string | undefined {
  const own = text.trim()
  return /^[-+]?0+(?:,|$)/.test(own) ? undefined : shownText(own)
}

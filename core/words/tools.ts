/** A thing that a technician carries, with the instruments that it is. */
export interface Tool {
  id: string
  title: string
  instruments: readonly string[]
  /** What of it has a limit of error, as a share of the reading. */
  exact?: readonly { title: string; instruments: readonly string[] }[]
}

const VOLTS = { title: 'Volts', instruments: ['volts', 'volts-dc'] }
const OHMS = { title: 'Ohms', instruments: ['ohms'] }
const LOW_Z = { title: 'Low-impedance volts', instruments: ['volts-lowz', 'volts-dc-lowz'] }

/** What may be at hand or not. What every visit has (a watch, a bucket, the water meter, the machine's own display) is not listed. */
export const TOOLS: readonly Tool[] = [
  {
    id: 'multimeter',
    title: 'Multimeter: volts, ohms',
    instruments: ['volts', 'volts-dc', 'ohms'],
    exact: [VOLTS, OHMS],
  },
  {
    id: 'low-z',
    title: 'Low-impedance volts, or a two-pole tester',
    instruments: ['volts-lowz', 'volts-dc-lowz'],
    exact: [LOW_Z],
  },
  { id: 'beeper', title: 'Continuity beeper', instruments: ['beeper'] },
  { id: 'neon', title: 'Neon or non-contact tester', instruments: ['neon'] },
  { id: 'clamp', title: 'Clamp meter', instruments: ['clamp'], exact: [{ title: 'Clamp', instruments: ['clamp'] }] },
  { id: 'gauge', title: 'Pressure gauge', instruments: ['gauge'], exact: [{ title: 'Gauge', instruments: ['gauge'] }] },
  { id: 'thermometer', title: 'Thermometer', instruments: ['thermometer'] },
  { id: 'insulation', title: 'Insulation tester', instruments: ['insulation'] },
  { id: 'counter', title: 'Frequency counter', instruments: ['counter'] },
  { id: 'rule', title: 'Rule', instruments: ['rule'] },
  { id: 'conductivity', title: 'Conductivity meter', instruments: ['conductivity-meter'] },
]

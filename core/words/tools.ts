/** A thing that a technician carries, with the instruments that it is. */
export interface Tool {
  id: string
  title: string
  instruments: readonly string[]
}

/** What may be at hand or not. What every visit has (a watch, a bucket, the water meter, the machine's own display) is not listed. */
export const TOOLS: readonly Tool[] = [
  { id: 'multimeter', title: 'Multimeter: volts, ohms', instruments: ['volts', 'volts-dc', 'ohms'] },
  { id: 'low-z', title: 'Low-impedance volts, or a two-pole tester', instruments: ['volts-lowz', 'volts-dc-lowz'] },
  { id: 'beeper', title: 'Continuity beeper', instruments: ['beeper'] },
  { id: 'neon', title: 'Neon or non-contact tester', instruments: ['neon'] },
  { id: 'clamp', title: 'Clamp meter', instruments: ['clamp'] },
  { id: 'gauge', title: 'Pressure gauge', instruments: ['gauge'] },
  { id: 'thermometer', title: 'Thermometer', instruments: ['thermometer'] },
  { id: 'insulation', title: 'Insulation tester', instruments: ['insulation'] },
  { id: 'counter', title: 'Frequency counter', instruments: ['counter'] },
  { id: 'rule', title: 'Rule', instruments: ['rule'] },
]

import { solveCircuit, writeNetlist, type Analysis, type Component } from '../../../core/physics/circuit'
import { findMeter } from '../../../core/simulation/instrument'
import { makeFaultedMachine } from '../../../core/model/machine'
import { simulate, type OperatingPoint } from '../../../core/simulation/simulate'
import { random } from '../../../core/truth'
import { machineOf, runTo } from './sheets'

/** Networks drawn from a seed: every component but rectifiers, 6 to 9 nodes. */
export const NETWORKS = 200
export const HERTZ = 50
const OMEGA = 2 * Math.PI * HERTZ

export function drawNetwork(seed: number): { nodes: number; components: Component[] } {
  const next = random(seed * 2654435761)
  const nodes = 6 + Math.floor(next() * 4)
  const ohms = () => 10 ** (-1 + 5 * next())
  const components = Array.from({ length: nodes + 4 + Math.floor(next() * 6) }, (): Component => {
    const a = Math.floor(next() * nodes)
    const ends = { a, b: (a + 1 + Math.floor(next() * (nodes - 1))) % nodes }
    const x = next()
    if (x < 0.14) return { type: 'VAC', ...ends, ohms: ohms(), volts: 10 + 220 * next() }
    if (x < 0.24) return { type: 'VDC', ...ends, ohms: ohms(), volts: 1 + 20 * next() }
    if (x < 0.44) return { type: 'RL', ...ends, ohms: ohms(), henries: 0.01 + 4 * next() }
    if (x < 0.58) return { type: 'RC', ...ends, ohms: ohms(), farads: 10 ** (-9 + 4 * next()) }
    if (x < 0.66)
      return {
        type: 'T',
        ...ends,
        c: (a + 2) % nodes,
        d: (a + 3) % nodes,
        ohms: ohms(),
        ohms2: ohms() / 20,
        henries: 1 + 10 * next(),
        ratio: 1 + 9 * next(),
      }
    return { type: 'R', ...ends, ohms: ohms() }
  })
  return { nodes, components }
}

export const networkNetlist = (seed: number, analysis: Analysis): string => {
  const { nodes, components } = drawNetwork(seed)
  const { island } = solveCircuit(nodes, components, analysis, OMEGA)
  return writeNetlist(`network ${seed}`, components, island, analysis, HERTZ, (i) => `node ${i}`)
}

/** Small circuits, one for each element; the part named `it` is measured across its first two terminals. */
export const ELEMENTS: Record<string, string> = {
  resistor: wired('it: { kind: resistor, ohms: 470 Ω }'),
  coil: wired(
    'it: { kind: solenoid-valve, ohms: 800 Ω, henries-out: 1.2 H, henries-in: 3.5 H, pull-in: 150 V, drop-out: 60 V }',
  ),
  'coil, plunger out': wired(
    'it: { kind: solenoid-valve, ohms: 800 Ω, henries-out: 1.2 H, henries-in: 3.5 H, pull-in: 500 V, drop-out: 60 V }',
  ),
  'snubber before a coil': wired(
    'it: { kind: output, snubber: fitted }, load: { kind: motor, ohms: 900 Ω, starts: 150 V }',
    '[mains.L, isolator.Lin/Lout, it, load, isolator.Nout/Nin, mains.N]',
  ),
  'snubber before nothing': wired('it: { kind: output, snubber: fitted }', '[mains.L, isolator.Lin/Lout, it.com]'),
  'bad joint under load': wired(
    'it: { kind: wire, ohms: 300 Ω }, load: { kind: heater, ohms: 500 Ω }',
    '[mains.L, isolator.Lin/Lout, it, load, isolator.Nout/Nin, mains.N]',
  ),
  'switch open before a load': wired(
    'it: { kind: switch, held: open }, load: { kind: heater, ohms: 500 Ω }',
    '[mains.L, isolator.Lin/Lout, it, load, isolator.Nout/Nin, mains.N]',
  ),
  'parallel paths': wired(
    'it: { kind: heater, ohms: 500 Ω }, beside: { kind: motor, ohms: 300 Ω, starts: 150 V }',
    '[mains.L, isolator.Lin/Lout, it, isolator.Nout/Nin, mains.N]\n  more: [it.a, beside, it.b]',
  ),
  'transformer, loaded': wired(
    'it: { kind: resistor, ohms: 40 Ω }, t: { kind: transformer, ratio: "9" }',
    '[mains.L, isolator.Lin/Lout, t.p1/p2, isolator.Nout/Nin, mains.N]\n  low: [t.s1, it, t.s2]',
  ),
  'transformer, open': wired(
    'it: { kind: resistor, ohms: 10 MΩ }, t: { kind: transformer, ratio: "9" }',
    '[mains.L, isolator.Lin/Lout, t.p1/p2, isolator.Nout/Nin, mains.N]\n  low: [t.s1, it, t.s2]',
  ),
  'dc supply': wired(
    'it: { kind: motor, ohms: 12 Ω, starts: 9 V }, cell: { kind: dc-supply, volts: 12 V }',
    '[mains.L, isolator.Lin]\n  low: [cell.plus, it, cell.minus]',
  ),
  'rectified load': wired(
    'it: { kind: resistor, ohms: 400 Ω }, bridge: { kind: rectifier }',
    '[mains.L, isolator.Lin/Lout, bridge.ac1/ac2, isolator.Nout/Nin, mains.N]\n  low: [bridge.plus, it, bridge.minus]',
  ),
}

function wired(parts: string, chain = '[mains.L, isolator.Lin/Lout, it, isolator.Nout/Nin, mains.N]'): string {
  const own = parts.split(/(?<=\}), /).map((p) => `  ${p}`)
  return `sheet: 1
id: element
title: One element
frequency: 50 Hz
parts:
  mains: { kind: ac-supply, volts: 230 V, ohms: 0.5 Ω }
  isolator: { kind: isolator }
${own.join('\n')}
wiring:
  loop: ${chain}
programs: { on: { title: On, lasts: 1 min } }
`
}

export const INSTRUMENTS = [
  'volts',
  'volts-lowz',
  'volts-dc',
  'volts-dc-lowz',
  'ohms',
  'clamp',
  'neon',
  'beeper',
] as const
export type Instrument = (typeof INSTRUMENTS)[number]

/** The element as it runs, or switched off at its isolator. */
export function elementPlant(
  name: string,
  dead = false,
): { point: OperatingPoint; a: number; b: number; part: number } {
  const machine = machineOf(ELEMENTS[name])
  const off = simulate(makeFaultedMachine(machine, [], [{ hold: machine.isolators[0] }]), {
    steps: [],
    until: 1,
    stopsWhenFinal: false,
    moments: [{ type: 'time', at: 0.5 }],
  })
  const point = dead ? off.snapshots[0]! : runTo(machine).point
  const part = machine.partIndex.get('it')!
  const [a, b] = machine.kinds[part].terminals.map((t) => point.faulted.parts[part].nodes[t])
  return { point, a, b, part }
}

/** The circuit with the instrument in it, for ngspice; what is read is the voltage between `a` and `b`. */
export function measuredNetlist(name: string, instrument: Instrument): { netlist: string; analysis: Analysis } {
  const meter = findMeter(instrument)!
  const dead = meter.dimension === 'resistance'
  const { point, a, b } = elementPlant(name, dead)
  const analysis: Analysis = meter.coupling === 'dc' || dead ? 'dc' : 'ac'
  const components: Component[] = point
    .components()
    .flatMap((c) =>
      dead && c.type === 'RECT' ? [] : [dead && (c.type === 'VAC' || c.type === 'VDC') ? { ...c, volts: 0 } : c],
    )
  // An ohmmeter is one volt behind one kilohm; the isolator stands open for it.
  if (dead) components.push({ type: 'VDC', a, b, ohms: 1000, volts: 1 })
  else if (meter.inputResistance)
    components.push({ type: 'R', a, b: instrument === 'neon' ? returnOf(point) : b, ohms: meter.inputResistance })
  const { machine } = point.faulted
  const { island } = solveCircuit(machine.nodeCount, components, analysis, OMEGA)
  return {
    netlist: writeNetlist(`${name}, ${instrument}`, components, island, analysis, HERTZ, (i) => machine.nodeLabels[i]),
    analysis,
  }
}

export function returnOf(point: OperatingPoint): number {
  const { machine, parts } = point.faulted
  return parts[machine.kinds.findIndex((k) => k.returns?.of === 'supply')].nodes.N
}

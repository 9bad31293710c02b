import { portBetween, WAVES, type Solution } from '../../physics/circuit'
import type { OperatingPoint } from '../simulate'
import { cached, zeroIndication, type Indication } from './indication'
import type { Meter } from './meters'
import { portSensitivity } from './port-sensitivity'
import { shareBelow } from './threshold'

/** Input resistance of a voltmeter that does not say, Ω. */
const USUAL_INPUT = 10e6

/** Share of the mean that an AC-coupled meter still sees in the island of a node: the ripple of its rectifier. */
function rippleAt(dc: Solution, node: number): number {
  const feeding = dc.components.find((c) => c.type === 'RECT' && dc.island[c.c] === dc.island[node])
  return feeding?.type === 'RECT' ? WAVES[feeding.wave].ripple : 0
}

/** Volts that stand on a conductor beside live ones in a cable, and the impedance of that coupling (200 pF at 50 Hz), Ω. */
const [COUPLED, COUPLING] = [15, 16e6]

/** What is picked up over so many ohms, one standard deviation, V: much where a lead floats, nothing where a coil hangs on it. */
const strayVolts = (ohms: number): number => (COUPLED * ohms) / (ohms + COUPLING)

function loadedVoltage(point: OperatingPoint, s: Solution, input: number, a: number, b: number): Indication {
  const port = portBetween(s, a, b)
  if (!port.connected) return { ...zeroIndication(point), stray: s.analysis === 'ac' ? strayVolts(input) : 0 }
  const z = Math.hypot(port.zRe, port.zIm)
  const stray = s.analysis === 'ac' ? strayVolts((z * input) / (z + input)) : 0
  const loaded = input / Math.hypot(input + port.zRe, port.zIm)
  return {
    type: 'value',
    value: Math.hypot(port.re, port.im) * loaded,
    stray,
    sensitivity: portSensitivity(point, s, port, loaded),
  }
}

/** Readings of an AC solution are kept with it: faulted machines whose circuit is the same share it. */
const voltageOf = (point: OperatingPoint, s: Solution, input: number, a: number, b: number): Indication =>
  s.analysis === 'dc'
    ? loadedVoltage(point, s, input, a, b)
    : cached(point, s, `${input}|${a}|${b}`, () => loadedVoltage(point, s, input, a, b))

/**
 * Volts between two nodes as the meter shows them: the meter's input is part of the circuit. A meter on AC shows the
 * RMS of the AC part (with the ripple of a rectified part), one on DC the mean, without its sign.
 */
export function voltageIndication(point: OperatingPoint, meter: Meter, a: number, b: number): Indication {
  const input = meter.inputResistance ?? USUAL_INPUT
  const mean = () => (point.hasSource('dc') ? voltageOf(point, point.dc(), input, a, b) : zeroIndication(point))
  if (meter.coupling === 'dc') return mean()
  const ac = point.hasSource('ac') ? voltageOf(point, point.ac(), input, a, b) : zeroIndication(point)
  if (!point.circuit.rectifies) return ac
  const dc = mean()
  const ripple = dc.value === 0 ? 0 : rippleAt(point.dc(), a) * dc.value
  if (ripple === 0) return ac
  const value = Math.hypot(ac.value, ripple)
  return {
    type: 'value',
    value,
    stray: ac.stray,
    sensitivity: ac.sensitivity.map(
      (x, i) => (ac.value * x + (ripple * ripple * dc.sensitivity[i]) / dc.value) / value,
    ),
  }
}

/**
 * Chance that a neon or non-contact tester glows at a node, 0 … 1. It measures against earth, which the return of the
 * supply is bonded to: it sees a live point, never whether a current could return.
 */
export function neonProbability(point: OperatingPoint, meter: Meter, node: number): number {
  const { machine, parts } = point.faulted
  if (!point.hasSource('ac')) return 0
  let volts = 0
  machine.kinds.forEach((kind, i) => {
    if (kind.returns?.of !== 'supply') return
    const earth = parts[i].nodes[kind.returns.terminal]
    volts = Math.max(volts, voltageOf(point, point.ac(), meter.inputResistance!, node, earth).value)
  })
  return shareBelow(volts, meter.threshold!)
}

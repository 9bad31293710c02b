import { expect } from 'vitest'
import { makeFaultedMachine } from '../../../core/model/machine'
import { simulate, type Script } from '../../../core/simulation/simulate'
import { runPlain } from '../../../core/truth'
import { activeFaultsIn, machineOf } from './sheets'

/** What a machine does that is left alone for a while; both simulators have to agree on what is asked of it. */
export function left(text: string, seconds: number, fault?: string) {
  const machine = machineOf(text)
  const faulted = makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [])
  const script: Script = {
    steps: [{ at: 0, start: 0 }],
    until: seconds + 1,
    stopsWhenFinal: false,
    moments: [{ type: 'time', at: seconds }],
  }
  const point = simulate(faulted, script).snapshots[0]!
  const plain = runPlain(faulted, script).snapshots[0]!.point
  const read = (of: { signal(part: number, name: string): number }, name: string) => {
    const [part, signal] = name.split('.') as [string, string]
    return of.signal(machine.partIndex.get(part)!, signal)
  }
  return (name: string): number => {
    const [own, other] = [read(point, name), read(plain, name)]
    expect(Math.abs(own - other), `${name}: ${own} and ${other}`).toBeLessThanOrEqual(1e-9 + 0.02 * Math.abs(own))
    return own
  }
}

export const sheet = (parts: string, more: string) => `sheet: 1
id: flip
title: A small machine
frequency: 50 Hz
ambient: 20 °C
parts:
  mains: { kind: ac-supply, volts: 230 V, ohms: 0.001 Ω }
  main: { kind: water-supply, pressure: 2 bar, temperature: 12 °C }
  tank: { kind: vessel, area: 100 cm², height: 400 mm }
${parts}
${more}
programs:
  run: { title: Run, lasts: 60 min }
`
export const millimetres = (metres: number) => metres * 1000

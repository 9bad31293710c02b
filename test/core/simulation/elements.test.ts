import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import { betaCelsius, betaOhms } from '../../../core/model/kinds/beta'
import { makeFaultedMachine, type Machine, type ActiveFault } from '../../../core/model/machine'
import { phaseTimes, runPlain, STEP } from '../../../core/truth'
import { simulate, type Script, type Timeline } from '../../../core/simulation/simulate'
import { horizontalCylinderLevel } from '../../../core/physics/water'
import { edit, evidenceOf, machineOf, mini, predictorOf, activeFaultsIn } from '../support/sheets'

const BATH = mini('warm-bath')
const TAP = mini('battery-tap')
const bath = machineOf(BATH)
const tap = machineOf(TAP)

const script = (program: number, until: number, ...more: Script['steps']): Script => ({
  steps: [{ at: 0, start: program }, ...more],
  until,
  stopsWhenFinal: false,
  moments: [],
})
const run = (machine: Machine, fault?: string, until = 1500, ...more: Script['steps']): Timeline =>
  simulate(makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : []), script(0, until, ...more))
const part = (machine: Machine, id: string) => machine.parts[machine.partIndex.get(id)!]
const signal = (t: Timeline, machine: Machine, id: string, name: string) => t.end.signal(part(machine, id).index, name)
const complains = (t: Timeline, machine: Machine) =>
  machine.sheet.complaints.filter((_, i) => t.complaints[i]).map((c) => c.id)
const phaseOf = (machine: Machine, id: string) => machine.phases.findIndex((p) => p.id === id)
const lasts = (t: Timeline, machine: Machine, id: string) => {
  const { from, to } = t.phases[phaseOf(machine, id)]
  return to - from
}
const program = (machine: Machine, id: string) => machine.programs.findIndex((p) => p.id === id)

describe('thermistors', () => {
  it('follow the beta formula, and back', () => {
    expect(betaOhms(10_000, 3950, 25)).toBe(10_000)
    // 3950·(1/313.15 − 1/298.15) = −0.63461…
    expect(betaOhms(10_000, 3950, 40)).toBeCloseTo(10_000 * Math.exp(-0.634614), 0)
    fc.assert(
      fc.property(fc.double({ min: -30, max: 150, noNaN: true }), (celsius) => {
        expect(betaCelsius(10_000, 3950, betaOhms(10_000, 3950, celsius))).toBeCloseTo(celsius, 8)
      }),
    )
  })
  it('what the control believes comes from the divider, at every temperature of the run', () => {
    const { index } = part(bath, 'warm')
    const moments = [60, 150, 250, 380].map((at) => ({ type: 'time' as const, at }))
    const { snapshots } = simulate(makeFaultedMachine(bath), { ...script(0, 400), moments })
    for (const point of snapshots) {
      const truth = point!.signal(part(bath, 'bath').index, 'temperature')
      expect(point!.signal(index, 'temperature')).toBeCloseTo(truth, 2)
      const { nodes } = part(bath, 'warm')
      const ohms = betaOhms(10_000, 3950, truth)
      // The input's own voltage over pull-up and bead.
      expect(point!.dcVolts(nodes.in, nodes.com)).toBeCloseTo((5 * ohms) / (ohms + 10_000), 4)
    }
  })
  it('open, shorted, drifted and loose: each its own symptom', () => {
    expect(complains(run(bath), bath)).toEqual([])
    expect(complains(run(bath, 'bead.open'), bath)).toEqual(['e2'])
    expect(complains(run(bath, 'bead.shorted'), bath)).toEqual(['e3'])
    expect(complains(run(bath, 'bead.drifted'), bath)).toEqual(['hot'])
    expect(lasts(run(bath, 'bead.loose'), bath, 'heating')).toBeGreaterThan(1.4 * lasts(run(bath), bath, 'heating'))
  })
})

describe('level sensors', () => {
  it('the frequency falls as the level rises; a broken line is silence, a tube off reads empty', () => {
    const healthy = run(bath, undefined, 200)
    const level = signal(healthy, bath, 'bath', 'level')
    expect(level).toBeCloseTo(0.15, 3)
    // 5 kHz over 3924 Pa, which is 400 mm of water at 9810 Pa/m.
    expect(signal(healthy, bath, 'sensor', 'hertz')).toBeCloseTo(26_000 - (5000 * level) / 0.4, 0)
    for (const fault of ['sensor.silent', 'sensor-wire.broken', 'counts.dead'])
      expect(complains(run(bath, fault), bath)).toEqual(['e6'])
    // The sensor works, the line does not: told apart at the sensor's own terminals.
    expect(signal(run(bath, 'sensor-wire.broken', 60), bath, 'sensor', 'hertz')).toBeGreaterThan(24_000)
    expect(complains(run(bath, 'tube.off'), bath)).toEqual(['e4'])
  })
  it('a counter reads the wave where it stands', () => {
    const predictor = predictorOf(BATH)
    const hertz = predictor.catalogue.procedures.find((p) => p.id === 'sensor.hertz')!
    const shown = (fault: string) => {
      const p = predictor.predict(predictor.hypothesisFor([activeFaultsIn(bath, fault)]), hertz)
      return p.type === 'value' ? p.mean : NaN
    }
    expect(shown('sensor-wire.broken')).toBeGreaterThan(24_000)
    expect(shown('sensor.silent')).toBe(0)
  })
  it('a pressure switch trips and returns at its own levels', () => {
    const events = run(tap).events.filter((e) => e.type === 'mode' && tap.modeOwner[e.mode] === part(tap, 'stat').index)
    expect(events).toHaveLength(1)
    // 1500 Pa stand 152.9 mm high.
    expect(signal(run(tap), tap, 'drum', 'level')).toBeCloseTo(1500 / 9810, 3)
  })
  it('a probe needs water that conducts', () => {
    const wet = (t: Timeline) => signal(t, tap, 'probe-in', 'closed')
    expect(wet(run(tap))).toBe(1)
    expect(wet(run(tap, 'main.too-pure'))).toBe(0)
    expect(wet(run(machineOf(edit(TAP, ', water: main }', ' }')), 'main.too-pure'))).toBe(1)
  })
})

describe('vessels and pipes', () => {
  it('a lying cylinder fills as the segment formula says', () => {
    expect(horizontalCylinderLevel(0.5)).toBeCloseTo(0.5, 12)
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 0.999, noNaN: true }), (height) => {
        const angle = 2 * Math.acos(1 - 2 * height)
        expect(horizontalCylinderLevel((angle - Math.sin(angle)) / (2 * Math.PI))).toBeCloseTo(height, 7)
      }),
    )
  })
  it('a sump fills faster than what is above it', () => {
    const at = (litres: number) => {
      const moments = [{ type: 'time' as const, at: (litres / 8) * 60 }]
      const t = simulate(makeFaultedMachine(bath), { ...script(0, 100), moments })
      return (
        t.snapshots[0]!.signal(part(bath, 'bath').index, 'level') /
        t.snapshots[0]!.states[part(bath, 'bath').state.volume]
      )
    }
    expect(at(0.2)).toBeCloseTo(1 / 0.01, 6)
    // 0.4 L in 40 mm of sump, the rest over 500 cm².
    expect(at(3)).toBeLessThan(40)
  })
  it('an empty line takes its volume before anything comes out of it', () => {
    const t = run(tap)
    const full = t.events.find((e) => e.type === 'mode' && tap.modeOwner[e.mode] === part(tap, 'lateral').index)!
    const empty = machineOf(edit(TAP, 'holds: 6 L', 'holds: 1 mL'))
    expect(t.phases[0].to - run(empty).phases[0].to).toBeCloseTo(full.time, 1)
  })
  it('an empty heated vessel gets hot, a boiling one does not get hotter and loses what leaves as steam', () => {
    // Nothing ends the heating: E5 is far away, the thermistor is stuck at cold by its clip.
    const slow = machineOf(edit(edit(BATH, 'after 18 min', 'after 80 min'), 'lasts: 30 min', 'lasts: 100 min'))
    const loose: ActiveFault = activeFaultsIn(slow, 'bead.loose', 0.01)
    const boiled = simulate(makeFaultedMachine(slow, [loose]), script(0, 2400))
    const x = (t: number) => boiled.samples.findLast((s) => s.time <= t)!.states[part(slow, 'bath').state.volume]
    expect(Math.abs(signal(boiled, slow, 'bath', 'temperature') - 99.8)).toBeLessThan(0.25)
    const begin = boiled.events.find(
      (e) => e.type === 'mode' && e.mode === part(slow, 'bath').mode.boils && e.value === 1,
    )!.time
    const watts = (230 / (26.45 + 0.57)) ** 2 * 26.45 - 2 * 79.8
    const steam = (x(begin) - boiled.end.states[part(slow, 'bath').state.volume]) / (2400 - begin)
    expect(Math.abs(steam / (watts / 2.26e9) - 1)).toBeLessThan(0.012)
    const dry = simulate(makeFaultedMachine(slow, [loose, activeFaultsIn(slow, 'sensor.drifted', 0.9)]), script(0, 60))
    expect(signal(dry, slow, 'bath', 'temperature')).toBeGreaterThan(200)
  })
})

describe('siphon', () => {
  const pulled = (fault?: string) => {
    // Filled, then pumped for 8 s in the service mode: an airy hose stops with the pump.
    const service = program(bath, 'drain-test')
    return simulate(
      makeFaultedMachine(bath, fault ? [activeFaultsIn(bath, fault)] : []),
      script(0, 200, { at: 60, start: service }),
    )
  }
  it('goes on by itself where the end of the hose is sealed, and not where air can enter', () => {
    expect(signal(pulled(), bath, 'bath', 'level')).toBeGreaterThan(0.07)
    expect(signal(pulled('hose.sealed'), bath, 'bath', 'level')).toBeLessThan(0.01)
    expect(signal(run(bath, 'hose.sealed', 200), bath, 'bath', 'level')).toBeCloseTo(0.15, 3)
  })
  it('a hose that hangs too low drains while it fills', () => {
    expect(complains(run(bath, 'hose.low'), bath)).toContain('empties')
  })
})

describe('latching valve', () => {
  it('stays where the last pulse has put it, power or no power', () => {
    const off = tap.parts.findIndex((p) => p.id === 'pulses')
    const cut = run(tap, undefined, 60, { at: 20, hold: [{ mode: tap.parts[off].mode.called, value: 1 }] })
    expect(signal(cut, tap, 'tap', 'passes')).toBe(1)
    expect(signal(run(tap), tap, 'tap', 'passes')).toBe(0)
    expect(complains(run(tap, 'tap.stuck-open'), tap)).toEqual(['on'])
  })
  it('needs a pulse of enough volts behind what is left of its loop', () => {
    expect(complains(run(tap, 'pulses.weak'), tap)).toEqual(['dry'])
    const wire = machineOf(edit(TAP, 'ohms: 0.5 Ω', 'ohms: 5 Ω'))
    // 9 V over 1.5 + 5 + 6 Ω leave 4.3 V at the coil; 5 V are needed.
    expect(complains(run(wire), wire)).toEqual(['dry'])
  })
})

describe('the control', () => {
  it('an alarm that clears itself does, and the run goes on', () => {
    const weak = simulate(makeFaultedMachine(bath, [activeFaultsIn(bath, 'strainer.blocked', 0.005)]), script(0, 1500))
    expect(complains(weak, bath)).toEqual(['late-water'])
    expect(weak.events.filter((e) => e.type === 'cleared').map((e) => e.type === 'cleared' && e.code)).toEqual(['E1'])
  })
  it('a locking alarm outlives a loss of power and keeps a program from starting until it is reset', () => {
    const isolator = bath.isolators[0]
    const lost: Script['steps'] = [
      { at: 300, hold: [isolator] },
      { at: 320, free: [isolator.mode], hold: [] },
    ]
    const begins = (t: Timeline) => t.phases[phaseOf(bath, 'service-drain')].from
    const locked = run(bath, 'tube.off', 500, ...lost, { at: 400, start: program(bath, 'drain-test') })
    expect(locked.alarms).toEqual(['E4'])
    expect(begins(locked)).toBeNaN()
    const reset = run(
      bath,
      'tube.off',
      500,
      ...lost,
      { at: 350, start: program(bath, 'reset') },
      { at: 400, start: program(bath, 'drain-test') },
    )
    expect(reset.alarms).toEqual([])
    expect(begins(reset)).toBeCloseTo(400, 3)
    const forgets = machineOf(edit(BATH, ', keeps: true', ''))
    const free = run(forgets, 'tube.off', 500, ...lost, { at: 400, start: program(forgets, 'drain-test') })
    expect(begins(free)).toBeNaN()
  })
  it('a float lifted by hand forces its input; the way in and out of a service mode stands on the card', () => {
    const lifted = simulate(makeFaultedMachine(bath), script(program(bath, 'flooded'), 60))
    expect(lifted.alarms).toEqual(['E4'])
    const predictor = predictorOf(BATH)
    const inService = predictor.catalogue.procedures.filter(
      (p) => p.needs.arrival?.program === program(bath, 'drain-test'),
    )
    expect(inService.length).toBeGreaterThan(0)
  })
})

describe('against the plain simulator', () => {
  it.each([
    ['bath', bath, undefined],
    ['bath, drifted thermistor', bath, 'bead.drifted'],
    ['bath, sealed hose', bath, 'hose.sealed'],
    ['bath, tube off', bath, 'tube.off'],
    ['tap', tap, undefined],
    ['tap, blocked lateral', tap, 'lateral.blocked'],
  ] as const)('%s: the same phases, codes and complaints', (_, machine, fault) => {
    const faulted = makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [])
    const plan = script(0, 700)
    const mine = simulate(faulted, plan)
    const plain = runPlain(faulted, plan)
    phaseTimes(machine, plain).forEach(({ from, to }, i) => {
      expect(Number.isNaN(from)).toBe(Number.isNaN(mine.phases[i].from))
      if (Number.isNaN(to)) return
      // The plain run ends the phase before by up to a step late, and what it fills or heats is the more by that.
      expect(Math.abs(to - from - (mine.phases[i].to - mine.phases[i].from))).toBeLessThan(
        1.5 * STEP + ((to - from) * STEP) / 40,
      )
    })
    expect(plain.alarms).toEqual(mine.alarms)
    expect(plain.complaints).toEqual(mine.complaints)
  })
})

describe('advice on these parts', () => {
  it.each([
    ['bead.drifted', BATH, 'hot'],
    ['sensor-wire.broken', BATH, 'e6'],
    ['pulses.weak', TAP, 'dry'],
  ])('the readings of %s lead to its repair', (fault, text, complaint) => {
    const predictor = predictorOf(text)
    const member = predictor.hypothesisFor([activeFaultsIn(predictor.catalogue.machine, fault)])
    const items: object[] = [{ complaint }]
    for (let k = 0; k < 12; k++) {
      const advice = advise(predictor, evidenceOf(predictor, ...items), 'live-first')
      const next = advice.plan.next[0]
      if (!next || advice.plan.state !== 'testing') break
      const p = predictor.predict(member, next.procedure)
      const reading =
        p.type === 'value'
          ? p.mean
          : p.type === 'sense'
            ? p.yes > 0.5
              ? 'yes'
              : 'no'
            : p.type === 'word'
              ? p.word
              : p.type === 'times'
                ? p.clean > 0.5
                  ? '10/10'
                  : '0/10'
                : p.type === 'open'
                  ? 'OL'
                  : 'never'
      items.push({ test: next.procedure.id, reading: String(reading) })
    }
    const { machine } = predictor.catalogue
    const wanted = machine.faults.find((f) => f.id === fault)!.repair
    const advice = advise(predictor, evidenceOf(predictor, ...items), 'live-first')
    expect(machine.sheet.repairs[advice.plan.remedies[0].repair].id).toBe(machine.sheet.repairs[wanted].id)
  })
})

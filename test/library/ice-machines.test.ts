import { describe, expect, it } from 'vitest'
import { buildMachine, makeFaultedMachine } from '../../core/model/machine'
import type { Sheet } from '../../core/model/sheet'
import { programSteps, simulate } from '../../core/simulation/simulate'
import { runPlain } from '../../core/truth'
import { shipped, run, says, lasts, shows } from './support/changed-sheets'

describe('flake ice machine of the relay generation', () => {
  const f9 = shipped('ulldale-f9')
  it('the flush timer holds the water off as long as it is set, or for ever', () => {
    const opens = (sheet: Sheet, fault?: string) => {
      const machine = buildMachine(sheet)
      const { passage } = machine.parts[machine.partIndex.get('res-valve')!].mode
      return run(machine, fault).events.find((e) => e.type === 'mode' && e.mode === passage)?.time
    }
    expect(opens(f9)).toBeCloseTo(90, 0)
    expect(opens(shipped('ulldale-f9', ['flake-ice-machine', 'delay: 90 s', 'delay: 200 s']))).toBeCloseTo(200, 0)
    expect(opens(f9, 'flush-timer.never-closes')).toBeUndefined()
  })
  it('stops the other way round, in both simulators: the compressor at once, the auger after its stop timer', () => {
    const stopped = (...changes: Parameters<typeof shipped>[1][]) => {
      const machine = buildMachine(shipped('ulldale-f9', ...changes))
      const program = machine.programs.findIndex((p) => p.id === 'stop')
      const [{ after }] = machine.programs[program].later
      const script = {
        steps: programSteps(machine, program, 0),
        until: machine.programs[program].duration,
        stopsWhenFinal: false,
        moments: [20, 40, 80].map((s) => ({ type: 'time' as const, at: after + s })),
      }
      const faulted = makeFaultedMachine(machine)
      const running = (points: readonly ({ signal(part: number, name: string): number } | undefined)[]) =>
        points.map((point) =>
          ['compressor', 'auger'].filter((id) => point!.signal(machine.partIndex.get(id)!, 'runs') > 0.5),
        )
      const quick = running(simulate(faulted, script).snapshots)
      expect(running(runPlain(faulted, script).snapshots.map((s) => s?.point))).toEqual(quick)
      return quick
    }
    expect(stopped()).toEqual([['auger'], ['auger'], []])
    // A timer that closes late instead lets go with the chain.
    expect(stopped(['flake-ice-machine', 'delays: opening', 'delays: closing'])).toEqual([[], [], []])
    expect(shows(shipped('ulldale-f9'), 'runs-on')).toBeCloseTo(60, 0)
    expect(shows(shipped('ulldale-f9'), 'runs-on', 'stops-at-once')).toBe('never')
  })
  it('one jumper after another names the open link of the chain', () => {
    const bridged = (fault: string) => ['bridge-bin', 'bridge-spout'].map((test) => shows(f9, test, fault))
    expect(bridged('bin-stat.stuck-open')).toEqual(['yes', 'no'])
    expect(bridged('spout.stuck-open')).toEqual(['no', 'yes'])
  })
  it('two lamps read together halve the chain', () => {
    const machine = buildMachine(f9)
    expect(says(machine, 'control-fuse.blown')).toContain('dead')
    expect(says(machine, 'spout.stuck-open')).toContain('power-only')
    expect(says(machine, 'overload.tripped')).toContain('no-run-lamp')
  })
  it('an option that is not fitted carries no suspicion', () => {
    const f6 = shipped('ulldale-f6')
    expect(f9.faults.map((f) => f.id)).toContain('low-pressure.stuck-open')
    expect(f6.faults.map((f) => f.id)).not.toContain('low-pressure.stuck-open')
    expect(says(buildMachine(f6))).toEqual([])
  })
})

describe('cube ice machine without a float', () => {
  it('fills for a set time, and the length of its completion timer sets the size of the ice', () => {
    const machine = buildMachine(shipped('quenby-c12'))
    const t = run(machine)
    expect(lasts(machine, t, 'prefill')).toBeCloseTo(80, 3)
    expect(says(machine)).toEqual([])
    const timer = (minutes: number) =>
      buildMachine(shipped('quenby-c12', ['quenby-c12', 'after 19 min, to: purge', `after ${minutes} min, to: purge`]))
    expect(says(timer(25))).toContain('big')
    expect(says(timer(11))).toContain('hollow')
  })
  it('a plate that stays hot stops it, one that only does not cool stops it later and says something else', () => {
    const machine = buildMachine(shipped('quenby-c12'))
    const [hot, warm] = ['gas-out.stuck', 'plate.no-cold'].map((fault) => run(machine, fault))
    expect(says(machine, 'gas-out.stuck')).toContain('hot-code')
    expect(says(machine, 'plate.no-cold')).toContain('not-cold')
    expect(says(machine, 'plate.no-cold')).not.toContain('hot-code')
    expect(lasts(machine, hot, 'chill')).toBeLessThan(lasts(machine, warm, 'chill') / 2)
  })
})

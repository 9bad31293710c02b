import type { Action } from '../../evidence'
import type { Intervention, Machine } from '../../model/machine'
import { isolated, leaveBehind, powered, started, type Procedure, type WorkState } from '../catalogue'

export const initialWorkState: WorkState = { power: 'on', open: [], loosened: [], running: undefined, asFound: true }

const ascending = (parts: Iterable<number>): number[] => [...new Set(parts)].sort((a, b) => a - b)

/** How machine and technician stand while a log of evidence is gone through, one entry after another. */
export class VisitState {
  work: WorkState = initialWorkState
  readonly repairs: number[] = []
  /** Parts with a jumper across them. */
  readonly jumpers = new Set<number>()
  /** Parts with a lead off. */
  readonly lifted = new Set<number>()
  /** Parts whose plug is pulled or whose tap is shut by hand. */
  readonly parted = new Set<number>()

  constructor(private readonly machine: Machine) {}

  repairsDone(): Intervention[] {
    return ascending(this.repairs).map((repair) => ({ repair }))
  }

  /** All that hands have left in the machine. */
  interventions(): Intervention[] {
    return [
      ...this.repairsDone(),
      ...ascending(this.parted).map((part) => this.byHand(part)),
      ...ascending(this.jumpers).map((jumper) => ({ jumper })),
      ...ascending(this.lifted).map((lifted) => ({ lifted })),
    ]
  }

  /** What a reading leaves behind: the power it wants, the panels it opens, the program it lets run. */
  read(procedure: Procedure): void {
    this.work = leaveBehind(this.work, procedure)
  }

  act({ verb, target }: Action): void {
    const part = target === undefined ? -1 : (this.machine.partIndex.get(target) ?? -1)
    const { open } = this.work
    this.work = { ...this.work, asFound: false }
    switch (verb) {
      case 'isolate':
        return this.change(isolated(this.work))
      case 'restore':
        return this.change(powered(this.work))
      case 'open':
        return this.change({ open: [...new Set([...open, target!])] })
      case 'close':
        return this.change({ open: open.filter((p) => p !== target) })
      case 'start':
        return this.change(
          started(
            this.work,
            this.machine.programs.findIndex((p) => p.id === target),
            0,
          ),
        )
      case 'unplug':
        return void this.parted.add(part)
      case 'plug':
        return void this.parted.delete(part)
      case 'jumper':
        return void this.jumpers.add(part)
      case 'unjumper':
        return void this.jumpers.delete(part)
      case 'lift':
        return void this.lifted.add(part)
      case 'land':
        return void this.lifted.delete(part)
      case 'repair':
        return void this.repairs.push(this.machine.repairs.findIndex((r) => r.id === target))
    }
  }

  private change(change: Partial<WorkState>): void {
    this.work = { ...this.work, ...change }
  }

  private byHand(part: number): Intervention {
    const { mode, disconnected } = this.machine.kinds[part].manual!
    return { hold: { mode: this.machine.parts[part].mode[mode], value: disconnected } }
  }
}

import type { Procedure } from '../diagnosis/catalogue'
import type { Machine } from '../model/machine'
import { measurementType, type Measurement } from '../simulation/measurements'
import type { Sense } from '../model/kinds'
import { ladderOf, railsOf, type LadderCircuit, type LadderRung, type Rails } from './ladder'
import { waterNeighbours } from './water-line'

/** The piece of the circuit or of the pipe that a test is about: what is looked at, what stands on either side, and what goes where. */
export interface Piece {
  medium: 'power' | 'water'
  /** From the side that power or water comes from. `return`: the terminal that the loads of the circuit come back to. */
  boxes: { part: number; type: 'own' | 'beside' | 'return'; look?: Sense }[]
  /** What lies between each box and the next. */
  joints: PieceJoint[]
}

export interface PieceJoint {
  /** What is marked at the right of the box on the left, and at the left of the one on the right. */
  left?: PieceEnd
  right?: PieceEnd
  /** Taken off for the test. */
  apart: boolean
  /** More lies between than is drawn. */
  skips: boolean
}

export interface PieceEnd {
  part: number
  /** Terminal or port. */
  end: string
  /** What is put there. */
  tool?: 'first-tip' | 'second-tip' | 'clamp' | 'gauge' | 'bucket'
}

type Field = 'a' | 'b' | 'at' | 'port'
/** A field of a measurement that names a terminal or a port of its part; `undefined` where it has none such. */
const endIn = (m: Measurement, field: Field): string | undefined => {
  const value = (m as Partial<Record<Field, unknown>>)[field]
  return typeof value === 'string' ? value : undefined
}
const RETURN = '@return'

/** The rung of a part between its terminals of these names, or any rung of it. */
function rungOf(machine: Machine, part: number, ends: readonly string[]) {
  const { circuits } = ladderOf(machine)
  const all = circuits.flatMap((circuit) =>
    circuit.rungs.filter((r) => r.part === part).map((rung) => ({ circuit, rung })),
  )
  return all.find(({ rung }) => ends.every((e) => e === rung.left || e === rung.right)) ?? all.at(0)
}

/** The rungs next to a rung, along its own row where there are several. */
function neighboursOf({ parts }: Machine, circuit: LadderCircuit, rung: LadderRung) {
  const at = (r: LadderRung, side: 'left' | 'right') => parts[r.part].nodes[r[side]]
  const near = (side: 'left' | 'right', other: 'left' | 'right') =>
    circuit.rungs
      .filter((r) => r !== rung && at(r, other) === at(rung, side))
      .sort((a, b) => Math.abs(a.row - rung.row) - Math.abs(b.row - rung.row))
      .at(0)
  return { before: near('left', 'right'), after: near('right', 'left') }
}

const lookOf = (m: Measurement) => ('sense' in m ? { look: m.sense } : {})

/** Writes down an end of a part with what is put there. */
const endsWith =
  (part: number, tools: Partial<Record<string, PieceEnd['tool']>>) =>
  (end: string): PieceEnd => ({ part, end, ...(tools[end] ? { tool: tools[end] } : {}) })

/** What is put to each terminal that a measurement names. */
function toolsOf(m: Measurement, rung: Pick<LadderRung, 'left' | 'right'>): Partial<Record<string, PieceEnd['tool']>> {
  const [a, b, at] = (['a', 'b', 'at'] as const).map((f) => endIn(m, f))
  // A meter across it; a clamp round the one lead that is named, else round the one that comes first.
  if (m.type === 'worked') return { [rung.left]: 'first-tip', [rung.right]: 'second-tip' }
  if (m.type === 'amps') return { [at ?? rung.left]: 'clamp' }
  return {
    ...(a === undefined ? {} : { [a]: 'first-tip' as const }),
    ...(b === undefined || b === RETURN ? {} : { [b]: 'second-tip' as const }),
  }
}

/** A source between its own rails: it, what it feeds first, and what comes back. */
function sourcePiece(machine: Machine, m: Measurement & { part: number }, rails: Rails): Piece {
  const { feed, return: back } = rails
  const end = endsWith(m.part, toolsOf(m, { left: feed, right: back }))
  const circuit = ladderOf(machine).circuits.find((c) => c.source === m.part)
  const next = circuit?.rungs.find((r) => r.column === 0)
  const plain = { apart: false, skips: false }
  return {
    medium: 'power',
    boxes: [
      { part: m.part, type: 'own', ...lookOf(m) },
      ...(next ? [{ part: next.part, type: 'beside' } as const] : []),
      { part: m.part, type: 'return' },
    ],
    joints: next
      ? [
          { left: end(feed), ...plain },
          { right: end(back), ...plain, skips: true },
        ]
      : [{ left: end(feed), right: end(back), ...plain }],
  }
}

function circuitPiece(machine: Machine, m: Measurement & { part: number }, apart: boolean): Piece | undefined {
  const [a, b] = [endIn(m, 'a'), endIn(m, 'b')]
  const ends = [a, b, endIn(m, 'at')].filter((e): e is string => e !== undefined && e !== RETURN)
  const rails = railsOf(machine, m.part)
  if (rails && ends.every((e) => rails.own.includes(e))) return sourcePiece(machine, m, rails)
  const found = rungOf(machine, m.part, ends)
  if (!found) return undefined
  const { circuit, rung } = found
  const { before, after } = neighboursOf(machine, circuit, rung)
  const end = endsWith(m.part, toolsOf(m, rung))
  const back = b === RETURN && a !== undefined ? machine.returnAt[machine.parts[m.part].nodes[a]] : undefined
  const toReturn = after && machine.parts[after.part].nodes[after.right] === backNode(machine, back)
  const plain = { apart, skips: false }
  const last: PieceEnd | undefined = back && { part: back.part, end: back.terminal, tool: 'second-tip' }
  return {
    medium: 'power',
    boxes: [
      { part: before?.part ?? circuit.source, type: 'beside' },
      { part: m.part, type: 'own', ...lookOf(m) },
      ...(after || !back ? [{ part: after?.part ?? circuit.source, type: after ? 'beside' : 'return' } as const] : []),
      ...(back ? [{ part: back.part, type: 'return' } as const] : []),
    ],
    joints: [
      { right: end(rung.left), ...plain },
      { left: end(rung.right), ...(after || !last ? {} : { right: last }), ...plain },
      ...(after && last ? [{ right: last, apart: false, skips: !toReturn }] : []),
    ],
  }
}

const backNode = ({ parts }: Machine, back: Machine['returnAt'][number]): number =>
  back ? parts[back.part].nodes[back.terminal] : -1

function waterPiece(machine: Machine, m: Measurement & { part: number }): Piece | undefined {
  const { ports } = machine.kinds[m.part]
  if (!ports.length) return undefined
  const port = endIn(m, 'port')
  const [before] = waterNeighbours(machine, m.part, 'up')
  const [after] = waterNeighbours(machine, m.part, 'down')
  const tool = m.type === 'bucket' ? 'bucket' : port === undefined ? undefined : 'gauge'
  const end = (name: string): PieceEnd | undefined =>
    name === port && tool ? { part: m.part, end: name, tool } : undefined
  // With a bucket or a gauge there, what lies beyond is off.
  const off = port !== undefined && m.type !== 'flowing'
  const [first, last] = [ports[0], ports[ports.length - 1]]
  return {
    medium: 'water',
    boxes: [
      ...(before === undefined ? [] : [{ part: before, type: 'beside' } as const]),
      { part: m.part, type: 'own', ...lookOf(m) },
      ...(after === undefined ? [] : [{ part: after, type: 'beside' } as const]),
    ],
    joints: [
      ...(before === undefined ? [] : [jointWith('right', end(first), off && first === port)]),
      ...(after === undefined ? [] : [jointWith('left', end(last), off && last === port)]),
    ],
  }
}

const jointWith = (side: 'left' | 'right', end: PieceEnd | undefined, apart: boolean): PieceJoint => ({
  ...(end ? { [side]: end } : {}),
  apart,
  skips: false,
})

/** The piece that a test is taken at; `undefined` for what is read off the whole machine. */
export function pieceOf(machine: Machine, { measurement: m }: Procedure): Piece | undefined {
  if (m.type === 'between') {
    const [first, second] = [m.a, m.b]
    return {
      medium: 'power',
      boxes: [first, second].map(({ part }) => ({ part, type: 'own' })),
      joints: [
        {
          left: { part: first.part, end: first.terminal, tool: 'first-tip' },
          right: { part: second.part, end: second.terminal, tool: 'second-tip' },
          apart: false,
          skips: true,
        },
      ],
    }
  }
  if (!('part' in m)) return undefined
  const wet = endIn(m, 'port') !== undefined || (endIn(m, 'a') === undefined && machine.kinds[m.part].ports.length > 0)
  const isElectric = m.type === 'amps' || m.type === 'worked'
  return wet && !isElectric
    ? waterPiece(machine, m)
    : circuitPiece(machine, m, measurementType(m).takesLeadsOff?.(m) ?? false)
}

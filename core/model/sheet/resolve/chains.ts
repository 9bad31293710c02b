import type { Kind } from '../../kinds'
import type { Sheet, TerminalRef } from '../types'
import { entries, oneOf, type Path } from './problem-collector'
import type { Scope } from './scope'

export type Medium = 'wiring' | 'water'

/** Where a kind is joined: its terminals in the wiring, its ports in the water. */
export const terminalsOf = (kind: Kind, medium: Medium): readonly string[] =>
  medium === 'wiring' ? kind.terminals : kind.ports

function step(
  { collector, find }: Scope,
  item: string,
  medium: Medium,
  path: Path,
  edge: boolean,
): [TerminalRef, TerminalRef] | undefined {
  const m = /^([\w-]+)(?:\.([\w-]+)(?:\/([\w-]+))?)?$/.exec(item)
  if (!m) {
    collector.report('unknown-terminal', path, { found: item, expected: 'PART, PART.TERMINAL or PART.IN/OUT' })
    return undefined
  }
  const part = find(m[1], path)
  if (!part) return undefined
  const names = terminalsOf(part.kind, medium)
  for (const t of [m[2], m[3]])
    if (t !== undefined && !names.includes(t)) {
      collector.report('unknown-terminal', path, {
        found: item,
        expected: names.length
          ? oneOf(names.map((n) => `${part.id}.${n}`))
          : `a part with ${medium === 'wiring' ? 'terminals' : 'water ports'}`,
      })
      return undefined
    }
  if (m[2] === undefined && (edge || names.length < 2)) {
    collector.report('ambiguous', path, { found: item, expected: oneOf(names.map((n) => `${part.id}.${n}`)) })
    return undefined
  }
  const enter = m[2] ?? names[0]
  const leave = m[2] === undefined ? names[1] : (m[3] ?? m[2])
  // What runs out there is gone: a chain that went on behind it would stay dry.
  const open = medium === 'water' ? (part.kind.openPorts ?? []) : []
  if (open.includes(enter) || open.includes(leave)) {
    const joined = names.filter((n) => !open.includes(n)).map((n) => `${part.id}.${n}`)
    collector.report('unknown-terminal', path, { found: item, expected: oneOf(joined) })
    return undefined
  }
  return [
    { part: part.id, terminal: enter },
    { part: part.id, terminal: leave },
  ]
}

/** A terminal by its name, `PART.TERMINAL`. */
export const endOf = (scope: Scope, at: string, path: Path): TerminalRef | undefined =>
  step(scope, at, 'wiring', path, true)?.[0]

/** Colours of the wires at terminals; a part that is not fitted has none. */
export const resolveColours = (scope: Scope): Sheet['colours'] =>
  entries(scope.written.colours).flatMap(([at, colour]) => {
    const ref = scope.isAbsent(at) ? undefined : endOf(scope, at, ['colours', at])
    return ref ? [{ ...ref, colour }] : []
  })

/** Wires and water paths: each chain as the pairs of terminals that it joins. */
export const resolveChains = (scope: Scope, medium: Medium): Sheet['wiring'] =>
  entries(scope.written[medium]).map(([name, written]) => {
    const chain = written.flatMap((item, at) => (scope.isAbsent(item) ? [] : [{ item, at }]))
    const steps = chain.map(({ item, at }, i) =>
      step(scope, item, medium, [medium, name, at], i === 0 || i === chain.length - 1),
    )
    const joints: [TerminalRef, TerminalRef][] = []
    for (let i = 1; i < steps.length; i++) {
      const [a, b] = [steps[i - 1], steps[i]]
      if (a && b) joints.push([a[1], b[0]])
    }
    return { name, joints }
  })

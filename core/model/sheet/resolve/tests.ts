import { mayBeBridged } from '../../kinds'
import type { Sheet } from '../types'
import { entries, oneOf, type Path } from './problem-collector'
import type { Scope } from './scope'

/** The moment at which a machine stands as the customer's run left it. */
const FOUND = 'found'

/** Moments of a program at which something is looked at, besides its phases. */
export function resolveMoments({ collector, written, programs }: Scope): Sheet['moments'] {
  return entries(written.moments).map(([id, m]) => {
    if (!programs.has(m.program))
      collector.report('unknown-program', ['moments', id, 'program'], { found: m.program, expected: oneOf(programs) })
    return {
      id,
      title: m.title,
      program: m.program,
      after: collector.quantity(m.after, 'time', ['moments', id, 'after']).value,
    }
  })
}

/** Tests that the sheet adds to what its kinds offer. */
export function resolveTests(
  { collector, written, find, isAbsent, phases }: Scope,
  moments: Sheet['moments'],
): Sheet['tests'] {
  return entries(written.tests).flatMap(([id, t]) => {
    if (isAbsent(t.sense) || isAbsent(t.jumper ?? '')) return []
    const path: Path = ['tests', id]
    const [partId, signal] = t.sense.split('.')
    const part = find(partId, [...path, 'sense'])
    if (part && !(signal in (part.kind.signals ?? {})))
      collector.report('unknown-signal', [...path, 'sense'], {
        found: t.sense,
        expected: oneOf(Object.keys(part.kind.signals ?? {})),
      })
    if (t.jumper !== undefined) {
      const bridged = find(t.jumper, [...path, 'jumper'])
      if (bridged && !mayBeBridged(bridged.kind, bridged.choices))
        collector.report('out-of-range', [...path, 'jumper'], {
          found: t.jumper,
          expected: 'a switch that may be bridged; protection is never bridged',
        })
    }
    if (t.moment !== FOUND && !moments.some((m) => m.id === t.moment) && !phases.has(t.moment))
      collector.report('unknown-phase', [...path, 'moment'], {
        found: t.moment,
        expected: oneOf([FOUND, ...moments.map((m) => m.id), ...phases]),
      })
    const minutes = collector.quantity(t.minutes, 'time', [...path, 'minutes']).value / 60
    return [
      {
        id,
        title: t.title,
        jumper: t.jumper,
        part: partId,
        signal,
        by: t.by,
        moment: t.moment,
        minutes,
        caution: t.caution,
      },
    ]
  })
}

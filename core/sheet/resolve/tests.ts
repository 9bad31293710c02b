import type { Sheet } from '../types'
import { entries, oneOf, type Path } from './desk'
import type { Scope } from './scope'

/** Moments of a program at which something is looked at, besides its phases. */
export function resolveMoments({ desk, w, programs }: Scope): Sheet['moments'] {
  return entries(w.moments).map(([id, m]) => {
    if (!programs.has(m.program))
      desk.say('unknown-program', ['moments', id, 'program'], { found: m.program, expected: oneOf(programs) })
    return {
      id,
      title: m.title,
      program: m.program,
      after: desk.quantity(m.after, 'time', ['moments', id, 'after']).value,
    }
  })
}

/** Tests that the sheet adds to what its kinds offer. */
export function resolveTests({ desk, w, find, isAbsent, phases }: Scope, moments: Sheet['moments']): Sheet['tests'] {
  return entries(w.tests).flatMap(([id, t]) => {
    if (isAbsent(t.sense) || isAbsent(t.jumper ?? '')) return []
    const path: Path = ['tests', id]
    const [partId, signal] = t.sense.split('.')
    const part = find(partId, [...path, 'sense'])
    if (part && !(signal in (part.kind.signals ?? {})))
      desk.say('unknown-signal', [...path, 'sense'], {
        found: t.sense,
        expected: oneOf(Object.keys(part.kind.signals ?? {})),
      })
    if (t.jumper !== undefined) {
      const bridged = find(t.jumper, [...path, 'jumper'])
      if (bridged && !bridged.kind.jumperAllowed)
        desk.say('out-of-range', [...path, 'jumper'], {
          found: t.jumper,
          expected: 'a switch that may be bridged; protection is never bridged',
        })
    }
    if (!moments.some((m) => m.id === t.moment) && !phases.has(t.moment))
      desk.say('unknown-phase', [...path, 'moment'], {
        found: t.moment,
        expected: oneOf([...moments.map((m) => m.id), ...phases]),
      })
    const minutes = desk.quantity(t.minutes, 'time', [...path, 'minutes']).value / 60
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

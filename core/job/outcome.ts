import type { Payload, SequencedEvent } from './event-schema'
import type { JobStanding, Proof } from './standing'

/** What was proved of the machine counts no more: something was done to it since. */
export function unprovenAgain(s: JobStanding): JobStanding {
  const { proofs: _, ...rest } = s
  return rest
}

/** A proof taken back. */
export function withoutProof(s: JobStanding, event: string): JobStanding {
  const { [event]: _, ...proofs } = s.proofs ?? {}
  return { ...unprovenAgain(s), ...(Object.keys(proofs).length ? { proofs } : {}) }
}

/** What was decided did not do: it is evidence now, and another decision is due. */
export function undecided(s: JobStanding): JobStanding {
  const { decided: _, followUp: __, ...rest } = unprovenAgain(s)
  return rest
}

const proofOf = ({ seq, at, by }: SequencedEvent, { item, as }: Extract<Payload, { type: 'proven' }>): Proof => ({
  item,
  as,
  seq,
  at,
  by,
})

/** The fold of what is decided, quoted, proved and left: the entries that say nothing of the cause. */
export function applyOutcome(s: JobStanding, e: SequencedEvent): JobStanding {
  const { payload, id: event, seq, at, by } = e
  switch (payload.type) {
    case 'decided': {
      const { repair, as, until, returns } = payload
      const more = { ...(until === undefined ? {} : { until }), ...(returns ? { returns } : {}) }
      const { decided: before } = s
      // The same once more, with another day, was decided when it was decided first: what was proved of it since holds.
      if (before?.repair === repair) {
        const { until: _, returns: __, ...first } = before
        return { ...s, decided: { ...first, as, ...more } }
      }
      return { ...unprovenAgain(s), decided: { event, seq, repair, as, ...more, at, by } }
    }
    case 'quoted': {
      const total = payload.lines.reduce((sum, l) => sum + l.minor, 0)
      return { ...s, quote: { event, total, currency: payload.currency } }
    }
    case 'answered': {
      const { yes, who } = payload
      return s.quote?.event === payload.quote ? { ...s, quote: { ...s.quote, yes, who } } : s
    }
    case 'proven':
      return { ...s, proofs: { ...s.proofs, [event]: proofOf(e, payload) } }
    case 'run':
      return { ...s, watched: { event, seq, over: false } }
    case 'run-over':
      return s.watched?.event === payload.run ? { ...s, watched: { ...s.watched, over: true } } : s
    case 'left-unsafe':
      return { ...s, unsafe: { event, at, by } }
    case 'signed':
    case 'not-signed':
      return payload.for === 'warning' && s.unsafe ? { ...s, unsafe: { ...s.unsafe, answered: true } } : s
    case 'follow-up':
      return { ...s, followUp: { on: payload.on, why: payload.why } }
    default:
      return s
  }
}

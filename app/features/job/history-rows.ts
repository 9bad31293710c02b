import type { Job } from '../../../core/job'
import type { Judged, MachineFacts } from '../../engine'

export interface HistoryRow {
  event: string
  at: string
  by: string
  title: string
  text: string
  verdict: string
  doubt: string
  fits: 'good' | 'edge' | 'bad' | 'none'
  waiting: boolean
  /** What is worth a second look: entered before a closing, or while somebody else worked on the machine. */
  review: string
}

function reviewOf({ late, overlaps }: Job['log'][number]): string {
  if (overlaps.length) return `Taken while ${overlaps.join(' and ')} worked on it too: was it as you left it?`
  return late ? 'Entered before the job was closed, arrived after' : ''
}

/** What was read and what was repaired in vain, newest first. Verdicts go by event; one that the sheet does not know says so. */
export function historyRows(
  job: Job,
  facts: MachineFacts | undefined,
  verdicts: Record<string, Judged>,
  waiting: ReadonlySet<string>,
  settled: boolean,
): HistoryRow[] {
  return job.log
    .flatMap((l): HistoryRow[] => {
      const common = { event: l.event, at: l.at, by: l.by, waiting: waiting.has(l.event), review: reviewOf(l) }
      if (l.type === 'action') {
        const { verb, target } = l.action
        if (verb !== 'repair') return []
        const title = facts?.repairs.find((r) => r.id === target)?.title ?? target ?? ''
        return [{ ...common, title, text: 'done', verdict: 'It still failed', doubt: '', fits: 'none' }]
      }
      const judged = verdicts[l.event]
      return [
        {
          ...common,
          title: judged?.title ?? facts?.tests.find((t) => t.id === l.test)?.title ?? l.test,
          text: judged?.text ?? l.text,
          verdict: judged?.verdict ?? (settled ? 'Not on this sheet: kept, and not counted' : 'judging …'),
          doubt: judged?.doubt ?? '',
          fits: judged?.fits ?? 'none',
        },
      ]
    })
    .toReversed()
}

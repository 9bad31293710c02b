import type { Procedure, TestCatalogue } from '../../diagnosis/catalogue'
import type { Sense } from '../../model/kinds'
import type { Signal } from './course-of'

/** A signal that can be noticed, and by what. */
export interface NoticedSignal extends Signal {
  sense: Sense
}

/** The signal that a test notices with nothing but a sense, the machine as it is; `undefined` for all others. */
export function noticedBy({ measurement: m }: Procedure): NoticedSignal | undefined {
  if (m.type === 'sense') {
    if (m.held || m.leadsOf !== undefined || m.underPressure) return undefined
    return { part: m.part, signal: m.signal, sense: m.sense }
  }
  return m.type === 'watch' || m.type === 'on-time' ? { part: m.part, signal: m.signal, sense: m.sense } : undefined
}

/** Every signal of a machine that one of its tests notices by a sense, once each, in the order of the tests. */
export function noticedSignals({ procedures }: Pick<TestCatalogue, 'procedures'>): NoticedSignal[] {
  const found = new Map<string, NoticedSignal>()
  for (const p of procedures) {
    const own = p.needs.asFound ? undefined : noticedBy(p)
    if (own && !found.has(`${own.part}.${own.signal}`)) found.set(`${own.part}.${own.signal}`, own)
  }
  return [...found.values()]
}

import type { HandAct } from '../../evidence'
import type { Procedure } from './procedure'

/** What hands do for a test, from what it needs open, off and on: its safety follows from that, not from its name. */
export function handActsOf({ workMode, needs, measurement }: Procedure): HandAct[] {
  const acts = new Set<HandAct>()
  const wet: HandAct = needs.power === 'on' ? 'water' : 'hose'
  if (needs.panels.length) acts.add('open')
  for (const { type } of needs.loosened)
    acts.add(type === 'joint' || type === 'insert' ? wet : type === 'held' ? 'reach' : 'terminals')
  if (workMode === 'isolated' || workMode === 'energised') acts.add('terminals')
  if (workMode === 'water') acts.add(wet)
  if (measurement.type === 'worked') acts.add('reach')
  // What was opened or clipped on dead is given its power back.
  if (needs.power === 'on' && (acts.has('open') || acts.has('terminals'))) acts.add('power')
  if (workMode === 'energised') acts.add('live')
  return [...acts]
}

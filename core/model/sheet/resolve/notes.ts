import type { WrittenSheet } from '../schema'
import type { Sheet, SheetPanel } from '../types'
import { endOf } from './chains'
import { entries, type ProblemCollector } from './problem-collector'
import type { Scope } from './scope'

/** What must be opened, and how. */
export const resolvePanels = (collector: ProblemCollector, written: WrittenSheet): SheetPanel[] =>
  entries(written.panels).map(([id, { title, minutes, tools, fasteners, opens, hangs, licensed }]) => ({
    id,
    title,
    minutes: collector.quantity(minutes, 'time', ['panels', id, 'minutes']).value / 60,
    tools: tools ?? [],
    fasteners,
    opens,
    hangs,
    licensed,
  }))

/** Plugs with their pins; what is not fitted is on none. */
export const resolveConnectors = (scope: Scope): Sheet['connectors'] =>
  entries(scope.written.connectors).map(([id, { title, pins }]) => ({
    id,
    title,
    pins: entries(pins).flatMap(([pin, at]) => {
      const ref = scope.isAbsent(at) ? undefined : endOf(scope, at, ['connectors', id, 'pins', pin])
      return ref ? [{ ...ref, pin }] : []
    }),
  }))

/** What is looked at, set and cared for. */
export const resolveUpkeep = ({ written }: Scope): Pick<Sheet, 'asFound' | 'settings' | 'care'> => ({
  asFound: entries(written['as-found']).map(([, text]) => text),
  settings: entries(written.settings).map(([id, s]) => ({ id, title: s.title, found: s.found, usual: s.usual })),
  care: entries(written.care).map(([id, c]) => ({ id, ...c })),
})

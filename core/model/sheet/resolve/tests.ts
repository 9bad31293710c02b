import {
  isPlacedInstrument,
  mayBeBridged,
  PLACED_INSTRUMENT_IDS,
  PLACED_INSTRUMENTS,
  SENSE_IDS,
  type SignalSpec,
} from '../../kinds'
import type { WrittenSheet } from '../schema'
import type { Sheet, SheetTest } from '../types'
import { handSettings } from './control'
import { entries, oneOf, type Path } from './problem-collector'
import type { Scope } from './scope'

/** The moment at which a machine stands as the customer's run left it. */
const FOUND = 'found'

type WrittenTest = NonNullable<NonNullable<WrittenSheet['tests']>[string]>

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

/** For how long something is watched, and what is asked of it. @param isTime whether its moment is a moment of the sheet, not a phase */
function resolveWatch(
  collector: Scope['collector'],
  { watch, asks = 'ever', moment }: WrittenTest,
  isTime: boolean,
  path: Path,
): Pick<SheetTest, 'watched' | 'asks'> {
  if (watch !== undefined && !isTime)
    collector.report('out-of-range', [...path, 'watch'], {
      found: `from ${moment}`,
      expected: 'a moment of the sheet to watch from; a phase is watched to its end',
    })
  if (asks !== 'ever' && (moment === FOUND || (isTime && watch === undefined)))
    collector.report('out-of-range', [...path, 'asks'], {
      found: asks,
      expected: `a phase, or a moment with how long it is watched ("watch: 2 min"), where it is asked ${asks}`,
    })
  const watched = watch === undefined ? undefined : collector.quantity(watch, 'time', [...path, 'watch']).value
  if (watched !== undefined && watched <= 0)
    collector.report('out-of-range', [...path, 'watch'], { found: String(watch), expected: 'a time above 0 s' })
  return { watched, asks }
}

/** A figure is read, not watched, and with an instrument for it. */
function checkFits(
  collector: Scope['collector'],
  { reads, by, watch, asks }: WrittenTest,
  signal: SignalSpec | undefined,
  path: Path,
): void {
  const instrument = isPlacedInstrument(by) ? by : undefined
  if ((reads !== undefined) !== (instrument !== undefined))
    collector.report('out-of-range', [...path, 'by'], {
      found: by,
      expected: reads === undefined ? oneOf(SENSE_IDS) : oneOf(PLACED_INSTRUMENT_IDS),
    })
  if (reads !== undefined && (watch ?? asks) !== undefined)
    collector.report('out-of-range', [...path, watch === undefined ? 'asks' : 'watch'], {
      found: watch ?? asks,
      expected: 'nothing: what is read is read at one moment',
    })
  if (!signal) return
  if (reads === undefined && signal.dimension !== undefined)
    collector.report('wrong-dimension', [...path, 'sense'], {
      found: `a ${signal.dimension}`,
      expected: 'a signal that is true or false; a figure is read ("reads") with an instrument',
    })
  const read = instrument && PLACED_INSTRUMENTS[instrument]
  if (read && (read === 'any' ? signal.dimension === undefined : signal.dimension !== read))
    collector.report('wrong-dimension', [...path, 'reads'], {
      found: signal.dimension ? `a ${signal.dimension}` : 'a signal that is true or false',
      expected: read === 'any' ? 'a figure' : `a ${read}, which a ${instrument} reads`,
    })
}

/** Whether what a test bridges or takes off may be bridged or taken off. */
function checkHands({ collector, find }: Scope, t: WrittenTest, path: Path): void {
  const bridged = t.jumper === undefined ? undefined : find(t.jumper, [...path, 'jumper'])
  if (bridged && !mayBeBridged(bridged.kind, bridged.choices))
    collector.report('out-of-range', [...path, 'jumper'], {
      found: t.jumper!,
      expected: 'a switch that may be bridged; protection is never bridged',
    })
  const lifted = t.lifts === undefined ? undefined : find(t.lifts, [...path, 'lifts'])
  if (lifted && !lifted.kind.leadLifts)
    collector.report('out-of-range', [...path, 'lifts'], {
      found: t.lifts!,
      expected: 'a part with a lead that may be lifted while the machine runs',
    })
}

/** Tests that the sheet adds to what its kinds offer. */
export function resolveTests(scope: Scope, moments: Sheet['moments']): Sheet['tests'] {
  const { collector, written, find, isAbsent, phases } = scope
  return entries(written.tests).flatMap(([id, t]) => {
    const path: Path = ['tests', id]
    const field = t.reads === undefined ? 'sense' : 'reads'
    const of = t[field]
    if (of === undefined || (t.reads !== undefined && t.sense !== undefined)) {
      collector.report('missing', path, {
        found: id,
        expected: 'either what is watched ("sense") or what is read ("reads")',
      })
      return []
    }
    if ([of, t.jumper ?? '', t.lifts ?? '', ...Object.keys(t.holds ?? {})].some(isAbsent)) return []
    const [partId, signal] = of.split('.')
    const part = find(partId, [...path, field])
    const signals = part && (part.kind.signals ?? {})
    if (signals && !(signal in signals))
      collector.report('unknown-signal', [...path, field], { found: of, expected: oneOf(Object.keys(signals)) })
    checkFits(collector, t, signals?.[signal], path)
    checkHands(scope, t, path)
    if (t.moment !== FOUND && !moments.some((m) => m.id === t.moment) && !phases.has(t.moment))
      collector.report('unknown-phase', [...path, 'moment'], {
        found: t.moment,
        expected: oneOf([FOUND, ...moments.map((m) => m.id), ...phases]),
      })
    const { watched, asks } = resolveWatch(
      collector,
      t,
      moments.some((m) => m.id === t.moment),
      path,
    )
    const minutes = collector.quantity(t.minutes, 'time', [...path, 'minutes']).value / 60
    return [
      {
        id,
        title: t.title,
        jumper: t.jumper,
        lifts: t.lifts,
        holds: handSettings(scope, t.holds, [...path, 'holds']),
        part: partId,
        signal,
        by: t.by,
        moment: t.moment,
        watched,
        asks,
        minutes,
        caution: t.caution,
      },
    ]
  })
}

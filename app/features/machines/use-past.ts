import { computed, onMounted, ref, shallowRef } from 'vue'
import type { z } from 'zod'
import { readShopRecordNow } from '../../../shared/contracts/jobs'
import { unitRecord } from '../../../shared/contracts/figures'
import { fetchOrKept } from '../../data/fetched'
import { sheetOf } from '../../data/sheets'
import { useEngine, type Remembered } from '../../engine'

type History = z.infer<(typeof unitRecord)['answer']>

/** What was ever read of one thing, with where a good one lies. */
export interface Trend {
  test: string
  title: string
  dimension: History['readings'][number]['dimension']
  readings: History['readings']
  /** SI */
  band: { least: number; most: number } | undefined
  /** What good ones of such machines have shown, SI. */
  known: readonly number[]
}

/** A machine's own past, beside what the shop has learnt of such machines. Without a connection as it was last. */
export function usePast(person: string, unit: string, revision: string) {
  const engine = useEngine()
  const history = shallowRef<History>()
  const learnt = shallowRef<Remembered>()
  const titles = shallowRef<Record<string, string>>({})
  const trouble = ref('')
  onMounted(async () => {
    const asked = { params: { id: unit } }
    try {
      const [own, record] = await Promise.all([
        fetchOrKept(person, `history:${unit}`, unitRecord, asked),
        fetchOrKept(person, `record-now:${unit}`, readShopRecordNow, asked),
      ])
      history.value = own.value
      // The sheet by itself: what the shop has seen is shown beside it.
      const facts = await engine.open(await sheetOf(revision))
      titles.value = Object.fromEntries(facts.tests.map((t) => [t.id, t.title]))
      learnt.value = await engine.remembered(record.value)
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    }
  })
  /** Those read most often first; a winding that was never read stands with what good ones show. */
  const trends = computed((): Trend[] => {
    // Which stands first is known once the windings are.
    if (!learnt.value) return []
    const byTest = new Map<string, History['readings']>()
    for (const r of history.value?.readings ?? []) byTest.set(r.test, [...(byTest.get(r.test) ?? []), r])
    const windings = new Map((learnt.value?.windings ?? []).map((w) => [w.test, w]))
    return [...byTest]
      .filter(([test]) => titles.value[test] !== undefined)
      .map(([test, readings]) => ({
        test,
        title: titles.value[test]!,
        dimension: readings[0]!.dimension,
        readings,
        band: windings.get(test)?.band,
        known: windings.get(test)?.known ?? [],
      }))
      .sort(
        (a, b) => Number(b.band !== undefined) - Number(a.band !== undefined) || b.readings.length - a.readings.length,
      )
  })
  return { history, learnt, trends, trouble }
}

import { problem, type Problem } from '../foundation/issues'
import { ok, err, type Result } from '../foundation/result'
import { parseQuantity, parseReading, type ReadingShape } from '../foundation/quantity'
import { ACCURACY } from './kit'
import { VERBS, type Action, type Evidence } from './evidence'

/** What names a machine knows; given by the caller, so that this room needs no sheet. */
export interface Vocabulary {
  complaints: readonly string[]
  circumstances: readonly string[]
  tests: readonly string[]
  instruments: readonly string[]
  /** How the reading of a test is written with an instrument; `undefined` when the two do not go together. */
  shapeOf(test: string, instrument: string | undefined): ReadingShape | undefined
  /** A free probe as text: its id among the tests, or what is wrong with it. */
  probe(text: string, instrument: string | undefined): Result<string>
  /** Valid targets of each verb; absent for verbs without a target. */
  targets: Partial<Record<Action['verb'], readonly string[]>>
}

const some = (names: Iterable<string>): string => {
  const all = [...names]
  return `one of ${all.slice(0, 12).join(', ')}${all.length > 12 ? ', …' : ''}`
}

/** A limit of error as written, `1.5 %` or 0.015; `null` where it is none. */
function accuracyOf(written: unknown): number | undefined | null {
  if (written === undefined) return undefined
  const read = typeof written === 'number' ? ok({ value: written }) : parseQuantity(String(written), 'ratio')
  return read.ok && read.value.value >= ACCURACY.least && read.value.value <= ACCURACY.most ? read.value.value : null
}

/**
 * Reads a list of evidence as written in a file: `{complaint}`, `{circumstance}`, `{action: "unplug cold-plug"}`,
 * `{test, reading, instrument?, accuracy?}` or `{probe: "lid.2 to mains.N at fill-cold", reading, instrument?}`, in the order done.
 *
 * @param written the parsed YAML or JSON
 * @returns the evidence, or every mistake with its path
 */
export function readEvidence(written: unknown, words: Vocabulary): Result<Evidence[]> {
  if (!Array.isArray(written))
    return err(problem('wrong-shape', [], { found: typeof written, expected: 'a list of evidence' }))
  const problems: Problem[] = []
  const out: Evidence[] = []
  written.forEach((item: unknown, i) => {
    const entry = (typeof item === 'object' && item !== null ? item : {}) as Record<string, unknown>
    const say = (code: Problem['code'], field: string, found: unknown, expected: string) =>
      problems.push(problem(code, [i, field], { found: String(found), expected }))
    if ('complaint' in entry) {
      const id = String(entry.complaint)
      if (words.complaints.includes(id)) out.push({ type: 'complaint', complaint: id })
      else say('unknown-complaint', 'complaint', id, some(words.complaints))
    } else if ('circumstance' in entry) {
      const id = String(entry.circumstance)
      if (words.circumstances.includes(id)) out.push({ type: 'circumstance', circumstance: id })
      else say('unknown-circumstance', 'circumstance', id, some(words.circumstances))
    } else if ('action' in entry) {
      const [verbText, target, ...tail] = String(entry.action).trim().split(/\s+/)
      const verb = VERBS.find((v) => v === verbText)
      if (!verb) return void say('unknown-action', 'action', entry.action, some(VERBS))
      const targets = words.targets[verb]
      if (tail.length || (targets ? !targets.includes(target) : target !== undefined))
        return void say('unknown-action', 'action', entry.action, targets ? `${verb} and ${some(targets)}` : verb)
      out.push({ type: 'action', action: { verb, target: targets ? target : undefined } })
    } else if ('test' in entry || 'probe' in entry) {
      const field = 'test' in entry ? 'test' : 'probe'
      const instrument = entry.instrument === undefined ? undefined : String(entry.instrument)
      if (instrument !== undefined && !words.instruments.includes(instrument))
        return void say('wrong-shape', 'instrument', instrument, some(words.instruments))
      let id = String(entry[field])
      if (field === 'probe' || (id.includes(' to ') && !words.tests.includes(id))) {
        const probe = words.probe(id, instrument)
        if (!probe.ok) return void problems.push(...probe.problems.map((p) => ({ ...p, place: { path: [i, field] } })))
        id = probe.value
      } else if (!words.tests.includes(id)) return void say('unknown-test', field, id, some(words.tests))
      const shape = words.shapeOf(id, instrument)
      if (!shape) return void say('wrong-shape', 'instrument', instrument, 'an instrument for this test')
      const reading = parseReading(String(entry.reading ?? ''), shape)
      if (!reading.ok)
        return void problems.push(...reading.problems.map((p) => ({ ...p, place: { path: [i, 'reading'] } })))
      const accuracy = accuracyOf(entry.accuracy)
      if (accuracy === null)
        return void say('bad-quantity', 'accuracy', entry.accuracy, 'a share between 0.05 % and 30 %')
      const exact = accuracy === undefined ? {} : { accuracy }
      out.push({ type: 'reading', test: id, value: reading.value, instrument, ...exact })
    } else
      problems.push(
        problem('wrong-shape', [i], {
          found: JSON.stringify(item),
          expected: 'complaint, circumstance, action, test or probe with reading',
        }),
      )
  })
  return problems.length ? err(...problems) : ok(out)
}

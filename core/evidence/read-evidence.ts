import { fine, problem, wrong, type Outcome, type Problem } from '../issue'
import { readReading, type ReadingShape } from '../quantity'
import { VERBS, type Action, type Evidence } from './evidence'

/** What names a machine knows; given by the caller, so that this room needs no sheet. */
export interface Vocabulary {
  complaints: readonly string[]
  /** Shape of the reading of each test. */
  tests: ReadonlyMap<string, ReadingShape>
  instruments: readonly string[]
  /** Valid targets of each verb; absent for verbs without a target. */
  targets: Partial<Record<Action['verb'], readonly string[]>>
}

const some = (names: Iterable<string>): string => {
  const all = [...names]
  return `one of ${all.slice(0, 12).join(', ')}${all.length > 12 ? ', …' : ''}`
}

/**
 * Reads a list of evidence as written in a file: `{complaint}`, `{action: "unplug cold-plug"}` or
 * `{test, reading, instrument?}`, in the order done.
 *
 * @param written the parsed YAML or JSON
 * @returns the evidence, or every mistake with its path
 */
export function readEvidence(written: unknown, words: Vocabulary): Outcome<Evidence[]> {
  if (!Array.isArray(written))
    return wrong(problem('wrong-shape', [], { found: typeof written, expected: 'a list of evidence' }))
  const problems: Problem[] = []
  const out: Evidence[] = []
  written.forEach((item: unknown, i) => {
    const entry = (typeof item === 'object' && item !== null ? item : {}) as Record<string, unknown>
    const say = (code: Problem['code'], field: string, found: unknown, expected: string) =>
      problems.push(problem(code, [i, field], { found: String(found), expected }))
    if ('complaint' in entry) {
      const id = String(entry.complaint)
      if (words.complaints.includes(id)) out.push({ is: 'complaint', complaint: id })
      else say('unknown-complaint', 'complaint', id, some(words.complaints))
    } else if ('action' in entry) {
      const [verbText, target] = String(entry.action).trim().split(/\s+/)
      const verb = VERBS.find((v) => v === verbText)
      if (!verb) return void say('unknown-action', 'action', entry.action, some(VERBS))
      const targets = words.targets[verb]
      if (targets && !targets.includes(target))
        return void say('unknown-action', 'action', entry.action, `${verb} and ${some(targets)}`)
      out.push({ is: 'action', action: { verb, target: targets ? target : undefined } })
    } else if ('test' in entry) {
      const id = String(entry.test)
      const shape = words.tests.get(id)
      if (!shape) return void say('unknown-test', 'test', id, some(words.tests.keys()))
      const reading = readReading(String(entry.reading ?? ''), shape)
      if (!reading.ok)
        return void problems.push(...reading.problems.map((p) => ({ ...p, place: { path: [i, 'reading'] } })))
      const instrument = entry.instrument === undefined ? undefined : String(entry.instrument)
      if (instrument !== undefined && !words.instruments.includes(instrument))
        return void say('wrong-shape', 'instrument', instrument, some(words.instruments))
      out.push({ is: 'reading', test: id, value: reading.value, instrument })
    } else
      problems.push(
        problem('wrong-shape', [i], {
          found: JSON.stringify(item),
          expected: 'complaint, action or test with reading',
        }),
      )
  })
  return problems.length ? wrong(...problems) : fine(out)
}

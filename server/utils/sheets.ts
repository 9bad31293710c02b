import type { Vocabulary } from '../../core/evidence'
import { openBench, vocabularyOf } from '../../core/explain'
import { orThrow } from '../../core/issue'
import type { SafetyNeed, School } from '../../core/job'
import { findProcedure } from '../../core/procedure'
import { readSheet } from '../../core/sheet'

/** A sheet leads to no more than these. */
const MOST_SHEETS = 24

export interface SheetText {
  id: string
  file: string
  text: string
}

/** A shipped sheet, first, with everything that it extends and brings in. */
export async function sheetTexts(id: string): Promise<SheetText[]> {
  const storage = useStorage('assets:library')
  const out: SheetText[] = []
  const wanted = [id]
  for (let next = wanted.shift(); next !== undefined && out.length < MOST_SHEETS; next = wanted.shift()) {
    if (out.some((s) => s.id === next)) continue
    const text: string | null = await storage.getItem<string>(`${next}.yaml`)
    if (text === null) continue
    out.push({ id: next, file: `library/${next}.yaml`, text: String(text) })
    for (const [, other] of String(text).matchAll(/(?:^extends|assembly):\s*([\w-]+)/gm)) wanted.push(other)
  }
  return out
}

export interface SheetFacts {
  /** What evidence about this machine may name, and how its readings are written. */
  vocabulary: Vocabulary
  /** What the customer says, by complaint. */
  says: Map<string, string>
  /** The school of a test or free probe; `undefined` when there is none by this name. */
  schoolOf(test: string, instrument: string | undefined): School | undefined
  needs: SafetyNeed[]
  repairs: Set<string>
}
const known = new Map<string, Promise<SheetFacts>>()

/** What the server must know of a sheet to guard a job: its tests, safety steps and names. */
export function sheetFacts(id: string): Promise<SheetFacts> {
  let facts = known.get(id)
  if (!facts) {
    facts = sheetTexts(id).then((texts) => {
      const sheet = orThrow(readSheet(texts[0].text, texts[0].file, (other) => texts.find((t) => t.id === other)))
      const { bench } = openBench(sheet)
      return {
        vocabulary: vocabularyOf(bench),
        says: new Map(sheet.complaints.map((c) => [c.id, c.says])),
        schoolOf: (test, instrument) => findProcedure(bench, test, instrument)?.school,
        needs: sheet.makeSafe,
        repairs: new Set(sheet.repairs.map((r) => r.id)),
      }
    })
    known.set(id, facts)
    facts.catch(() => known.delete(id))
  }
  return facts
}

/** What a machine is looked for by, and what its codes mean. */
export interface SheetWords {
  words: string[]
  codes: { code: string; title: string; means: string; lamps: string | undefined }[]
}
const worded = new Map<string, Promise<SheetWords>>()

/** The words of a sheet: read only, nothing is run. */
export function sheetWords(id: string): Promise<SheetWords> {
  let words = worded.get(id)
  if (!words) {
    words = sheetTexts(id).then((texts): SheetWords => {
      const sheet = orThrow(readSheet(texts[0].text, texts[0].file, (other) => texts.find((t) => t.id === other)))
      return {
        words: [
          sheet.title,
          ...(sheet.maker ? [sheet.maker] : []),
          ...(sheet.model ? [sheet.model] : []),
          ...sheet.also,
          ...sheet.alarms.flatMap((a) => [a.code, a.title, ...(a.lamps ? [a.lamps] : [])]),
          ...sheet.complaints.map((c) => c.says),
        ],
        codes: sheet.alarms.map(({ code, title, means, lamps }) => ({ code, title, means, lamps })),
      }
    })
    worded.set(id, words)
    words.catch(() => worded.delete(id))
  }
  return words
}

import { computed } from 'vue'
import { findTool, readField, runTool, type ToolField } from '../../../core/measuring'
import { describeFieldProblem, describeProblem, toolWords } from '../../../core/words'
import { textsOf, useKept } from './kept'
import { useSession } from '../session'
import { useUnitSystem } from './use-unit-system'

/** One tool with what is typed into it: kept on this device, so that leaving and coming back loses nothing. */
export function useTool(id: string) {
  const tool = findTool(id)
  const words = toolWords(tool?.id ?? 'heater')
  const { system } = useUnitSystem()
  const { texts, choices } = useKept(`duckweed:tool:${id}`, (found) => {
    const { texts, choices } = (found ?? {}) as { texts?: unknown; choices?: unknown }
    return { texts: textsOf(texts), choices: textsOf(choices) }
  })
  for (const c of tool?.choices ?? []) if (!c.options.includes(choices[c.id] ?? '')) choices[c.id] = c.options[0]!
  const read = (f: ToolField) => {
    const text = texts[f.id]?.trim() ?? ''
    return text === '' ? undefined : readField(f, text, system.value)
  }
  const entered = computed(() => {
    const values: Record<string, number | undefined> = {}
    const refused: Record<string, string> = {}
    for (const f of tool?.fields ?? []) {
      const got = read(f)
      if (!got) continue
      if (!got.ok) refused[f.id] = got.problems.map((p) => describeProblem(p)).join(' ')
      else if (got.value.type === 'value') values[f.id] = got.value.si
      else if (got.value.type === 'open') values[f.id] = Infinity
      else refused[f.id] = 'A number is wanted here.'
    }
    return { values, refused }
  })
  const session = useSession()
  /** How exact the person's own instruments are, where they said so. */
  const own = computed(() => session.person?.kit?.accuracy ?? {})
  const result = computed(() => tool && runTool(tool, { values: entered.value.values, choices }, own.value))
  const problems = computed(() => ({
    ...entered.value.refused,
    ...Object.fromEntries((result.value?.problems ?? []).map((p) => [p.field, describeFieldProblem(p)])),
  }))
  const clear = () => {
    for (const f of tool?.fields ?? []) texts[f.id] = ''
  }
  return { tool, words, texts, choices, entered, result, problems, system, clear }
}
export type ToolState = ReturnType<typeof useTool>

import { reactive, ref, shallowRef } from 'vue'
import { readRows } from './read-rows'

/**
 * A file of rows on its way in: read, previewed by the server, and taken whole or not at all.
 *
 * @param send asks the server; without `commit` for the preview
 * @param most rows at a time
 * @param done once all are taken
 */
export function useRowsImport<A extends { problems: readonly unknown[] }>(
  send: (commit: boolean, rows: Record<string, string>[]) => Promise<A>,
  most: number,
  done: () => unknown,
) {
  const rows = ref<Record<string, string>[]>([])
  const file = ref('')
  const preview = shallowRef<A>()
  const trouble = ref('')
  const busy = ref(false)

  async function ask(commit: boolean): Promise<void> {
    busy.value = true
    try {
      const answer = await send(commit, rows.value)
      preview.value = answer
      trouble.value = ''
      if (commit && !answer.problems.length) await done()
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    } finally {
      busy.value = false
    }
  }
  async function read(event: Event): Promise<void> {
    const chosen = (event.target as HTMLInputElement).files?.[0]
    if (!chosen) return
    preview.value = undefined
    rows.value = []
    file.value = chosen.name
    const found = await readRows(chosen, most)
    if ('fault' in found) trouble.value = found.fault
    else {
      rows.value = found.rows
      await ask(false)
    }
  }
  return reactive({ rows, file, preview, trouble, busy, read, take: () => ask(true) })
}

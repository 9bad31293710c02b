import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

const root = join(import.meta.dirname, '../..')
const SCRIPT = /<script[^>]*>([\s\S]*?)<\/script>/g

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '*.ts', '*.vue', '*.mjs'], {
  cwd: root,
  encoding: 'utf8',
})
  .trim()
  .split('\n')
  .filter((f) => /^(core|shared|app|server|cli|benchmark|scripts)\//.test(f) && existsSync(join(root, f)))
const known = new Set(files)

/** What a file imports of our own, types as well. */
function importsOf(file: string): string[] {
  const text = readFileSync(join(root, file), 'utf8')
  const script = file.endsWith('.vue') ? [...text.matchAll(SCRIPT)].map((m) => m[1]).join('\n') : text
  return ts.preProcessFile(script, true, true).importedFiles.flatMap(({ fileName }) => {
    if (!fileName.startsWith('.')) return []
    const target = normalize(join(dirname(file), fileName))
    return [target, `${target}.ts`, `${target}.mjs`, `${target}/index.ts`].filter((f) => known.has(f)).slice(0, 1)
  })
}

/** The first cycle found by walking on from every file; each file is gone through once. */
function cycleIn(graph: ReadonlyMap<string, readonly string[]>): string[] | undefined {
  const done = new Set<string>()
  const walk = (file: string, path: string[]): string[] | undefined => {
    if (path.includes(file)) return [...path.slice(path.indexOf(file)), file]
    if (done.has(file)) return undefined
    for (const next of graph.get(file) ?? []) {
      const found = walk(next, [...path, file])
      if (found) return found
    }
    done.add(file)
    return undefined
  }
  for (const file of graph.keys()) {
    const found = walk(file, [])
    if (found) return found
  }
  return undefined
}

describe('imports', () => {
  const graph = new Map(files.map((f) => [f, importsOf(f)]))
  it('are seen: nearly every file imports one of ours', () => {
    expect(graph.size).toBeGreaterThan(400)
    expect([...graph.values()].filter((l) => l.length).length).toBeGreaterThan(0.8 * graph.size)
    expect(graph.get('core/diagnosis/catalogue/build-catalogue.ts')?.length).toBeGreaterThan(3)
  })
  it('never come back to where they began, types included', () => {
    expect(cycleIn(graph)).toBeUndefined()
    expect(
      cycleIn(
        new Map([
          ['a', ['b']],
          ['b', ['c']],
          ['c', ['b']],
        ]),
      ),
    ).toEqual(['b', 'c', 'b'])
  })
})

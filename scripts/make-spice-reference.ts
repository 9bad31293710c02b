/**
 * Runs the netlists of the changed sheets through ngspice (Debian's package) and writes what it finds to
 * test/reference/spice.json. Run it again after a change of the netlist writer or of the sheets:
 *
 *     npx tsx scripts/make-spice-reference.ts
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CHANGED } from '../test/core/changed-sheets'
import { netlistsOf } from '../test/core/netlists'

const folder = mkdtempSync(join(tmpdir(), 'spice-'))
const cases = Object.keys(CHANGED).flatMap((name) =>
  netlistsOf(name).map(({ analysis, netlist }) => {
    const file = join(folder, 'case.cir')
    writeFileSync(file, netlist)
    const { stdout } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' })
    const volts: Record<string, [number, number]> = {}
    for (const [, part, node, value] of stdout.matchAll(/^(?:(real|imag)\()?v\(n(\d+)\)\)? = (\S+)/gm)) {
      volts[node] ??= [0, 0]
      volts[node][part === 'imag' ? 1 : 0] = Number(value)
    }
    if (Object.keys(volts).length !== netlist.match(/^print /gm)!.length)
      throw new Error(`ngspice failed on ${name}:\n${stdout}`)
    return { name, analysis, netlist, volts }
  }),
)
rmSync(folder, { recursive: true })
writeFileSync(join(import.meta.dirname, '..', 'test', 'reference', 'spice.json'), `${JSON.stringify(cases, null, 1)}\n`)
console.log(`${cases.length} cases`)

/**
 * Runs netlists through ngspice (Debian's package) and writes what it finds to test/reference: the changed sheets, 200
 * networks drawn from seeds, every element under every instrument, and rectified loads in the time domain. Run it again
 * after a change of the netlist writer or of the cases:
 *
 *     npx tsx scripts/make-spice-reference.ts
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CHANGED } from '../test/core/support/changed-sheets'
import { netlistsOf } from '../test/core/support/netlists'
import {
  ELEMENTS,
  HERTZ,
  INSTRUMENTS,
  measuredNetlist,
  networkNetlist,
  NETWORKS,
} from '../test/core/support/spice-cases'

const folder = mkdtempSync(join(tmpdir(), 'spice-'))
const reference = join(import.meta.dirname, '..', 'test', 'reference')

function ngspice(netlist: string): string {
  const file = join(folder, 'case.cir')
  writeFileSync(file, netlist)
  return spawnSync('ngspice', ['-b', file], { encoding: 'utf8' }).stdout
}

/** Node voltages as real and imaginary part, by node number. */
function voltsOf(netlist: string): Record<string, [number, number]> {
  const stdout = ngspice(netlist)
  const volts: Record<string, [number, number]> = {}
  for (const [, part, node, value] of stdout.matchAll(/^(?:(real|imag)\()?v\(n(\d+)\)\)? = (\S+)/gm)) {
    volts[node] ??= [0, 0]
    volts[node][part === 'imag' ? 1 : 0] = Number(value)
  }
  const wanted = netlist.match(/^print /gm)?.length ?? 0
  if (Object.keys(volts).length !== wanted) throw new Error(`ngspice failed:\n${netlist}\n${stdout}`)
  return volts
}

/** Mean and RMS over ten cycles of a load behind diodes that hardly drop anything. */
function rectified(wave: 'half' | 'full'): { wave: string; mean: number; rms: number } {
  const diodes =
    wave === 'half'
      ? 'D1 in out near\nR0 back 0 1m\n'
      : 'D1 in out near\nD2 low out near\nD3 back in near\nD4 back low near\nR0 low 0 1m\n'
  const stdout = ngspice(`* ${wave} wave
V1 src 0 SIN(0 ${230 * Math.SQRT2} ${HERTZ})
R1 src in 0.5
${diodes}R2 out back 400
.model near D(IS=1e-9 N=0.01)
.options reltol=1e-6
.control
set numdgt=12
tran 2u 0.24 0.04
let load = v(out) - v(back)
meas tran mean AVG load
meas tran rms RMS load
.endc
.end
`)
  const [mean, rms] = ['mean', 'rms'].map((name) =>
    Number(new RegExp(`^${name}\\s*=\\s*(\\S+)`, 'm').exec(stdout)?.[1]),
  )
  if (!(mean > 0 && rms > 0)) throw new Error(`ngspice failed on ${wave} wave:\n${stdout}`)
  return { wave, mean, rms }
}

const write = (name: string, cases: readonly object[]) => {
  writeFileSync(join(reference, name), `[\n${cases.map((c) => ` ${JSON.stringify(c)}`).join(',\n')}\n]\n`)
  console.log(`${name}: ${cases.length} cases`)
}
write(
  'spice.json',
  Object.keys(CHANGED).flatMap((name) =>
    netlistsOf(name).map(({ analysis, netlist }) => ({ name, analysis, netlist, volts: voltsOf(netlist) })),
  ),
)
write(
  'networks.json',
  Array.from({ length: NETWORKS }, (_, seed) => ({
    seed,
    ac: voltsOf(networkNetlist(seed, 'ac')),
    dc: voltsOf(networkNetlist(seed, 'dc')),
  })),
)
write(
  'instruments.json',
  Object.keys(ELEMENTS).flatMap((element) =>
    INSTRUMENTS.map((instrument) => ({
      element,
      instrument,
      volts: voltsOf(measuredNetlist(element, instrument).netlist),
    })),
  ),
)
write('rectified.json', [rectified('full'), rectified('half')])
rmSync(folder, { recursive: true })

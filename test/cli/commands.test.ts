import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { bundle } from '../../scripts/setup/bundle.mjs'
import { advise, Engine } from '../../core/advice'
import { evidenceOf } from '../core/support/sheets'
import { shippedPredictor } from '../core/support/shipped'

const root = join(import.meta.dirname, '../..')
const folder = mkdtempSync(join(tmpdir(), 'cli-'))
const file = (name: string, text: string) => {
  writeFileSync(join(folder, name), text)
  return join(folder, name)
}
// Bundled once: the loader takes seconds at every start. The first test goes the way of `npm run duckweed`.
const program = await bundle(root, 'cli/main.ts')
const run = (...args: string[]) => spawnSync(process.execPath, [program, ...args], { cwd: root, encoding: 'utf8' })

describe('command line', () => {
  it('ends quietly when who reads its output has read enough', () => {
    const r = spawnSync(
      'bash',
      ['-c', 'set -o pipefail; node scripts/bundled.mjs cli/main.ts simulate orrisk-tl40 | head -1'],
      {
        cwd: root,
        encoding: 'utf8',
      },
    )
    expect(r.stderr.replace(/npm warn.*\n/g, '')).toBe('')
    expect(r.stdout.split('\n')).toHaveLength(2)
  })
  it('diagnoses the mini sheets from evidence files', () => {
    for (const [sheet, evidence, cause] of [
      [
        'boiler',
        '- complaint: no-heat\n- { test: tank.level, reading: 220 mm }\n- { test: settled.lasts, reading: never }\n- { test: low.ohms, reading: OL }\n',
        'low.scaled',
      ],
      [
        'irrigation',
        '- complaint: three-dead\n- { test: v3.volts, reading: "26" }\n- { test: v3.ohms, reading: OL }\n',
        'v3.coil-open',
      ],
      [
        'interlocks',
        '- complaint: stands\n- { test: jump-overload, reading: "yes" }\n- { test: relay.click, reading: "no" }\n',
        'overload.stuck-open',
      ],
    ]) {
      const r = run('diagnose', `test/sheets/${sheet}.yaml`, '--evidence', file(`${sheet}.yaml`, evidence), '--json')
      expect(r.stderr).toBe('')
      const out = JSON.parse(r.stdout) as {
        suspects: { faults: string[]; p: number }[]
        unexplained: number
        residual: number
        next: unknown[]
        verdicts: unknown[]
      }
      if (sheet !== 'boiler') expect(out.suspects[0].faults, sheet).toEqual([cause])
      else expect(out.suspects.slice(0, 2).flatMap((s) => s.faults)).toContain(cause)
      expect(out.suspects.reduce((s, x) => s + x.p, 0) + out.unexplained + out.residual).toBeCloseTo(1, 4)
      expect(out.verdicts.length).toBeGreaterThan(0)
    }
  })
  it('says the same as the web, to 1e-9', () => {
    const items = [
      { complaint: 'no-fill' },
      { test: 'cold-valve.volts', reading: '118.6' },
      { test: 'cold-valve.ohms', reading: 'OL' },
    ]
    const out = JSON.parse(
      run('diagnose', 'orrisk-tl40', '--evidence', file('same.json', JSON.stringify(items)), '--json').stdout,
    ) as { suspects: { faults: string[]; p: number }[]; unexplained: number }
    const predictor = shippedPredictor('orrisk-tl40')
    const view = new Engine(predictor).view(advise(predictor, evidenceOf(predictor, ...items)))
    expect(view.suspects.length).toBeGreaterThan(3)
    for (const s of view.suspects)
      expect(out.suspects.find((x) => x.faults.join() === s.faults.join())!.p).toBeCloseTo(s.p, 10)
    expect(out.unexplained).toBeCloseTo(view.unknownFault, 10)
  })
  it('wrong input: exit 1, every mistake, with its place', () => {
    const r = run(
      'diagnose',
      'orrisk-tl40',
      '--evidence',
      file(
        'bad.yaml',
        '- complaint: no-fill\n- { test: cold-valve.ohms, reading: banana }\n- { test: nowhere, reading: 3 }\n',
      ),
    )
    expect(r.status).toBe(1)
    expect(r.stderr).toMatch(/bad\.yaml:2:\d+.*banana/)
    expect(r.stderr).toMatch(/bad\.yaml:3:\d+.*nowhere/)
    expect(run('check', 'ghost').status).toBe(1)
    expect(run('simulate', 'orrisk-tl40', '--fault', 'ghost').status).toBe(1)
    expect(run('frobnicate').status).toBe(1)
    expect(run('constructor').status).toBe(1)
    expect(run('simulate', 'orrisk-tl40', '--set', 'cold-valve.ohms=0 Ω').status).toBe(1)
    expect(run('simulate', 'orrisk-tl40', '--fault', 'cold-plug.corroded=-5').status).toBe(1)
    expect(run('simulate', 'orrisk-tl40', '--sett', 'x').status).toBe(1)
    const unknown = run('simulate', 'orrisk-tl40', '--set', 'cold-valve.banana=1 Ω')
    expect([unknown.status, unknown.stderr]).toEqual([1, expect.stringContaining('cold-valve.banana')])
    expect(run('blind', 'orrisk-tl40', '--seed', 'x').status).toBe(1)
  })
  it('runs every fault at three severities, and says what nothing shows', () => {
    const { outcomes, silent, unheard } = JSON.parse(run('faults', 'orrisk-tl40', '--json').stdout) as {
      outcomes: { fault: string; severity?: string; complaints: string[]; alarms: string[]; ends: string[] }[]
      silent: { fault: string; latent: boolean }[]
      unheard: string[]
    }
    const of = (fault: string) => outcomes.filter((o) => o.fault === fault)
    expect(of('cold-screen.blocked').map((o) => o.severity)).toEqual(['near from', 'middle', 'near to'])
    expect(of('cold-valve.coil-open')).toMatchObject([{ alarms: ['LF'], ends: ['halted'] }])
    expect(silent.every((f) => f.latent)).toBe(true)
    expect(unheard).toEqual([])
  })
  it('hides a fault for a blind call: its complaint, at most five tests, then what it was; another seed, another fault', () => {
    const [one, other] = ['1', '2'].map((seed) => run('blind', 'orrisk-tl40', '--seed', seed).stdout)
    expect(one).toMatch(/^Complaint: .+\n1\. /)
    expect(one).toMatch(/It was: .+ cured by: /)
    expect(one!.match(/^\d\. /gm)!.length).toBeLessThanOrEqual(5)
    expect(other).not.toEqual(one)
  })
  it('describes kinds, and writes a sheet out whole so that it stands by itself', () => {
    const kind = run('kinds', 'float-switch')
    expect(kind.stdout).toContain('on-rise: closes or opens')
    expect(kind.stdout).toContain('trip: must be given, in mm')
    expect(run('kinds', 'flote').status).toBe(1)
    const whole = run('whole', 'tarvost-fl5')
    expect(whole.stdout).not.toMatch(/^extends|assembly:/m)
    expect(run('check', file('whole.yaml', whole.stdout)).stdout).toBe('1 sheet is right.\n')
  })
  it('simulates, lists, predicts and prints a netlist', () => {
    const sim = JSON.parse(run('simulate', 'orrisk-tl40', '--fault', 'cold-stop.shut', '--json').stdout) as {
      alarms: string[]
      complaints: string[]
    }
    expect(sim).toMatchObject({ alarms: ['LF'], complaints: ['no-fill', 'hums', 'code-lf'] })
    const set = JSON.parse(run('simulate', 'orrisk-tl40', '--set', 'cold-main.pressure=0.1 bar', '--json').stdout) as {
      alarms: string[]
    }
    expect(set.alarms).toEqual(['LF'])
    expect(
      (JSON.parse(run('tests', 'orrisk-tl40', '--json').stdout) as { tests: unknown[] }).tests.length,
    ).toBeGreaterThan(40)
    expect(JSON.parse(run('predict', 'orrisk-tl40', '--test', 'cold-valve.ohms', '--json').stdout)).toMatchObject({
      is: 'value',
      mean: 820,
    })
    expect(run('netlist', 'orrisk-tl40', '--at', 'fill-cold').stdout).toContain('.control')
  })
})

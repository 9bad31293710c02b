// Runs a TypeScript entry as the application's build would have it: bundled, without the loader's extra work in hot loops.
//
//     node scripts/bundled.mjs benchmark/run.ts [arguments]
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { bundle } from './setup/bundle.mjs'

const [entry, ...args] = process.argv.slice(2)
const file = await bundle(join(import.meta.dirname, '..'), entry)
process.exitCode =
  spawnSync(process.execPath, ['--enable-source-maps', file, ...args], { stdio: 'inherit' }).status ?? 1

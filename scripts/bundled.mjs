// Runs a TypeScript entry as the application's build would have it: bundled, without the loader's extra work in hot loops.
//
//     node scripts/bundled.mjs benchmark/run.ts [arguments]
import { spawnSync } from 'node:child_process'
import { basename, join } from 'node:path'
import { build } from 'esbuild'

const root = join(import.meta.dirname, '..')
const [entry, ...args] = process.argv.slice(2)
// One folder below the root, as the rooms are: paths made from a module's own folder stay true.
const outfile = join(root, '.bundled', `${basename(entry, '.ts')}.mjs`)
await build({
  entryPoints: [join(root, entry)],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  sourcemap: 'inline',
  // The application's own tsconfig is made by its tools and adds nothing here.
  tsconfigRaw: '{}',
  logLevel: 'warning',
})
process.exitCode =
  spawnSync(process.execPath, ['--enable-source-maps', outfile, ...args], { stdio: 'inherit' }).status ?? 1

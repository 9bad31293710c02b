import { basename, join } from 'node:path'
import { build } from 'esbuild'
import { renameSync } from 'node:fs'

/**
 * Bundles a TypeScript entry as the application's build would have it.
 *
 * @param root folder of the project
 * @param entry path of the entry below it
 * @returns the file to run
 */
export async function bundle(root, entry) {
  // One folder below the root, as the rooms are: paths made from a module's own folder stay true.
  const outfile = join(root, '.bundled', `${basename(entry, '.ts')}.mjs`)
  // Another that is run at the same time never reads half of it.
  const own = `${outfile}.${process.pid}.mjs`
  await build({
    entryPoints: [join(root, entry)],
    outfile: own,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    sourcemap: 'inline',
    // The application's own tsconfig is made by its tools and adds nothing here.
    tsconfigRaw: '{}',
    logLevel: 'warning',
  })
  renameSync(own, outfile)
  return outfile
}

import { join } from 'node:path'
import { build } from 'esbuild'

/** Bundles what compiles sheets for the server's worker threads, beside the built server. */
export async function bundleSheetWorker(serverFolder) {
  await build({
    entryPoints: [join(import.meta.dirname, '../../server/engine/compile-sheet.ts')],
    outfile: join(serverFolder, 'engine/compile-sheet.mjs'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    minifySyntax: true,
    logLevel: 'warning',
    // The application's own tsconfig is made by its tools and adds nothing here.
    tsconfigRaw: '{}',
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url)" },
  })
}

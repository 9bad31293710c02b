import { cpSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'esbuild'
import { run } from './run.mjs'
import { engineState } from './sources.mjs'

const root = join(import.meta.dirname, '../..')

const REQUIRE = "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url)"
/** Some of what is bundled asks where it stands, as only older modules can. */
const OLDER = `${REQUIRE}; const __dirname = import.meta.dirname`

const bundle = (entry, outfile, more = {}) =>
  build({
    entryPoints: [join(root, entry)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    minifySyntax: true,
    logLevel: 'warning',
    // The application's own tsconfig is made by its tools and adds nothing here.
    tsconfigRaw: '{}',
    banner: { js: REQUIRE },
    ...more,
  })

/** Commands of the built server: they need none of the sources. */
const COMMANDS = ['prepare', 'begin']

async function bundleCommands(serverFolder) {
  for (const command of COMMANDS)
    await bundle(`server/database/${command}.ts`, join(serverFolder, 'commands', `${command}.mjs`), {
      // What speaks to other databases is asked for by name, and never here.
      external: ['pg-native', 'pg-hstore'],
      banner: { js: OLDER },
    })
  cpSync(join(root, 'library'), join(serverFolder, '../library'), { recursive: true })
}

/**
 * Bundles what stands beside the built server: what compiles sheets for its worker threads, with what that makes of the shipped ones; what
 * makes reports; its commands.
 */
export async function bundleBesideServer(serverFolder) {
  const engine = join(serverFolder, 'engine')
  await bundle('server/engine/compile-sheet.ts', join(engine, 'compile-sheet.mjs'))
  await bundleReportMaker(engine)
  await bundleCommands(serverFolder)
  const maker = join(root, '.bundled', 'compile-library.mjs')
  await bundle('scripts/setup/compile-library.ts', maker, { packages: 'external' })
  const code = await run(process.execPath, [maker, root, engine, engineState(root)])
  if (code !== 0) throw new Error('The shipped sheets could not be compiled.')
}

/** What makes reports, with its fonts and their licence beside it. */
async function bundleReportMaker(engine) {
  await bundle('server/engine/make-report.ts', join(engine, 'make-report.mjs'), {
    banner: { js: OLDER },
  })
  const fonts = join(engine, 'fonts')
  cpSync(join(root, 'node_modules/pdfmake/fonts/Roboto'), fonts, { recursive: true })
  cpSync(join(root, 'node_modules/@fontsource/roboto/LICENSE'), join(fonts, 'LICENSE'))
}

import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import license from 'rollup-plugin-license'

/**
 * What reaches a browser past the bundler, each by the packages that lead to it: the font by the style sheet, the font of
 * the reports within them, the service worker by its generator.
 */
const BESIDES = [
  ['@fontsource-variable/atkinson-hyperlegible-next'],
  ['@fontsource/roboto'],
  ...['workbox-core', 'workbox-precaching', 'workbox-routing', 'workbox-strategies'].map((name) => [
    '@vite-pwa/nuxt',
    'vite-plugin-pwa',
    'workbox-build',
    name,
  ]),
]

/** What a package states of itself, and the text of its licence. */
function packageBy(names, root) {
  const manifest = names.reduce((from, name) => createRequire(from).resolve(`${name}/package.json`), root)
  const { name, version, license: id } = JSON.parse(readFileSync(manifest, 'utf8'))
  const file = readdirSync(dirname(manifest)).find((f) => /^licen[cs]e/i.test(f))
  return { name, version, license: id, licenseText: file && readFileSync(join(dirname(manifest), file), 'utf8') }
}

const notice = ({ name, version, license: id, licenseText, noticeText }) =>
  [
    `${name} ${version}`,
    `Licence: ${id}`,
    '',
    (licenseText ?? '').trim(),
    ...(noticeText ? ['', noticeText.trim()] : []),
  ]
    .join('\n')
    .trim()

/**
 * The notices of everything that is shipped to a browser, made from what is really in its bundles: those of the pages and
 * those of the workers, which are made within them.
 *
 * @param root package.json of the application
 * @param folder where `licences.txt` is written
 * @returns plugins for the pages and for the workers, in the forms that Vite takes them
 */
export function licenceNotices(root, folder) {
  const shipped = new Map()
  const gather = (packages) => {
    for (const p of packages) shipped.set(`${p.name} ${p.version}`, p)
  }
  const write = () => {
    gather(BESIDES.map((names) => packageBy(names, root)))
    const texts = [...shipped.keys()].sort().map((key) => notice(shipped.get(key)))
    mkdirSync(folder, { recursive: true })
    writeFileSync(join(folder, 'licences.txt'), `${texts.join(`\n\n${'-'.repeat(80)}\n\n`)}\n`)
  }
  return {
    pages: [
      {
        ...license({
          thirdParty: (packages) => {
            gather(packages)
            write()
          },
        }),
        /** @param {{ isSsrBuild?: boolean }} build */
        apply: (_, build) => !build.isSsrBuild,
      },
    ],
    workers: () => [license({ thirdParty: gather })],
  }
}

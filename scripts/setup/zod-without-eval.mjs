const ID = 'zod'
const OWN = '\0zod-without-eval'

/**
 * Has the browser check shapes without making code from text, which a page may not do: whoever imports the package gets it set so, before
 * the first shape is written down.
 */
export const zodWithoutEval = {
  name: 'zod-without-eval',
  enforce: /** @type {const} */ ('pre'),
  resolveId: (/** @type {string} */ id, /** @type {string | undefined} */ importer) =>
    id === ID && importer !== OWN ? OWN : null,
  load: (/** @type {string} */ id) =>
    id === OWN ? `import { config } from 'zod/v4/core'\nconfig({ jitless: true })\nexport * from 'zod'` : null,
}

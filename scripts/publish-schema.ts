/** Writes the JSON Schema of the sheet language to docs/sheet.schema.json: `npm run schema`. */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { sheetShape } from '../core/sheet'

const schema = z.toJSONSchema(sheetShape, { io: 'input' })
writeFileSync(join(import.meta.dirname, '..', 'docs', 'sheet.schema.json'), `${JSON.stringify(schema, null, 2)}\n`)

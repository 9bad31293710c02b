/** Writes what a sheet may say to docs/: its JSON Schema and the page of kinds: `npm run schema`. */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { describeKinds } from '../cli/describe-kinds'
import { sheetSchema } from '../core/model/sheet'

const docs = join(import.meta.dirname, '..', 'docs')
const schema = z.toJSONSchema(sheetSchema, { io: 'input' })
writeFileSync(join(docs, 'sheet.schema.json'), `${JSON.stringify(schema, null, 2)}\n`)
writeFileSync(join(docs, 'kinds.md'), describeKinds())

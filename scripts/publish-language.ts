/** Writes to docs/ what the code alone knows: a sheet's JSON Schema, the kinds, the constants: `npm run schema`. */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { describeCalibration } from './describe-calibration'
import { describeKinds } from '../cli/describe-kinds'
import { sheetSchema } from '../core/model/sheet'

const docs = join(import.meta.dirname, '..', 'docs')
const schema = z.toJSONSchema(sheetSchema, { io: 'input' })
writeFileSync(join(docs, 'sheet.schema.json'), `${JSON.stringify(schema, null, 2)}\n`)
writeFileSync(join(docs, 'kinds.md'), describeKinds())
writeFileSync(join(docs, 'calibration.md'), describeCalibration())

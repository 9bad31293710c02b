/** Writes to docs/ what the code alone knows: a sheet's JSON Schema, the kinds, the constants: `npm run schema`. */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describeCalibration } from './describe-calibration'
import { describeKinds } from '../cli/describe-kinds'
import { sheetJsonSchema } from '../core/model/sheet'

const docs = join(import.meta.dirname, '..', 'docs')
writeFileSync(join(docs, 'sheet.schema.json'), `${JSON.stringify(sheetJsonSchema(), null, 2)}\n`)
writeFileSync(join(docs, 'kinds.md'), describeKinds())
writeFileSync(join(docs, 'calibration.md'), describeCalibration())

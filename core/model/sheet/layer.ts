import { LineCounter, parseDocument, type Document } from 'yaml'
import type { ProblemLocation, Problem } from '../../foundation/issues'
import { ok, err, type Result } from '../../foundation/result'

/** One file of those that a sheet is merged from. */
export interface Layer {
  file: string
  doc: Document
  lines: LineCounter
  raw: unknown
}

/** Mistakes of syntax that a colon in a text makes, as the parser names them. */
const COLON_CODES = new Set([
  'BLOCK_AS_IMPLICIT_KEY',
  'MULTILINE_IMPLICIT_KEY',
  'MISSING_CHAR',
  'BAD_INDENT',
  'BLOCK_IN_FLOW',
])
const COLON_IN_TEXT = /:\s+[^'"[{|>\s][^'"\n]*:\s/

/** What would be right where a text has a colon in it and no quotes round it. */
const hintFor = (code: string, text: string, line: number): { expected?: string } =>
  COLON_CODES.has(code) && COLON_IN_TEXT.test(text.split('\n')[line - 1] ?? '')
    ? { expected: "a text with a colon in it in quotes: 'like this: so'" }
    : {}

/** Reads YAML; each mistake of its syntax with line and column. */
export function parseLayer(file: string, text: string): Result<Layer> {
  const lines = new LineCounter()
  const doc = parseDocument(text, { lineCounter: lines })
  if (doc.errors.length)
    return err(
      ...doc.errors.map((e): Problem => {
        const { line, col } = lines.linePos(e.pos[0])
        const found = e.message.split('\n')[0]
        return { code: 'not-yaml', place: { file, line, column: col, path: [] }, found, ...hintFor(e.code, text, line) }
      }),
    )
  return ok({ file, doc, lines, raw: doc.toJS() as unknown })
}

/** Line and column of a path, from the layer that wrote it last; the nearest written parent when the path itself is absent. */
export function placeIn(layers: Layer[], path: (string | number)[]): ProblemLocation {
  for (let keep = path.length; keep >= 0; keep--)
    for (const layer of layers) {
      const part = path.slice(0, keep)
      const node = (keep === 0 ? layer.doc.contents : layer.doc.getIn(part, true)) as
        { range?: [number, number, number] } | undefined
      if (!node?.range) continue
      const { line, col } = layer.lines.linePos(node.range[0])
      return { file: layer.file, line, column: col, path }
    }
  return { file: layers[0]?.file, path }
}

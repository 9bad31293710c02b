import type { Piece, PieceEnd } from '../diagram'
import type { Machine } from '../model/machine'

/** The piece of a machine that a test is about, with its names: what a small drawing of it shows. */
export interface NamedPiece {
  medium: Piece['medium']
  boxes: { title: string; type: Piece['boxes'][number]['type']; look?: 'eye' | 'ear' | 'hand' }[]
  joints: { left?: NamedEnd; right?: NamedEnd; apart: boolean; skips: boolean }[]
  /** The same in one sentence, for whoever does not see it. */
  text: string
}

export interface NamedEnd {
  /** Name of the terminal or port; empty at a return, whose box says it. */
  name: string
  /** Colour of the wire there, where the sheet says it. */
  colour?: string
  tool?: PieceEnd['tool']
}

const TOOLS: Record<NonNullable<PieceEnd['tool']>, string> = {
  'first-tip': 'first tip',
  'second-tip': 'second tip',
  clamp: 'clamp',
  gauge: 'gauge',
  bucket: 'bucket',
}
const LOOKS = { eye: 'looked at', ear: 'listened to', hand: 'felt' }

/** Names what is drawn of a piece. */
export function describePiece({ parts, kinds, sheet }: Machine, { medium, boxes, joints }: Piece): NamedPiece {
  const isReturn = (part: number, end: string) =>
    kinds[part].returns?.terminal === end && boxes.some((b) => b.type === 'return' && b.part === part)
  const named = ({ part, end, tool }: PieceEnd): NamedEnd => {
    const colour = sheet.colours.find((c) => c.part === parts[part].id && c.terminal === end)?.colour
    return {
      name: isReturn(part, end) ? '' : end,
      ...(colour === undefined ? {} : { colour }),
      ...(tool ? { tool } : {}),
    }
  }
  const titleOf = (box: Piece['boxes'][number]) =>
    box.type === 'return' ? (kinds[box.part].returns?.word ?? parts[box.part].title) : parts[box.part].title
  const titles = boxes.map(titleOf)
  const tools = joints.flatMap(({ left, right }, i) =>
    [left && { end: left, of: titles[i] }, right && { end: right, of: titles[i + 1] }].flatMap((x) =>
      x?.end.tool ? [`${TOOLS[x.end.tool]} at ${[named(x.end).name, x.of].filter(Boolean).join(' of ')}`] : [],
    ),
  )
  const looks = boxes.flatMap((b, i) => (b.look ? [`${titles[i]} is ${LOOKS[b.look]}`] : []))
  return {
    medium,
    boxes: boxes.map((b, i) => ({ title: titles[i], type: b.type, ...(b.look ? { look: b.look } : {}) })),
    joints: joints.map(({ left, right, apart, skips }) => ({
      ...(left ? { left: named(left) } : {}),
      ...(right ? { right: named(right) } : {}),
      apart,
      skips,
    })),
    text: [titles.join(', then '), ...tools, ...looks].join('; '),
  }
}

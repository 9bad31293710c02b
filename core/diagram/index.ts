export { traceLines } from './trace-lines'
export type { TracedLine, TracedLines } from './types'
export { pieceOf, type Piece, type PieceEnd, type PieceJoint } from './piece'
export { ladderOf, type Ladder, type LadderCircuit, type LadderNet, type LadderRung } from './ladder'

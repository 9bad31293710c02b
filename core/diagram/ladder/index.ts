export { ladderOf } from './draw-ladder'
export type { Ladder, LadderCircuit, LadderNet, LadderRung } from './types'

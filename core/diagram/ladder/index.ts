export { ladderOf, railsOf } from './draw-ladder'
export type { Ladder, LadderCircuit, LadderNet, LadderRung, Rails } from './types'

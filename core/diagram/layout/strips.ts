import type { TracedLines } from '..'

/** The lines of a machine one after another, for where there is no room for the picture: parts in the order of their line, each once. */
export interface Strips {
  water: number[]
  power: number[]
  level: number[]
}

/** Water from the supply to the waste, power from the supply to the loads and back, level from the vessel to the control. Pure. */
export function stripsOf({ lanes, levels }: TracedLines): Strips {
  const once = (chains: number[][]) => [...new Set(chains.flat())]
  const wet = lanes.filter((l) => l.water.length || l.waterOut.length || l.vessel !== undefined)
  return {
    water: once(
      wet.map((l) => {
        const vessel = l.vessel === undefined ? [] : [l.vessel]
        return l.empties
          ? [...vessel, ...l.water, l.center, ...l.waterOut]
          : [...l.water, l.center, ...l.waterOut, ...vessel]
      }),
    ),
    power: once(lanes.map((l) => [...l.feed, l.center, ...l.back])),
    level: once(levels.map((l) => [l.vessel, ...l.chain])),
  }
}

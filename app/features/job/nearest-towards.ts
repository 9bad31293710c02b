const TURNS: Record<string, { x: number; y: number }> = {
  ArrowRight: { x: 1, y: 0 },
  ArrowLeft: { x: -1, y: 0 },
  ArrowDown: { x: 0, y: 1 },
  ArrowUp: { x: 0, y: -1 },
}

/**
 * Where an arrow key leads among things drawn on a plane: to the nearest that way, the straighter the better.
 *
 * @returns `undefined` for any other key, or where nothing lies that way
 */
export function nearestTowards<T extends { x: number; y: number }>(
  things: readonly T[],
  at: { x: number; y: number },
  key: string,
): T | undefined {
  const way = TURNS[key]
  if (!way) return undefined
  const far = ({ x, y }: T) => {
    const [dx, dy] = [x - at.x, y - at.y]
    const along = dx * way.x + dy * way.y
    return along <= 0 ? Infinity : along + 2.5 * Math.abs(dx * way.y + dy * way.x)
  }
  return things.filter((t) => far(t) < Infinity).sort((a, b) => far(a) - far(b))[0]
}

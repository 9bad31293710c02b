export interface Step<Node, Label> {
  to: Node
  /** ≥ 0 */
  cost: number
  label: Label
}

export interface Path<Node, Label> {
  cost: number
  /** Labels of the steps, from the start to the goal. */
  labels: Label[]
  goal: Node
}

/**
 * The cheapest path from a node to a goal (Dijkstra 1959). Of paths that cost the same, the one whose node was reached
 * first. Cost n² for n nodes reached: made for graphs of tens of nodes.
 *
 * @param keyOf names a node: two nodes of one key are one
 * @returns `undefined` where no goal can be reached
 */
export function shortestPath<Node, Label>(
  from: Node,
  isGoal: (node: Node) => boolean,
  stepsFrom: (node: Node) => Iterable<Step<Node, Label>>,
  keyOf: (node: Node) => string | number,
): Path<Node, Label> | undefined {
  const open: Path<Node, Label>[] = [{ cost: 0, labels: [], goal: from }]
  const closed = new Set<string | number>()
  while (open.length) {
    let best = 0
    for (let i = 1; i < open.length; i++) if (open[i].cost < open[best].cost) best = i
    const [path] = open.splice(best, 1)
    if (isGoal(path.goal)) return path
    const key = keyOf(path.goal)
    if (closed.has(key)) continue
    closed.add(key)
    for (const { to, cost, label } of stepsFrom(path.goal))
      if (!closed.has(keyOf(to))) open.push({ cost: path.cost + cost, labels: [...path.labels, label], goal: to })
  }
  return undefined
}

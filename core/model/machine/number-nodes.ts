import { DisjointSets } from '../../foundation/disjoint-sets'

/** Numbers the nodes that a list of joints leaves, in the order of first appearance. */
export class NodeNumbers {
  private readonly sets = new DisjointSets()
  private readonly label: string[] = []

  /** Adds an end of a part, a node of its own until it is joined. */
  add(label: string): number {
    this.label.push(label)
    return this.sets.add()
  }
  join(a: number, b: number): void {
    this.sets.join(a, b)
  }
  /** The number of each end's node, how many nodes there are, and which ends each is made of, in words. */
  close(): { of(end: number): number; count: number; labels: string[] } {
    const number = new Map<number, number>()
    const labels: string[] = []
    this.label.forEach((label, i) => {
      const root = this.sets.find(i)
      let n = number.get(root)
      if (n === undefined) {
        n = number.size
        number.set(root, n)
        labels.push(label)
      } else labels[n] += ` = ${label}`
    })
    return { of: (end) => number.get(this.sets.find(end))!, count: number.size, labels }
  }
}

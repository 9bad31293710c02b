/**
 * Disjoint sets of 0 … n−1 (union–find with path halving; Tarjan & van Leeuwen 1984). The representative of a set is its
 * lowest member, whatever the order of joining.
 */
export class DisjointSets {
  private readonly parent: number[]

  /** @param count members to begin with, each a set of its own */
  constructor(count = 0) {
    // Loops, not `from` with a function: every circuit that is solved makes one of these.
    this.parent = new Array<number>(count)
    for (let i = 0; i < count; i++) this.parent[i] = i
  }
  /** Adds a member as a set of its own. @returns its number */
  add(): number {
    return this.parent.push(this.parent.length) - 1
  }
  get size(): number {
    return this.parent.length
  }
  /** Lowest member of the set that `i` is in. Amortised almost constant. */
  find(i: number): number {
    const { parent } = this
    while (parent[i] !== i) i = parent[i] = parent[parent[i]]
    return i
  }
  join(a: number, b: number): void {
    const [x, y] = [this.find(a), this.find(b)]
    this.parent[Math.max(x, y)] = Math.min(x, y)
  }
  /** The representative of every member. */
  representatives(): Int32Array {
    const out = new Int32Array(this.parent.length)
    // A parent is never above its member, so that its own representative stands there already.
    for (let i = 0; i < out.length; i++) out[i] = this.parent[i] === i ? i : out[this.parent[i]]
    return out
  }
}

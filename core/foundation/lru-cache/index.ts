/**
 * The newest of what has been built, at most so many; what has not been asked for lately is built again when it is.
 * Two generations instead of a list: asking costs one or two lookups.
 */
export class LruCache<T> {
  private recent = new Map<string, T>()
  private older = new Map<string, T>()

  /** @param most entries kept at once */
  constructor(private readonly most: number) {}

  get(key: string): T | undefined {
    const found = this.recent.get(key)
    if (found) return found
    const old = this.older.get(key)
    if (old) this.set(key, old)
    return old
  }
  set(key: string, value: T): void {
    if (this.recent.size >= this.most / 2) {
      this.older = this.recent
      this.recent = new Map()
    }
    this.recent.set(key, value)
  }
}

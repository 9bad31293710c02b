import { appendFileSync, existsSync, readFileSync } from 'node:fs'

/**
 * What has been played, one line of JSON each, so that a stop loses nothing and several processes may fill one file. A file
 * stands for one state of the code: what is in it is not played again.
 */
export class Journal<T> {
  private readonly known = new Map<string, T>()

  /** @param file where lines are kept; nothing is kept where it is left out */
  constructor(private readonly file?: string) {
    if (file === undefined || !existsSync(file)) return
    const text = readFileSync(file, 'utf8')
    // What a stop has cut short must not swallow what comes next.
    if (text !== '' && !text.endsWith('\n')) appendFileSync(file, '\n')
    for (const line of text.split('\n')) {
      // A line that a stop has cut short is played again.
      if (!line.endsWith('}')) continue
      const { key, result } = JSON.parse(line) as { key: string; result: T }
      this.known.set(key, result)
    }
  }
  get results(): T[] {
    return [...this.known.values()]
  }
  /** What stands under a key, or what is found now and kept. */
  of(key: string, find: () => T): T {
    const known = this.known.get(key)
    if (known !== undefined) return known
    const result = find()
    this.keep(key, result)
    return result
  }
  has(key: string): boolean {
    return this.known.has(key)
  }
  keep(key: string, result: T): void {
    this.known.set(key, result)
    if (this.file !== undefined) appendFileSync(this.file, `${JSON.stringify({ key, result })}\n`)
  }
}

/** Which addresses a path with `:name` in it stands for; a slash at the end changes nothing. */
const patternOf = (path: string): RegExp =>
  new RegExp(`^${path.replace(/\/$/, '').replace(/:\w+/g, '[^/]+') || ''}/?$`, 'i')

/** Tells of any address whether it is one of these, each with `:name` where anything may stand. */
export function addresses(paths: readonly string[]): (address: string) => boolean {
  const patterns = paths.map(patternOf)
  return (address) => patterns.some((p) => p.test(address))
}

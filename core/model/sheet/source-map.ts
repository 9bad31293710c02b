import type { Problem } from '../../foundation/issues'
import { assemblyUsesOf, type AssemblyUse } from './assembly-uses'
import { placeIn, type Layer } from './layer'

type Path = (string | number)[]

/** Where everything that a sheet comes to was written. Never changed once made. */
export class SourceMap {
  private readonly uses: readonly AssemblyUse[]

  /**
   * @param layers the sheet and those it extends, nearest first; at least one
   * @param own what they come to, sub-assemblies still named
   */
  constructor(
    private readonly layers: Layer[],
    own: unknown,
  ) {
    this.uses = assemblyUsesOf(own)
  }

  /** Problems with file, line and column: first those of the file that was read, in the order of writing, then those of the files that it uses. */
  locate(problems: readonly Problem[]): Problem[] {
    return problems
      .map((p) => ({ ...p, place: placeIn(this.layers, this.writtenPath(p.place.path)) }))
      .sort(this.asWritten)
  }

  /** What came in with a sub-assembly stands where the sheet brings it in. */
  private writtenPath(path: Path): Path {
    const use = this.uses.find((u) => String(path[1] ?? '').startsWith(`${u.prefix}-`))
    const written = this.layers.some((l) => l.doc.hasIn(path.slice(0, 2)))
    return use && !written ? ['parts', use.prefix] : path
  }

  private readonly asWritten = (a: Problem, b: Problem): number => {
    const read = this.layers[0].file
    const far = ({ place }: Problem) => (place.file === read ? '' : (place.file ?? ''))
    return (
      far(a).localeCompare(far(b)) ||
      (a.place.line ?? 0) - (b.place.line ?? 0) ||
      (a.place.column ?? 0) - (b.place.column ?? 0)
    )
  }
}

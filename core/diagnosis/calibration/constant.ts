/** A constant of the model, with what it stands for and where it comes from. */
export interface Constant<T> {
  readonly value: T
  /** SI, or `1` for shares and chances, `count` for counts. */
  readonly unit: string
  readonly meaning: string
  /** A publication, the physics, or the command whose figures it was chosen by. */
  readonly source: string
}

type Section = Readonly<Record<string, Constant<unknown>>>
export type CalibrationRecord = Readonly<Record<string, Section>>

/** The values of a record, by section and name. */
export type ValuesOf<R extends CalibrationRecord> = {
  readonly [S in keyof R]: { readonly [Name in keyof R[S]]: R[S][Name]['value'] }
}

/** The values of a record alone, as the engine uses them. */
export function valuesOf<R extends CalibrationRecord>(record: R): ValuesOf<R> {
  const values = (section: Section) => Object.fromEntries(Object.entries(section).map(([name, c]) => [name, c.value]))
  return Object.fromEntries(Object.entries(record).map(([name, section]) => [name, values(section)])) as ValuesOf<R>
}

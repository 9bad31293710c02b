import type { ParseArgsConfig } from 'node:util'

export type Options = NonNullable<ParseArgsConfig['options']>

/** What a command is given: its options by name, a list where one may be given more than once. */
export type Given = Readonly<Record<string, string | boolean | (string | boolean)[] | undefined>>

export interface Command {
  name: string
  /** What stands behind the name. */
  usage: string
  /** The only options it takes. */
  options: Options
  /** @returns what is printed as JSON; `undefined` where the command has printed what it had to say */
  run(sheets: string[], given: Given): unknown
}

export const text = { type: 'string' } as const
export const texts = { type: 'string', multiple: true } as const
export const flag = { type: 'boolean' } as const

/** An option that is given at most once. */
export const one = (given: Given, name: string): string | undefined => given[name] as string | undefined
/** An option that may be given again and again. */
export const many = (given: Given, name: string): string[] => (given[name] ?? []) as string[]

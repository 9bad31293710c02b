/** A setting of a machine with what is known of it. */
export interface SettingSaid {
  title: string
  /** How it was found and how it is left, as it was written down. */
  found: string | undefined
  left: string | undefined
  usual: string | undefined
}

/** @example describeSetting({ title: 'hardness', found: '3', left: '4', usual: undefined }) is "hardness: found at 3, left at 4" */
export function describeSetting({ title, found, left, usual }: SettingSaid): string {
  const said = [
    ...(found === undefined ? [] : [`found at ${found}`]),
    ...(left === undefined ? [] : [`left at ${left}`]),
    ...(found === undefined && left === undefined ? ['not looked at'] : []),
    ...(usual === undefined ? [] : [`usually ${usual}`]),
  ]
  return `${title}: ${said.join(', ')}`
}

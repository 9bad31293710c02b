import { findKind, KINDS } from '../../core/model/kinds'
import type { Command } from '../command'
import { describeKind, describeKinds } from '../describe-kinds'
import { fail } from '../input'

/** What a sheet may say of each kind of part. */
export const kinds: Command = {
  name: 'kinds',
  usage: '[KIND]',
  options: {},
  run([name]) {
    const kind = name === undefined ? undefined : findKind(name)
    if (name !== undefined && !kind) fail('unknown-kind', ['KIND'], name, KINDS.map((k) => k.id).join(', '))
    console.log(kind ? describeKind(kind) : describeKinds())
    return undefined
  },
}

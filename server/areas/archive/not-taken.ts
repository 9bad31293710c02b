import type { ArchiveFault } from '../../../core/archive'

/** Thrown while a file is taken in: nothing of it stays. */
export class NotTaken extends Error {
  constructor(readonly fault: ArchiveFault) {
    super(fault.code)
  }
}

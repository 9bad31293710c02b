import { randomBytes } from 'node:crypto'
import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import pLimit from 'p-limit'
import { apiError } from '../../platform/errors'

/**
 * Cost of a password's hash: 32 MiB three times over, one of the settings that the password storage guide of OWASP gives for scrypt
 * (2023) as worth the same.
 */
const COST = { cost: 2 ** 15, blockSize: 8, parallelization: 3, maxMemory: 64 * 1024 * 1024 }
/** Hashes at a time: half of the threads that a process has for such work stay free for everybody else. */
const AT_A_TIME = 2
/** So many wait; who comes later is told to come back. */
const MOST_WAITING = 24
/** s */
const COME_BACK = 3

const hasher = new Hash(new Scrypt(COST))
const inTurn = pLimit(AT_A_TIME)

/** Bytes of chance in a password that is made for somebody. */
const FIRST_BYTES = 12
/** A password for somebody who has none yet: said once, and chosen anew by its person. */
export const firstPassword = (): string => randomBytes(FIRST_BYTES).toString('base64url')

/** The hash of a password, for keeping. */
export const hashPassword = (password: string): Promise<string> => inTurn(() => hasher.make(password))

/**
 * Whether a password is the one that was hashed.
 *
 * @throws 429 where too many wait already
 */
export function isPassword(hash: string, password: string): Promise<boolean> {
  if (inTurn.pendingCount >= MOST_WAITING) throw apiError(429, 'busy', undefined, undefined, COME_BACK)
  return inTurn(() => hasher.verify(hash, password))
}

/** Whether a hash costs less than one that is made today. */
export const isCheap = (hash: string): boolean => hasher.needsReHash(hash)

let nobodys: Promise<string> | undefined
/** A wrong name costs the same work as a wrong password. */
export const nobodysHash = (): Promise<string> => (nobodys ??= hashPassword('nobody signs in with this'))

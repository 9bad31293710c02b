/**
 * `npm run attack [-- NAME …]`: what strangers, mistakes and failing machines can do to people who work, each against a server of its own on
 * loopback; all of them, or those that are named.
 *
 *     node scripts/bundled.mjs benchmark/attack.ts malformed kills
 */
import { kills } from './attack/kills'
import { malformed } from './attack/malformed'
import { many } from './attack/many'
import { senders } from './attack/senders'
import { strangers } from './attack/strangers'

const ATTACKS = { malformed, strangers, senders, many, kills }
type Name = keyof typeof ATTACKS
const isName = (name: string): name is Name => name in ATTACKS

const asked = process.argv.slice(2)
const unknown = asked.filter((name) => !isName(name))
if (unknown.length) {
  console.error(`There is no ${unknown.join(', ')}; there are ${Object.keys(ATTACKS).join(', ')}.`)
  process.exitCode = 1
} else for (const name of asked.length ? asked.filter(isName) : (Object.keys(ATTACKS) as Name[])) await ATTACKS[name]()

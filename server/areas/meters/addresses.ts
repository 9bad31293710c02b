import { lookup } from 'node:dns/promises'
import { BlockList, isIP } from 'node:net'

/** Where no meter is: this computer, and what is reached without a router by nobody's choice. Only where the server is set to. */
const LOCAL = new BlockList()
LOCAL.addSubnet('127.0.0.0', 8, 'ipv4')
LOCAL.addSubnet('169.254.0.0', 16, 'ipv4')
LOCAL.addAddress('::1', 'ipv6')
LOCAL.addSubnet('fe80::', 10, 'ipv6')
/** Where no line goes at all: nowhere, many at once, everybody, and what hides another address. */
const NEVER = new BlockList()
NEVER.addSubnet('0.0.0.0', 8, 'ipv4')
NEVER.addSubnet('224.0.0.0', 4, 'ipv4')
NEVER.addSubnet('240.0.0.0', 4, 'ipv4')
NEVER.addAddress('::', 'ipv6')
NEVER.addSubnet('ff00::', 8, 'ipv6')
NEVER.addSubnet('64:ff9b::', 96, 'ipv6')

/** An IPv4 address that is written as an IPv6 one, as itself. */
function plain(address: string): string {
  const dotted = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)
  if (dotted) return dotted[1]!
  const hex = /^::ffff:([\da-f]{1,4}):([\da-f]{1,4})$/i.exec(address)
  if (!hex) return address
  const [high, low] = [parseInt(hex[1]!, 16), parseInt(hex[2]!, 16)]
  return [high >> 8, high & 255, low >> 8, low & 255].join('.')
}

/** Whether the server may open a line to an address. @param local whether it is set to reach loopback and link-local ones */
export function mayReach(address: string, local: boolean): boolean {
  const own = plain(address.replace(/%.*$/, ''))
  const family = isIP(own)
  if (!family) return false
  const type = family === 6 ? 'ipv6' : 'ipv4'
  return !NEVER.check(own, type) && (local || !LOCAL.check(own, type))
}

/** Whether this server may reach loopback and link-local addresses. */
export const localIsAllowed = (): boolean => process.env.METER_LOCAL === '1'

export type Resolved = { ok: true; address: string } | { ok: false; why: 'not-found' | 'address-refused' }

/** What a host means now. One of its addresses that must not be reached refuses the host. */
export async function resolveHost(host: string): Promise<Resolved> {
  const found = isIP(host)
    ? [host]
    : await lookup(host, { all: true }).then(
        (l) => l.map((a) => a.address),
        () => [],
      )
  const [first] = found
  if (first === undefined) return { ok: false, why: 'not-found' }
  return found.every((a) => mayReach(a, localIsAllowed()))
    ? { ok: true, address: first }
    : { ok: false, why: 'address-refused' }
}

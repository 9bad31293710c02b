import { createHash, randomBytes } from 'node:crypto'
import { deleteCookie, getCookie, getRequestProtocol, setCookie, type H3Event } from 'h3'

const NAME = 'duckweed'
/** How long a session lasts without being renewed, s. */
export const SESSION_SECONDS = 60 * 60 * 24 * 7

/** Only the hash of a token is kept: who reads the table cannot use it. */
export const hashToken = (token: string): Buffer => createHash('sha256').update(token).digest()

export const newToken = (): string => randomBytes(32).toString('base64url')

/** Whether the browser came over TLS: to this server, or to a proxy that it was told to trust. */
const isSecure = (event: H3Event): boolean =>
  getRequestProtocol(event, { xForwardedProto: process.env.TRUSTED_PROXY === '1' }) === 'https'

export const readToken = (event: H3Event): string | undefined => getCookie(event, NAME)

export function giveToken(event: H3Event, token: string): void {
  setCookie(event, NAME, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure(event),
    path: '/',
    maxAge: SESSION_SECONDS,
  })
}

const DEVICE = 'duckweed-device'
/** A device is known for so long after somebody signed in on it, s. */
export const DEVICE_SECONDS = 60 * 60 * 24 * 365

/** What a browser is known by, where somebody has signed in on it; it opens nothing. */
export const readDevice = (event: H3Event): string | undefined => getCookie(event, DEVICE)

export function giveDevice(event: H3Event, token: string): void {
  setCookie(event, DEVICE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure(event),
    path: '/api/session',
    maxAge: DEVICE_SECONDS,
  })
}

export const takeToken = (event: H3Event): void => deleteCookie(event, NAME, { path: '/' })

import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { v7 as uuidv7 } from 'uuid'
import { jobEvent } from '../../test/browser/place'
import { serveWith } from '../served'
import { printRows } from '../table'

const KILLS = 36
const FULL_DISKS = 2
const SENDERS = 20
/** A disk that is soon full, MB. */
const DISK = 400
const UNIT = '01900000-0000-7000-8000-000000000101'
const pause = (ms: number) => new Promise((go) => setTimeout(go, ms))

/** A small disk of its own for the database. @returns its folder and how it is given back; none where it may not be made */
function smallDisk(): { folder: string; close(): void } | undefined {
  const folder = join(tmpdir(), `small-disk-${process.pid}`)
  mkdirSync(folder, { recursive: true })
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK}m,mode=0755`, 'tmpfs', folder])
  } catch {
    rmSync(folder, { recursive: true })
    return undefined
  }
  const close = () => {
    execFileSync('umount', [folder])
    rmSync(folder, { recursive: true })
  }
  return { folder, close }
}

/** Leaves no room on a disk for a while. @returns whether it was full to the end of that */
async function fillDisk(folder: string): Promise<boolean> {
  const filler = join(folder, 'filler')
  const { bavail, bsize } = statfsSync(folder)
  try {
    writeFileSync(filler, Buffer.alloc(bavail * bsize))
  } catch {
    // Somebody else took the rest meanwhile: it is full.
  }
  await pause(8000)
  const isFull = statfsSync(folder).bavail === 0
  rmSync(filler)
  return isFull
}

/** Writes without a pause, each entry again and again until it is answered for, as a device does; until it is told to stop. */
function write(url: string, cookie: string) {
  const acknowledged = new Set<string>()
  let over = false
  const send = async (job: string, event: ReturnType<typeof jobEvent>): Promise<void> => {
    while (!over) {
      try {
        const answer = await fetch(`${url}/api/jobs/${job}/events`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie },
          body: JSON.stringify({ events: [event] }),
          signal: AbortSignal.timeout(20_000),
        })
        const { results } = (await answer.json()) as { results?: { id: string; status: string }[] }
        if (answer.ok && results?.every((r) => r.status === 'accepted' || r.status === 'duplicate')) {
          acknowledged.add(event.id)
          return
        }
      } catch {
        // Nobody answered: it is sent again.
      }
      await pause(100)
    }
  }
  const all = Array.from({ length: SENDERS }, async () => {
    const job = uuidv7()
    await send(job, jobEvent({ type: 'opened', unit: UNIT, complaints: ['no-fill'], words: '' }))
    for (let i = 0; !over; i++) await send(job, jobEvent({ type: 'note', text: `${i}` }))
  })
  const stop = async () => {
    over = true
    await Promise.all(all)
  }
  return { acknowledged, stop }
}

/** Ends what serves, twelve times each: the server, the database as a whole, single ones of its processes; then fills its disk. */
export async function kills(): Promise<void> {
  const disk = smallDisk()
  const served = await serveWith('attack-kills', 'bare', disk?.folder)
  const cookie = await served.signIn('mara@ebb.example', 'low-tide-4-pumps')
  const asOwner = async <T extends object>(text: string, values?: unknown[]): Promise<T[]> => {
    const owner = new pg.Client({ connectionString: served.ownerUrl })
    owner.on('error', () => undefined)
    await owner.connect()
    try {
      return (await owner.query(text, values)).rows as T[]
    } finally {
      await owner.end().catch(() => undefined)
    }
  }
  const writing = write(served.url, cookie)
  const growing = async (by: number) => {
    const from = writing.acknowledged.size
    for (let i = 0; i < 300 && writing.acknowledged.size < from + by; i++) await pause(100)
  }
  let full = 0
  try {
    for (let i = 0; i < KILLS; i++) {
      await growing(40)
      if (i % 3 === 0) await served.crash()
      else if (i % 3 === 1) await served.databaseCrash()
      else {
        const [one] = await asOwner<{ pid: number }>(
          "SELECT pid FROM pg_stat_activity WHERE usename = 'duckweed_app' ORDER BY random() LIMIT 1",
        )
        if (one) process.kill(one.pid, 'SIGKILL')
      }
    }
    for (let i = 0; disk && i < FULL_DISKS; i++) {
      await growing(40)
      if (await fillDisk(disk.folder)) full++
      // A database that gave up for want of room is started again by whoever looks after it.
      await served.databaseCrash()
    }
    await growing(40)
    await writing.stop()
    const ids = [...writing.acknowledged]
    const rows = await asOwner<{ id: string; n: string }>(
      'SELECT id, count(*) AS n FROM job_events WHERE id = ANY($1::uuid[]) GROUP BY id',
      [ids],
    )
    const gaps = await asOwner('SELECT job_id FROM job_events GROUP BY job_id HAVING max(seq) <> count(*)')
    printRows(`${KILLS} kills and ${full} full disks under ${SENDERS} senders`, [
      { what: 'acknowledged and lost', figure: ids.length - rows.length, unit: '', most: 0, of: ids.length },
      { what: 'twice', figure: rows.filter((r) => Number(r.n) > 1).length, unit: '', most: 0 },
      { what: 'jobs with a gap', figure: gaps.length, unit: '', most: 0 },
      { what: 'full disks', figure: full, unit: '', least: FULL_DISKS },
    ])
  } finally {
    await writing.stop()
    await served.stop()
    disk?.close()
  }
}

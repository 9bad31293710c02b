import { createHash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { open as openFile } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { fromBufferPromise, openPromise, type Entry, type ZipFile as OpenZip } from 'yauzl'
import { ZipFile } from 'yazl'
import {
  ARCHIVE_VERSION,
  readContents,
  readTitle,
  type ArchiveContents,
  type ArchiveFault,
  type ArchiveFormat,
} from '../../../core/archive'

const TITLE = 'duckweed.json'
const CONTENTS = 'contents.json'
/** The two that describe the others are no longer than this, bytes. */
const MOST_DESCRIBED = 20_000_000

/** One file of an archive: its name, and what stands in it, asked for when its turn comes. */
export interface ArchivedFile {
  name: string
  read: () => AsyncIterable<string | Uint8Array>
}

/** Counts and hashes what goes through. */
function weigh(name: string, contents: ArchiveContents): Transform {
  const hash = createHash('sha256')
  let bytes = 0
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      hash.update(chunk)
      bytes += chunk.length
      done(null, chunk)
    },
    flush(done) {
      contents.files.push({ name, bytes, sha256: hash.digest('hex') })
      done()
    },
  })
}

/**
 * Writes an archive: what it is, its files one after the other, and last what each of them weighs and hashes to.
 *
 * @param path of a file that is made anew
 */
export async function writeZip(
  path: string,
  title: { format: ArchiveFormat; organisation: string; madeAt: Date },
  files: readonly ArchivedFile[],
): Promise<void> {
  const zip = new ZipFile()
  const contents: ArchiveContents = { files: [] }
  const { format, organisation, madeAt } = title
  const said = { format, version: ARCHIVE_VERSION, made_at: madeAt.toISOString(), organisation }
  zip.addBuffer(Buffer.from(JSON.stringify(said)), TITLE)
  for (const { name, read } of files)
    zip.addReadStreamLazy(name, { compress: !name.endsWith('.jpg') }, (done) => {
      const source = Readable.from(read())
      const weighed = weigh(name, contents)
      source.on('error', (error) => weighed.destroy(error))
      done(null, source.pipe(weighed))
    })
  zip.addReadStreamLazy(CONTENTS, (done) => done(null, Readable.from([JSON.stringify(contents)])))
  const out = zip.outputStream as Readable
  zip.on('error', (error: Error) => out.destroy(error))
  zip.end()
  await pipeline(out, createWriteStream(path))
}

/** An archive that is read: its files by name. */
export class ReadZip {
  private constructor(
    private readonly zip: OpenZip,
    private readonly entries: ReadonlyMap<string, Entry>,
    private readonly contents: ArchiveContents,
  ) {}

  /**
   * Opens a file or what was sent.
   *
   * @param most bytes that all of it may come to, unpacked
   * @returns what is wrong with it as a whole, before any of its rows is read
   */
  static async open(from: string | Buffer, format: ArchiveFormat, most = Infinity): Promise<ReadZip | ArchiveFault[]> {
    if (!(await beginsLikeZip(from))) return [{ code: 'not-an-archive' }]
    const options = { lazyEntries: true, autoClose: false }
    let zip: OpenZip
    const entries = new Map<string, Entry>()
    try {
      zip = await (typeof from === 'string' ? openPromise(from, options) : fromBufferPromise(from, options))
    } catch {
      return [{ code: 'truncated' }]
    }
    const twice: ArchiveFault[] = []
    try {
      for await (const entry of zip.eachEntry()) {
        if (entries.has(entry.fileName)) twice.push({ code: 'twice', file: entry.fileName, fact: entry.fileName })
        entries.set(entry.fileName, entry)
      }
    } catch {
      zip.close()
      return [{ code: 'truncated' }]
    }
    if ([...entries.values()].reduce((sum, e) => sum + e.uncompressedSize, 0) > most) {
      zip.close()
      return [{ code: 'too-large' }]
    }
    const bare = new ReadZip(zip, entries, { files: [] })
    const title = readTitle(await bare.json(TITLE), format)
    const there = [...entries.keys()].filter((n) => n !== TITLE && n !== CONTENTS)
    const contents = 'code' in title ? [title] : readContents(await bare.json(CONTENTS), there)
    if (twice.length || Array.isArray(contents)) {
      zip.close()
      return twice.length ? twice : (contents as ArchiveFault[])
    }
    return new ReadZip(zip, entries, contents)
  }

  close(): void {
    this.zip.close()
  }

  has(name: string): boolean {
    return this.entries.has(name)
  }

  private async json(name: string): Promise<unknown> {
    const entry = this.entries.get(name)
    if (!entry || entry.uncompressedSize > MOST_DESCRIBED) return undefined
    try {
      return JSON.parse((await this.bytes(name)).toString()) as unknown
    } catch {
      return undefined
    }
  }

  private stream(name: string): Promise<Readable> {
    return this.zip.openReadStreamPromise(this.entries.get(name)!)
  }

  async bytes(name: string): Promise<Buffer> {
    const parts: Buffer[] = []
    for await (const part of await this.stream(name)) parts.push(part as Buffer)
    return Buffer.concat(parts)
  }

  /** The lines of a file, as they are written in it; none where it is not there. */
  async *lines(name: string): AsyncGenerator<string> {
    if (!this.entries.has(name)) return
    const input = await this.stream(name)
    let failed: Error | undefined
    input.on('error', (error: Error) => (failed = error))
    for await (const line of createInterface({ input, crlfDelay: Infinity })) if (line) yield line
    if (failed) throw failed
  }

  /** Files that are not what was written. */
  async damaged(): Promise<ArchiveFault[]> {
    const out: ArchiveFault[] = []
    for (const { name, bytes, sha256 } of this.contents.files) {
      const whole = await this.weighed(name).catch(() => undefined)
      if (whole?.bytes !== bytes || whole.sha256 !== sha256) out.push({ code: 'damaged', file: name })
    }
    return out
  }

  private async weighed(name: string): Promise<{ bytes: number; sha256: string }> {
    const hash = createHash('sha256')
    let bytes = 0
    for await (const part of await this.stream(name)) {
      bytes += (part as Buffer).length
      hash.update(part as Buffer)
    }
    return { bytes, sha256: hash.digest('hex') }
  }
}

/** The first bytes of every such file. */
const BEGINS = 'PK\u0003\u0004'
async function beginsLikeZip(from: string | Buffer): Promise<boolean> {
  const head = Buffer.alloc(BEGINS.length)
  if (typeof from !== 'string') from.copy(head)
  else {
    const file = await openFile(from)
    await file.read(head, 0, head.length, 0).finally(() => file.close())
  }
  return head.toString('latin1') === BEGINS
}

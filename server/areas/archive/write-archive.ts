import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { photoFile, rowsFile, tablesOf } from '../../../core/archive'
import { now } from '../../platform/clock'
import { findPhoto } from '../photos/service'
import { asOfOneMoment, linesOf, photosIn, type ArchiveOf } from './read-repository'
import { writeZip, type ArchivedFile } from './zip'

/** An archive that was made, as a file of its own until it is let go. */
export interface MadeArchive {
  path: string
  discard: () => Promise<void>
}

/** Writes an archive of an organisation, or of one of its jobs, as it stands at this moment. */
export async function makeArchive(of: ArchiveOf, organisationName: string): Promise<MadeArchive> {
  const folder = await mkdtemp(join(tmpdir(), 'duckweed-'))
  const discard = () => rm(folder, { recursive: true, force: true })
  const path = join(folder, 'archive.zip')
  try {
    await asOfOneMoment(async (transaction) => {
      const photos = await photosIn(of, transaction)
      const files: ArchivedFile[] = [
        ...tablesOf(of.format).map((table) => ({ name: rowsFile(table), read: () => linesOf(of, table, transaction) })),
        ...photos.map((hash) => ({
          name: photoFile(hash),
          read: async function* () {
            yield (await findPhoto(of.organisation, hash, transaction))!
          },
        })),
      ]
      await writeZip(path, { format: of.format, organisation: organisationName, madeAt: now() }, files)
    })
  } catch (error) {
    await discard()
    throw error
  }
  return { path, discard }
}

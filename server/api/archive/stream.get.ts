import { defineEventHandler, sendStream, setResponseHeaders } from 'h3'
import { exportArchive } from '../../areas/archive/service'
import { requireUser } from '../../areas/session/service'
import { withDatabase } from '../../platform/database'
import { apiError } from '../../platform/errors'

/** Everything that the organisation owns, as one file. */
export default defineEventHandler(async (event) => {
  const { stream, bytes } = await withDatabase(async () => {
    const who = await requireUser(event)
    if (who.role !== 'lead') throw apiError(403, 'not-your-role')
    return exportArchive(who)
  })
  setResponseHeaders(event, {
    'content-type': 'application/zip',
    'content-length': bytes,
    'content-disposition': 'attachment; filename="duckweed-archive.zip"',
    'cache-control': 'no-store',
  })
  // Who leaves before the end keeps no file open here.
  event.node.res.on('close', () => stream.destroy())
  return sendStream(event, stream)
})

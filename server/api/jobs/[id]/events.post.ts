/** Appends events to a job. Sending one twice changes nothing. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const { id } = shaped(idParam, getRouterParams(event))
  const { events } = shaped(eventsBody, await readBody(event))
  return withDatabase(async (db) => {
    const job = await jobOf(who, id)
    return { kept: await db.transaction((t) => appendEvents(who, job, events, t)) }
  })
})

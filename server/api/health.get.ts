/** Whether the server and its database answer. */
export default defineEventHandler(() =>
  withDatabase(async (db) => {
    await db.query('SELECT 1')
    return { ok: true }
  }),
)

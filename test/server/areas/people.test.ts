import { execFile } from 'node:child_process'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { v7 as uuidv7 } from 'uuid'
import { QueryTypes } from 'sequelize'
import { describe, expect, it } from 'vitest'
import { changeAccount, invite, listAccounts, resetPassword } from '../../../server/areas/people/service'
import { isPassword } from '../../../server/areas/session/passwords'
import { findPersonById } from '../../../server/areas/session/service'
import { withHouse } from '../house'

const house = withHouse('people')
const root = join(import.meta.dirname, '../../..')
const run = promisify(execFile)

const hashOf = async (id: string) =>
  (
    (await house.db.query('SELECT password_hash AS hash FROM users WHERE id = $1', {
      bind: [id],
      type: QueryTypes.SELECT,
    })) as [{ hash: string }]
  )[0].hash

describe('people of a shop', () => {
  it('are let in with a password that stands nowhere, change roles, leave and come back; nobody else’s are touched', async () => {
    const { mara, ivo } = house.people
    const id = uuidv7()
    const asked = { id, name: 'Runa T.', email: 'Runa@ebb.example', role: 'trainee' as const }
    const { account, password } = await invite(mara, asked)
    expect(account).toMatchObject({ email: 'runa@ebb.example', role: 'trainee', left: false })
    expect(await isPassword(await hashOf(id), password)).toBe(true)
    expect(JSON.stringify(await house.db.query('SELECT * FROM users'))).not.toContain(password)
    await expect(invite(ivo, { ...asked, id: uuidv7() })).rejects.toMatchObject({ statusCode: 409 })

    const session = (user: string) =>
      house.db.query(
        `INSERT INTO sessions (id, token_hash, user_id, expires_at) VALUES ($1, decode(md5(random()::text), 'hex'), $2, now() + interval '1 day')`,
        { bind: [uuidv7(), user] },
      )
    const sessions = async () =>
      (await house.db.query('SELECT 1 FROM sessions WHERE user_id = $1', { bind: [id], type: QueryTypes.SELECT }))
        .length
    await session(id)
    await changeAccount(mara, id, { name: 'Runa Tell', role: 'trainee', left: false })
    expect(await sessions()).toBe(1)
    await changeAccount(mara, id, { name: 'Runa Tell', role: 'technician', left: false })
    expect([await sessions(), (await findPersonById(id))!.role]).toEqual([0, 'technician'])
    await session(id)
    const second = await resetPassword(mara, id)
    expect([await sessions(), await isPassword(await hashOf(id), second.password)]).toEqual([0, true])
    expect(await isPassword(await hashOf(id), password)).toBe(false)
    await changeAccount(mara, id, { name: 'Runa Tell', role: 'technician', left: true })
    expect((await listAccounts(mara)).accounts.at(-1)).toMatchObject({ id, left: true })

    // Somebody always leads; another shop's people do not exist.
    const own = { name: 'Mara E.', role: 'technician' as const, left: false }
    await expect(changeAccount(mara, mara.id, own)).rejects.toMatchObject({ statusCode: 409 })
    await expect(changeAccount(mara, mara.id, { ...own, role: 'lead', left: true })).rejects.toMatchObject({
      statusCode: 409,
    })
    for (const act of [() => resetPassword(ivo, id), () => changeAccount(ivo, id, own)])
      await expect(act()).rejects.toMatchObject({ statusCode: 404 })
    expect((await listAccounts(ivo)).accounts.map((a) => a.name)).toEqual(['Ivo L.'])
  })

  it('begin with a command: an organisation, who leads it, and nothing of a demo', async () => {
    const begin = (...args: string[]) =>
      run(join(root, 'node_modules/.bin/tsx'), ['server/database/begin.ts', ...args], {
        cwd: root,
        env: { ...process.env, DATABASE_URL: house.url },
      })
    await expect(
      begin('--organisation=Quay Repairs', '--lead=Tove', '--email=nobody', '--zone=Nowhere'),
    ).rejects.toMatchObject({
      stderr: expect.stringMatching(/no address for mail[^]*no time zone Nowhere/),
    })
    const args = ['--organisation=Quay Repairs', '--lead=Tove K.', '--email=Tove@quay.example', '--zone=Etc/UTC']
    const { stdout } = await begin(...args)
    const [, password] = /\n {2}(\S{16})\n/.exec(stdout)!
    const [{ id, role, zone }] = (await house.db.query(
      `SELECT u.id, u.role, o.time_zone AS zone FROM users u JOIN organisations o ON o.id = u.organisation_id WHERE u.email = 'tove@quay.example'`,
      { type: QueryTypes.SELECT },
    )) as [{ id: string; role: string; zone: string }]
    expect([role, zone]).toEqual(['lead', 'Etc/UTC'])
    expect(await isPassword(await hashOf(id), password!)).toBe(true)
    await expect(begin(...args)).rejects.toMatchObject({
      stderr: expect.stringContaining('signs in with tove@quay.example already'),
    })
  }, 60_000)
})

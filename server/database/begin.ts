import { v7 as uuidv7 } from 'uuid'
import { firstPassword, hashPassword } from '../areas/session/service'
import { connect, useDatabase } from '../platform/database'
import { alone } from './alone'
import { migrate } from './migrate'
import { Organisation, User } from './models'

/**
 * `tsx server/database/begin.ts --organisation=NAME --zone=Europe/Lisbon --currency=EUR --lead=NAME --email=ADDRESS`: sets up an organisation
 * with the first person who leads it, and prints their first password once. No demo world is loaded, and none is needed. DATABASE_URL names the
 * database, as its owner; its tables are made where they are not there yet.
 */
const said = (key: string) =>
  process.argv
    .find((a) => a.startsWith(`--${key}=`))
    ?.slice(key.length + 3)
    .trim() ?? ''

const isZone = (timeZone: string): boolean => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone }))
  } catch {
    return false
  }
}

/** What is wrong with what was said, in words. */
function problems(): string[] {
  const out = ['organisation', 'lead', 'email'].filter((key) => !said(key)).map((key) => `--${key}=… is missing.`)
  if (said('email') && !/^\S+@\S+\.\S+$/.test(said('email'))) out.push('--email is no address for mail.')
  if (!isZone(zone())) out.push(`--zone: there is no time zone ${zone()}.`)
  if (!Intl.supportedValuesOf('currency').includes(currency()))
    out.push(`--currency: there is no currency ${currency()}.`)
  if (!process.env.DATABASE_URL) out.push('DATABASE_URL is not set.')
  return out
}
const zone = () => said('zone') || Intl.DateTimeFormat().resolvedOptions().timeZone
const currency = () => said('currency') || 'EUR'

async function begin(): Promise<void> {
  const email = said('email').toLowerCase()
  if (await User.count({ where: { email } })) throw new Error(`Somebody signs in with ${email} already.`)
  const organisationId = uuidv7()
  const password = firstPassword()
  const passwordHash = await hashPassword(password)
  await Organisation.sequelize!.transaction(async (transaction) => {
    await Organisation.create(
      { id: organisationId, name: said('organisation'), timeZone: zone(), currency: currency() },
      { transaction },
    )
    const lead = { id: uuidv7(), organisationId, email, name: said('lead'), role: 'lead' as const, passwordHash }
    await User.create(lead, { transaction })
  })
  console.log(
    `${said('organisation')} is set up. ${email} signs in with this password, shown this once:\n\n  ${password}\n`,
  )
}

const wrong = problems()
if (wrong.length) {
  console.error(wrong.join('\n'))
  process.exitCode = 1
} else {
  const owner = connect(process.env.DATABASE_URL!, { patient: true })
  useDatabase(owner)
  try {
    await alone(owner, async () => {
      await migrate(owner)
      await begin()
    })
  } catch (error) {
    console.error(error instanceof Error ? error.message : error)
    process.exitCode = 1
  } finally {
    await owner.close()
  }
}

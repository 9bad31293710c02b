import { v7 as uuidv7 } from 'uuid'
import { firstPassword, hashPassword } from '../areas/session/service'
import { migrate } from './migrate'
import { Organisation, User } from './models'
import { asOwner, said } from './preparation'

/**
 * `tsx server/database/begin.ts`, built as `.output/server/commands/begin.mjs`, with `--organisation=NAME --zone=Europe/Lisbon --currency=EUR --lead=NAME --email=ADDRESS`: sets up an organisation
 * with the first person who leads it, and prints their first password once. No demo world is loaded, and none is needed. DATABASE_URL names the
 * database, as its owner; its tables are made where they are not there yet.
 */
const text = (key: string) => said(key) ?? ''

const isZone = (timeZone: string): boolean => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone }))
  } catch {
    return false
  }
}

/** What is wrong with what was said, in words. */
function problems(): string[] {
  const out = ['organisation', 'lead', 'email'].filter((key) => !text(key)).map((key) => `--${key}=… is missing.`)
  if (text('email') && !/^\S+@\S+\.\S+$/.test(text('email'))) out.push('--email is no address for mail.')
  if (!isZone(zone())) out.push(`--zone: there is no time zone ${zone()}.`)
  if (!Intl.supportedValuesOf('currency').includes(currency()))
    out.push(`--currency: there is no currency ${currency()}.`)
  return out
}
const zone = () => text('zone') || Intl.DateTimeFormat().resolvedOptions().timeZone
const currency = () => text('currency') || 'EUR'

async function begin(): Promise<void> {
  const email = text('email').toLowerCase()
  if (await User.count({ where: { email } })) throw new Error(`Somebody signs in with ${email} already.`)
  const organisationId = uuidv7()
  const password = firstPassword()
  const passwordHash = await hashPassword(password)
  await Organisation.sequelize!.transaction(async (transaction) => {
    await Organisation.create(
      { id: organisationId, name: text('organisation'), timeZone: zone(), currency: currency() },
      { transaction },
    )
    const lead = { id: uuidv7(), organisationId, email, name: text('lead'), role: 'lead' as const, passwordHash }
    await User.create(lead, { transaction })
  })
  console.log(
    `${text('organisation')} is set up. ${email} signs in with this password, shown this once:\n\n  ${password}\n`,
  )
}

const wrong = problems()
if (wrong.length) {
  console.error(wrong.join('\n'))
  process.exitCode = 1
} else {
  await asOwner(async (owner) => {
    await migrate(owner)
    await begin()
  })
}

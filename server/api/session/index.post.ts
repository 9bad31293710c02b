import { Organisation, User } from '../../database/models'

/** Signs in. A wrong name and a wrong password get the same answer after the same work. */
export default defineEventHandler(async (event) => {
  const { email, password } = shaped(signInBody, await readBody(event))
  const name = email.trim().toLowerCase()
  const key = `${name}|${getRequestIP(event) ?? ''}`
  return withDatabase(async () => {
    await refuseIfTooMany(key)
    const user = await User.findOne({ where: { email: name } })
    const right = await verifyPassword(user?.passwordHash ?? (await nobodysHash()), password)
    if (!user || !right) {
      await countFailure(key)
      throw refuse(401, 'wrong-sign-in', 'Name or password is not right.')
    }
    await forgetFailures(key)
    const organisation = await Organisation.findByPk(user.organisationId)
    const who: SignedIn = {
      id: user.id,
      name: user.name,
      organisation: user.organisationId,
      organisationName: organisation!.name,
    }
    await setUserSession(event, { user: who })
    return { user: who }
  })
})

let hash: Promise<string> | undefined
const nobodysHash = () => (hash ??= hashPassword('nobody signs in with this'))

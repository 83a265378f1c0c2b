import { clearSession, getCookie, unsealSession, updateSession, type H3Event, type SessionConfig } from 'h3'
import type { Access } from '../house/access'

const NAME = 'mantel'
const DAYS = 30

function configOf(access: Access): SessionConfig | null {
  if (!access.sessionSecret) return null
  return {
    name: NAME,
    password: access.sessionSecret,
    maxAge: DAYS * 86_400,
    cookie: { httpOnly: true, sameSite: 'strict', path: '/', secure: false },
  }
}

/** Whether who asks has come in with the passphrase; the cookie is sealed, so nobody else can make one. */
export async function isIn(event: H3Event, access: Access): Promise<boolean> {
  const config = configOf(access)
  const sealed = getCookie(event, NAME)
  if (!config || !sealed) return false
  const session = await unsealSession(event, config, sealed).catch(() => null)
  return session?.data?.entered === true
}

export async function letIn(event: H3Event, access: Access): Promise<void> {
  const config = configOf(access)
  if (config) await updateSession(event, config, { entered: true })
}

export async function letOut(event: H3Event, access: Access): Promise<void> {
  const config = configOf(access)
  if (config) await clearSession(event, config)
}

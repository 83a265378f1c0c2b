import { randomBytes } from 'node:crypto'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import type { Knex } from 'knex'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { ProblemError } from '../utils/problem'

const HASH = 'passphrase'
const SECRET = 'sessions'
export const SHORTEST_PASSPHRASE = 10

/** Scrypt with the package's own costs; every hash carries them, so that they may rise later. */
const scrypt = new Scrypt({})

async function read(db: Knex, key: string): Promise<string | null> {
  return (await db<{ key: string; value: string }>('access').where({ key }).first())?.value ?? null
}

/**
 * Sets the passphrase of a house; those who are in must come in anew. @throws ProblemError for one that is too short
 */
export async function setPassphrase(db: Knex, passphrase: string): Promise<void> {
  if (passphrase.trim().length < SHORTEST_PASSPHRASE)
    throw new ProblemError(422, 'The passphrase was not set', [
      {
        path: 'passphrase',
        message: `Use at least ${SHORTEST_PASSPHRASE} characters: a short sentence is easy to keep in mind`,
      },
    ])
  const rows = [
    { key: HASH, value: await scrypt.make(passphrase) },
    { key: SECRET, value: randomBytes(48).toString('base64url') },
  ]
  await db.transaction(async trx => {
    for (const row of rows) await trx('access').insert(row).onConflict('key').merge()
  })
}

/** Who may come in, where the house can be reached from other machines. */
export class Access {
  /** Wrong tries of one address, and of all together. */
  private readonly byAddress = new RateLimiterMemory({ points: 5, duration: 300 })
  private readonly overall = new RateLimiterMemory({ points: 40, duration: 3600 })

  private constructor(
    private readonly hash: string | null,
    readonly sessionSecret: string | null,
  ) {}

  static async open(db: Knex): Promise<Access> {
    return new Access(await read(db, HASH), await read(db, SECRET))
  }

  get hasPassphrase(): boolean {
    return this.hash !== null
  }

  /**
   * Lets in who knows the passphrase.
   * @throws ProblemError 401 for a wrong one, 429 with the seconds to wait after too many
   */
  async enter(passphrase: string, address: string): Promise<void> {
    try {
      await this.byAddress.consume(address)
      await this.overall.consume('all')
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error
      const seconds = Math.ceil(error.msBeforeNext / 1000)
      throw new ProblemError(
        429,
        `Too many wrong tries; wait ${seconds < 120 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`}`,
        [],
        { 'retry-after': String(seconds) },
      )
    }
    if (!this.hash || !(await scrypt.verify(this.hash, passphrase)))
      throw new ProblemError(401, 'This is not the passphrase of this house')
    await this.byAddress.delete(address)
    await this.overall.reward('all')
  }
}

// What is done to a house from the command line: backup, restore, passphrase.
import { existsSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { backupTo, checkDatabaseFile, listBackups, makeBackup, restoreBackup } from '../server/db/backup'
import { lockDatabase } from '../server/db/lock'
import { openDatabase } from '../server/db/open'
import { DatabaseProblem } from '../server/db/problems'
import { setPassphrase } from '../server/house/access'
import { ProblemError } from '../server/utils/problem'
import { root } from './steps.mjs'

const database = resolve(root, process.env.MANTEL_DB ?? join('data', 'mantel.sqlite'))
const [command, ...words] = process.argv.slice(2)
const [named] = words.filter(w => !w.startsWith('--'))
const sure = words.includes('--yes')

/** One line from the keeper; `hidden` answers come from a pipe as well. */
async function ask(question: string): Promise<string> {
  const line = createInterface({ input: process.stdin, output: process.stdout })
  try {
    return (await line.question(question)).trim()
  } finally {
    line.close()
  }
}

/** Holds the house while something is done to it, so that no server runs beside. */
async function holding<T>(doing: string, work: () => Promise<T>): Promise<T> {
  const lock = lockDatabase(database, { pid: process.pid, address: doing, since: new Date().toISOString() })
  try {
    return await work()
  } finally {
    lock.release()
  }
}

async function backup(): Promise<void> {
  if (!existsSync(database)) throw new DatabaseProblem('damaged', `There is no house at ${database}.`)
  const made = named
    ? resolve(named)
    : join(resolve(database, '..', 'backups'), (await makeBackup(database, 'asked', new Date())).name)
  if (named) await backupTo(database, made)
  console.log(
    `Backed up ${database}\nto ${made} (${Math.round(statSync(made).size / 1000)} kB), read through and whole.`,
  )
}

async function restore(): Promise<void> {
  if (!named) {
    const list = listBackups(database).map(b => `  ${join(resolve(database, '..', 'backups'), b.name)}`)
    throw new DatabaseProblem(
      'damaged',
      `Name the backup to restore: npm run restore FILE\n${list.length ? `There are:\n${list.join('\n')}` : 'There is no backup beside this house.'}`,
    )
  }
  const file = resolve(named)
  checkDatabaseFile(file)
  console.log(`${file} is whole. It takes the place of\n${database}, which is kept aside.`)
  if (!sure && !/^y(es)?$/i.test(await ask('Restore it? (y/n) '))) {
    console.log('Nothing was changed.')
    return
  }
  const aside = await holding('restoring a backup', () => restoreBackup(file, database, new Date()))
  console.log(`Restored.${aside ? ` The house before it lies in ${aside}.` : ''}`)
}

async function passphrase(): Promise<void> {
  const said = await ask('Passphrase for those who come from other machines: ')
  await holding('setting the passphrase', async () => {
    const db = await openDatabase(database)
    try {
      await setPassphrase(db, said)
    } finally {
      await db.destroy()
    }
  })
  console.log('The passphrase is set. Whoever was in comes in with it anew.')
}

const commands: Record<string, () => Promise<void>> = { backup, restore, passphrase }

try {
  await (
    commands[command ?? ''] ??
    (() => Promise.reject(new DatabaseProblem('damaged', 'Say backup, restore or passphrase.')))
  )()
} catch (error) {
  console.error(
    error instanceof DatabaseProblem || error instanceof ProblemError
      ? `\n${error instanceof ProblemError ? (error.problem.detail ?? error.message) : error.message}\n`
      : error,
  )
  process.exitCode = 1
}

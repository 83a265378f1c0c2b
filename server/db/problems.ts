/** Why a database cannot be used, in a keeper's words with what to do. */
export class DatabaseProblem extends Error {
  override name = 'DatabaseProblem'

  constructor(
    readonly kind: 'newer' | 'damaged' | 'unwritable' | 'busy' | 'full' | 'held',
    message: string,
  ) {
    super(message)
  }
}

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string' ? error.code : ''

/** Another process holds the database for a moment: the same call may go through a little later. */
export const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(error))

/**
 * What an error of the database or the disk means for the keeper; null when it is none of them.
 * @param file the database, as it is named to the keeper
 */
export function databaseProblem(error: unknown, file: string): DatabaseProblem | null {
  if (error instanceof DatabaseProblem) return error
  const code = codeOf(error)
  if (/^SQLITE_(CORRUPT|NOTADB)/.test(code)) {
    return new DatabaseProblem(
      'damaged',
      `The database ${file} is damaged and cannot be read. Leave it as it is, and put the latest backup in its place: npm run restore FILE. The backups lie in the folder “backups” beside it.`,
    )
  }
  if (
    /^SQLITE_(READONLY|CANTOPEN|PERM|AUTH)/.test(code) ||
    ['EACCES', 'EPERM', 'EROFS', 'ENOTDIR', 'EISDIR'].includes(code)
  ) {
    return new DatabaseProblem(
      'unwritable',
      `The database ${file} cannot be written. Let the account that runs Mantel own the file and its folder, or name another file in MANTEL_DB.`,
    )
  }
  if (isBusy(error))
    return new DatabaseProblem(
      'busy',
      `Another program holds the database ${file}. Close it, or wait until it is done, and try again.`,
    )
  if (code === 'SQLITE_FULL' || code === 'ENOSPC')
    return new DatabaseProblem(
      'full',
      `The disk that holds ${file} is full. Make room on it; what was written before stands.`,
    )
  if (/^SQLITE_IOERR/.test(code) || code === 'EIO')
    return new DatabaseProblem(
      'damaged',
      `The disk that holds ${file} cannot be read or written. Copy the folder “backups” to another disk first, then look at the disk.`,
    )
  return null
}

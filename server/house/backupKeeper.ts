import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import type { Knex } from 'knex'
import { backupFolder, listBackups, type Backup } from '../db/backup'
import type { BackupKind } from '../db/backupRotation'
import { checkpoint } from '../db/open'
import { ProblemError } from '../utils/problem'
import type { WorkerPool } from '../workers/pool'

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
/** How often it is looked whether a day has passed, and the log is brought into the file. */
const LOOK_MS = HOUR_MS / 12
const LONGEST_WAIT_MS = 1500

/** Keeps the backups of the house: daily ones by itself, others when asked. */
export class BackupKeeper {
  private timer: NodeJS.Timeout | null = null
  private running: Promise<Backup> | null = null
  private looking: Promise<void> = Promise.resolve()
  private stopped = false
  /** What went wrong at the last try, until one succeeds. */
  problem: string | null = null

  constructor(
    private readonly db: Knex,
    private readonly file: string,
    private readonly pool: Pick<WorkerPool, 'backup'>,
    private readonly ways: { daily: boolean; first: boolean },
  ) {}

  start(): void {
    if (!this.ways.first) this.looking = this.look()
    this.timer = setInterval(() => {
      this.looking = this.look()
    }, LOOK_MS)
    this.timer.unref()
  }

  /** At rest: the log goes into the file, and a day after the last backup another is made. */
  private async look(now = Date.now()): Promise<void> {
    try {
      await checkpoint(this.db)
      const last = this.list().find(b => b.kind === 'daily')
      if (this.ways.daily && !this.stopped && (!last || now - Date.parse(last.at) >= DAY_MS)) await this.make('daily')
    } catch (error) {
      if (this.stopped) return
      this.problem = error instanceof Error ? error.message : String(error)
      console.error('No backup was made:', error)
    }
  }

  list(): Backup[] {
    return listBackups(this.file)
  }

  /** Makes one now; one that runs already is the one that is meant. */
  make(kind: BackupKind): Promise<Backup> {
    this.running ??= this.pool
      .backup(this.file, kind, new Date())
      .then(backup => {
        this.problem = null
        return backup
      })
      .finally(() => {
        this.running = null
      })
    return this.running
  }

  /** Path of a backup by its name. @throws ProblemError 404 */
  path(name: string): string {
    if (!this.list().some(b => b.name === name)) throw new ProblemError(404, 'There is no such backup')
    return join(backupFolder(this.file), name)
  }

  get folder(): string {
    return backupFolder(this.file)
  }

  async stop(): Promise<void> {
    this.stopped = true
    if (this.timer) clearInterval(this.timer)
    // a copy that is not done by then is thrown away; the next start makes another
    await Promise.race([this.looking, wait(LONGEST_WAIT_MS, undefined, { ref: false })])
  }
}

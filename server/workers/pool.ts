import { Piscina } from 'piscina'
import type { FeederPlan, PlanJob } from '#core/season'
import type { Backup } from '../db/backup'
import type { BackupKind } from '../db/backupRotation'

/** A plan that takes longer than this is given up and told. */
const LONGEST_PLAN_MS = 60_000

/** The built threads lie beside the built server. */
const threadFile = (name: string): string => new URL(`./${name}.mjs`, import.meta.url).href

/** Threads for what would keep the server from answering: plans, and copies of the database. */
export class WorkerPool {
  private readonly solving = new Piscina<PlanJob, FeederPlan[]>({
    filename: threadFile('solver'),
    minThreads: 1,
    maxThreads: 2,
    idleTimeout: 60_000,
  })

  private readonly copying = new Piscina<{ file: string; kind: BackupKind; at: number }, Backup>({
    filename: threadFile('backup'),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 1000,
  })

  readonly plan = (job: PlanJob): Promise<FeederPlan[]> =>
    this.solving.run(job, { signal: AbortSignal.timeout(LONGEST_PLAN_MS) })

  readonly backup = (file: string, kind: BackupKind, at: Date): Promise<Backup> =>
    this.copying.run({ file, kind, at: at.getTime() })

  async close(): Promise<void> {
    await Promise.all([this.solving.destroy(), this.copying.destroy()])
  }
}

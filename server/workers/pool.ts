import { availableParallelism } from 'node:os'
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
  private warming?: NodeJS.Timeout
  private threads: Piscina<PlanJob, FeederPlan[]> | null = null

  private get solving(): Piscina<PlanJob, FeederPlan[]> {
    return (this.threads ??= new Piscina({
      filename: threadFile('solver'),
      minThreads: 1,
      // a thread more than there are processors for loads the program and the solver again, and plans no sooner
      maxThreads: Math.min(2, Math.max(1, availableParallelism() - 1)),
      idleTimeout: 60_000,
    }))
  }

  private readonly copying = new Piscina<{ file: string; kind: BackupKind; at: number }, Backup>({
    filename: threadFile('backup'),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 1000,
  })

  readonly plan = (job: PlanJob): Promise<FeederPlan[]> =>
    this.solving.run(job, { signal: AbortSignal.timeout(LONGEST_PLAN_MS) })

  /** Makes a thread ready to plan: loading the program and the solver takes longer than many a plan. */
  warmIn(ms: number): void {
    this.warming = setTimeout(() => void this.solving, ms).unref()
  }

  readonly backup = (file: string, kind: BackupKind, at: Date): Promise<Backup> =>
    this.copying.run({ file, kind, at: at.getTime() })

  async close(): Promise<void> {
    clearTimeout(this.warming)
    await Promise.all([this.threads?.destroy(), this.copying.destroy()])
  }
}

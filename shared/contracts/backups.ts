/** GET /api/backups */
export interface BackupList {
  /** Where they lie on the machine that runs Mantel. */
  folder: string
  /** What went wrong at the last try; null when it went well. */
  problem: string | null
  backups: BackupView[]
}

export interface BackupView {
  name: string
  kind: 'daily' | 'asked' | 'migration'
  at: string
  bytes: number
}

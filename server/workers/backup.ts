import { makeBackup, type Backup } from '../db/backup'
import type { BackupKind } from '../db/backupRotation'

/** Copies and reads through a whole database, which takes long, in a thread of its own. */
export default function backup({ file, kind, at }: { file: string; kind: BackupKind; at: number }): Promise<Backup> {
  return makeBackup(file, kind, new Date(at))
}

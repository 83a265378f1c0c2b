import type { BackupList } from '#shared/contracts/backups'
import { theBackups } from '../../house/theHouse'
import { answer } from '../../utils/handler'

export default answer(async (): Promise<BackupList> => {
  const keeper = await theBackups()
  return { folder: keeper.folder, problem: keeper.problem, backups: keeper.list() }
})

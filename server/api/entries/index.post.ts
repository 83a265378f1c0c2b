import { WriteEntries } from '#shared/contracts/house'
import { answerBody } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

export default answerBody(WriteEntries, async ({ entries, since }) => {
  const { writer, changes } = await theHouse()
  const wrote = await writer.write(entries)
  if (since === undefined) return wrote
  // it is written: what cannot be told of it now is asked for again, and takes nothing back
  const told = await changes.since(since).catch(error => console.error(error))
  return told ? { ...wrote, changes: told } : wrote
})

import type { z } from 'zod'
import { MOST_BYTES_OF_ENTRIES, WriteEntries } from '#shared/contracts/house'
import { answerBody } from '../../utils/handler'
import { theHouse } from '../../house/theHouse'

const write = async ({ entries, since }: z.output<typeof WriteEntries>) => {
  const { writer, changes } = await theHouse()
  const wrote = await writer.write(entries)
  if (since === undefined) return wrote
  // it is written: what cannot be told of it now is asked for again, and takes nothing back
  const told = await changes.since(since).catch(error => console.error(error))
  return told ? { ...wrote, changes: told } : wrote
}

export default answerBody(WriteEntries, write, { mostBytes: MOST_BYTES_OF_ENTRIES })

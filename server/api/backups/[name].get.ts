import { createReadStream, statSync } from 'node:fs'
import { getRouterParam, sendStream, setResponseHeaders } from 'h3'
import { theBackups } from '../../house/theHouse'
import { answer } from '../../utils/handler'

/** The file of one backup. */
export default answer(async event => {
  const name = getRouterParam(event, 'name')!
  const path = (await theBackups()).path(name)
  setResponseHeaders(event, {
    'content-type': 'application/vnd.sqlite3',
    'content-length': statSync(path).size,
    'content-disposition': `attachment; filename="${name}"`,
  })
  return sendStream(event, createReadStream(path))
})

import { answer } from '../utils/handler'
import { theHouse } from '../house/theHouse'

export default answer(async () => {
  const { version, today } = (await theHouse()).snapshot()
  return { ok: true, version, today }
})

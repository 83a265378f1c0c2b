import { answer } from '../utils/handler'
import { theHouse } from '../house/theHouse'

/** That the server lives; nothing of the house, since it is told to everyone. */
export default answer(
  async () => {
    await theHouse()
    return { ok: true }
  },
  { open: true },
)

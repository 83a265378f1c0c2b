import type { AccessView } from '#shared/contracts/access'
import { theAccess } from '../../house/theHouse'
import { gateOf } from '../../utils/gateOf'
import { answer } from '../../utils/handler'
import { isIn } from '../../utils/session'

export default answer(
  async (event): Promise<AccessView> => {
    const { closed } = gateOf()
    return { closed, entered: !closed || (await isIn(event, await theAccess())) }
  },
  { open: true },
)

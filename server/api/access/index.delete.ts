import type { AccessView } from '#shared/contracts/access'
import { theAccess } from '../../house/theHouse'
import { gateOf } from '../../utils/gateOf'
import { answer } from '../../utils/handler'
import { letOut } from '../../utils/session'

export default answer(
  async (event): Promise<AccessView> => {
    const { closed } = gateOf()
    await letOut(event, await theAccess())
    return { closed, entered: !closed }
  },
  { open: true },
)

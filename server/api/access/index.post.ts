import { getRequestIP } from 'h3'
import { Enter, type AccessView } from '#shared/contracts/access'
import { theAccess } from '../../house/theHouse'
import { gateOf } from '../../utils/gateOf'
import { answerBody } from '../../utils/handler'
import { letIn } from '../../utils/session'

export default answerBody(
  Enter,
  async ({ passphrase }, event): Promise<AccessView> => {
    const access = await theAccess()
    await access.enter(passphrase, getRequestIP(event) ?? 'unknown')
    await letIn(event, access)
    return { closed: gateOf().closed, entered: true }
  },
  { open: true },
)

import { getRouterParam, setResponseHeader } from 'h3'
import { answer } from '../../../utils/handler'
import { theHouse } from '../../../house/theHouse'
import { programmeCalendar } from '../../../exports/winterProgramme'

export default answer(async event => {
  const house = await theHouse()
  const { group, programme, settings, title } = await house.queries.winterProgramme(getRouterParam(event, 'id')!)
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${group.tag.replaceAll(/[^\w-]+/g, '-')}.ics"`)
  return programmeCalendar(group.groupId, title, programme, settings.houseName, new Date())
})

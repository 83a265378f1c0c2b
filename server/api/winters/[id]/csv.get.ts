import { getRouterParam, setResponseHeader } from 'h3'
import { answer } from '../../../utils/handler'
import { theHouse } from '../../../house/theHouse'
import { programmeCsv } from '../../../exports/winterProgramme'

export default answer(async event => {
  const house = await theHouse()
  const { group, programme, settings } = await house.queries.winterProgramme(getRouterParam(event, 'id')!)
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${group.tag.replaceAll(/[^\w-]+/g, '-')}.csv"`)
  return programmeCsv(programme, settings.latitude)
})

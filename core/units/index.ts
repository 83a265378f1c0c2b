export {
  UNITS,
  UnitError,
  convert,
  dimensionOf,
  fromBase,
  toBase,
  unitNamed,
  type Dimension,
  type TempUnit,
  type Unit,
} from './conversion'
export { formatQuantity, parseAs, parseNumber, parseQuantity, type Quantity } from './quantity'
export {
  CalendarError,
  calendarOf,
  instantsOf,
  clockOf,
  noonOf,
  dayFromIso,
  dayToIso,
  formatDay,
  formatFullDay,
  formatDistance,
  formatRange,
  formatWeekday,
  isTimeZone,
  WEEKDAYS,
  nextWeekday,
  shortWeekday,
  weekday,
} from './calendar'
export { formatMoney, isCurrency } from './money'
export { counted, lowerFirst, tellSome, upperFirst } from './words'
export { unbrokenParts } from './unbroken'

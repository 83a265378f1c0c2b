import type { Told } from './told'

/** @param caution what the forecast of its hatch warns of */
export const tellIncubationHeat = (title: string, caution: string): Omit<Told, 'reasons'> => ({
  text: `${title}: ${caution}`,
  todo: 'Set the true temperature of the incubator in Places.',
})

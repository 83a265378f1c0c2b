/** What is said of every animal of a sort, beside what is done with it. */
export const SALMONELLA = 'Wash hands after every animal, tub and feeder: reptiles carry Salmonella.'
export const HYGIENE = 'Rinsed, wet gloves or hands: skin toxins and chytrid travel both ways. Wash hands after.'

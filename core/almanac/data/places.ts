import type { Fact } from '../schema'
import { memory, practice } from './marks'

/** What holds for the climate of every place. */
export const places: Record<string, Fact> = {
  bandTolerance: memory(4, 'hours', 'A place may be outside its band for so long: an open door, a cold morning'),
  dampFor: practice(3, 'days', 'Too damp for so long: noisy breath follows'),
  dryFor: memory(2, 'days', 'Too dry for so long: sheds stick and toes are lost'),
  heatHarm: memory(5, '°C', 'Over the band: told at once, since heat kills within hours'),
  coldHarm: memory(8, '°C', 'Under the band: told at once'),
  stuckFor: memory(20, 'hours', 'A probe that reads exactly the same for so many hours of a day is stuck'),
  jumpOf: memory(10, '°C', 'From one hour to the next, away from a lamp: the probe has fallen or the door is open'),
  apartTemperature: memory(1.5, '°C', 'Two probes of one spot differ by so much over a day: one of them is wrong'),
  apartHumidity: memory(8, '%', 'Two hygrometers of one spot differ by so much over a day: one of them is wrong'),
  warmthLately: memory(72, 'hours', 'What a place lately was is what eggs and cups are taken to go on at'),
  eggLinePast: memory(1, '°C', 'The line of incubation is trusted so far over its table; eggs are no quicker over it'),
  cupLinePast: memory(4, '°C', 'Cups are no quicker than at so much over what their days are counted at'),
  meterNoise: memory(0.1, 'share', 'A UV meter held by hand repeats itself to about so much'),
  lampNearest: memory(15, 'cm', 'A lamp is hung no nearer to the spot: heat and burns'),
  lampFurthest: memory(60, 'cm', 'Further than so it is screened, not raised: it lights the wrong place'),
  houseTestEvery: practice(91, 'days', 'Smoke alarm, thermostat guard, spare heater, second thermometer: quarterly'),
  houseTestLate: practice(14, 'days', 'Late after so long'),
  homeLeast: memory(0.01, 'm²', 'The smallest hatchling has so much floor'),
  homeTolerance: memory(0.1, 'share', 'A home that is short by so little is not called small'),
  homesAhead: memory(240, 'days', 'So far ahead it is told which homes will be too small'),
  lengthAtMaturity: memory(0.7, 'share', 'Of full length: Shine & Charnov 1992, Am. Nat. 139:1257–1269'),
  growthSpread: memory(0.4, 'of a logarithm', 'How much animals of one species differ in pace of growth'),
  growthWeightError: memory(0.05, 'share', 'A weight is of a fed or an empty animal'),
  handFresh: memory(7, 'days', 'A reading by hand speaks for its place so long'),
  lightOn: memory(8, 'o’clock', 'Lamps go on, where a place says nothing else'),
  lightOff: memory(20, 'o’clock', 'Lamps go off, where a place says nothing else'),
  lightSettles: memory(3, 'hours', 'After lamps go on or off a place has so long to warm or cool'),
}

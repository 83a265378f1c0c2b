export { fadesTo } from './fade'
export { FERGUSON_ZONES, fergusonZone } from './ferguson'
export { judgeLampAt, tellLamp, type LampHere } from './here'
export { distanceFor, givesUv, judgeLamp, uvAt, type LampAction, type LampLimits, type LampVerdict } from './lamp'

import { z } from 'zod'
import {
  CALIBRATION_METHODS,
  CHANNEL_IDS,
  ZONE_IDS,
  type CalibrationMethod,
  type Channel,
  type Zone,
} from '#core/channels'
import { lineOfText } from '#core/reference'

export const DEVICE_KINDS = ['probe', 'scale'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

/** What can go wrong with a simulated device, to be tried out. */
export const FAULTS = ['compressor', 'thermostat', 'power', 'relay', 'lamp', 'mister', 'battery', 'door'] as const
export type Fault = (typeof FAULTS)[number]

/** POST /api/devices */
export const NewDevice = z.strictObject({
  name: lineOfText(60, 'A device needs a name'),
  kind: z.enum(DEVICE_KINDS),
  placeId: z.string().nullable().default(null),
  /** Where in the place a probe reads. */
  zone: z.enum(ZONE_IDS).default('air'),
})
export type NewDevice = z.input<typeof NewDevice>

/**
 * POST /api/devices/:id/readings, with `Authorization: Bearer <token>`: what a probe or a scale sends. A value that
 * makes no sense is not an error of the request: it is set aside with its reason, and the others are taken.
 */
export const SendReadings = z.object({
  readings: z
    .array(
      z.looseObject({
        at: z.unknown().optional(),
        tempC: z.unknown().optional(),
        humidityPct: z.unknown().optional(),
        uvIndex: z.unknown().optional(),
        massG: z.unknown().optional(),
      }),
    )
    .min(1, 'No readings')
    .max(5000, 'At most 5000 readings at once'),
})
export type SendReadings = z.input<typeof SendReadings>

export interface TookReadings {
  taken: number
  /** Sent before with the same value. */
  known: number
  setAside: { index: number; reason: string }[]
}

export interface DeviceView {
  id: string
  name: string
  kind: DeviceKind
  placeId: string | null
  simulated: boolean
  zone: Zone
  /** Latest reading of each thing it reads. */
  latest: { at: string; channel: Channel | 'mass'; value: number }[]
  /** The last calibration of each channel. */
  calibrated: { channel: Channel; at: string; offset: number; method: CalibrationMethod }[]
  setAside: number
  lastReason: string | null
  faults: Fault[]
  /** What can be tried out with a simulated one. */
  canFail: Fault[]
}

/** GET /api/devices */
export interface DeviceList {
  devices: DeviceView[]
  /** Time of the house, which a demonstration may let pass. */
  now: string
  /** Whether time can be let pass and faults be tried: in a demonstration only. */
  demo: boolean
}

/** POST /api/devices/:id/calibrations: what it showed, and what a reference said. */
export const Calibrate = z.strictObject({
  channel: z.enum(CHANNEL_IDS),
  method: z.enum(CALIBRATION_METHODS),
  /** As the instrument shows it, before any correction. */
  shown: z.number({ error: 'What it showed is a number' }),
  reference: z.number({ error: 'What the reference said is a number' }),
})
export type Calibrate = z.output<typeof Calibrate>

/** POST /api/devices/:id/faults */
export const SetFault = z.strictObject({ fault: z.enum(FAULTS), on: z.boolean() })
/** POST /api/time */
export const LetTimePass = z.strictObject({
  hours: z
    .number()
    .int()
    .min(1)
    .max(24 * 14),
})
/** POST /api/devices/:id/load: puts an animal on the simulated scale; null takes it off. */
export const LoadScale = z.strictObject({ animalId: z.string().nullable() })

/** GET /api/devices/:id/weight */
export interface ScaleReading {
  massG: number | null
  stable: boolean
}

import type { Almanac, Fact, Species } from '../almanac'

/** How to go about sexing an animal of a species, in steps; for venomous species only the caution. */
export interface SexingGuide {
  venomous: boolean
  /** Diameter of a round-ended probe for its weight; null where it is not probed. */
  probe: Fact | null
  twoPeople: boolean
  steps: string[]
  stop: string[]
  hygiene: string[]
}

/** What a snake weighs less than, to be probed with a diameter of the almanac. */
const PROBES: readonly [belowG: number, probe: string][] = [
  [60, 'probe60'],
  [200, 'probe200'],
  [600, 'probe600'],
  [1500, 'probe1500'],
  [4000, 'probe4000'],
  [Infinity, 'probeLarge'],
]

/**
 * @param massG its latest weight, g; null = not known
 * @param common numbers that hold for every species
 */
export function sexingGuide(species: Species, massG: number | null, common: Almanac['common']): SexingGuide {
  const hygiene = [
    'Wash hands before and after each animal.',
    'Clean and disinfect the probe between animals; rinse and dry it.',
  ]
  const { sexing } = species
  if (sexing?.venomous) {
    return {
      venomous: true,
      probe: null,
      twoPeople: true,
      hygiene: [],
      steps: [
        'Mantel does not describe handling of venomous animals. Leave it to a trained and licensed keeper, never alone, with a protocol and an antivenom plan, as local law asks.',
        'Without touching: compare the shape of the tail, or count the subcaudals of a shed skin.',
      ],
      stop: [],
    }
  }
  const probes = sexing?.probe !== undefined && massG !== null && massG >= (sexing.probeFromG?.value ?? 0)
  return {
    venomous: false,
    hygiene,
    twoPeople: massG !== null && massG >= common.twoPeopleFrom!.value,
    probe: probes ? common[PROBES.find(([below]) => massG < below)![1]]! : null,
    steps: probes
      ? [
          'One holds the animal, its tail belly up and still; a large snake is held by two.',
          'A blunt, round-ended probe of its size, wet with water-based lubricant.',
          'Lift the scale over the vent a little. Lay the probe flat beside the midline, never on it, pointing to the tip of the tail.',
          'Let it glide in with no more force than its weight; turn it gently. Where it stops, it stops.',
          'Hold a thumb where the vent scale ends, take it out, and count the scales it had passed. Then the other side.',
        ]
      : [
          'Look in good light, and at two animals side by side: signs are told by comparing.',
          'Photograph what you compare, with the tag in the picture.',
        ],
    stop: probes
      ? [
          'Stop at the first resistance, at any blood, when it struggles or cramps.',
          'Do not try again the same day. Swelling or blood is for the reptile vet.',
        ]
      : ['Stop when it struggles, sheds or is full.'],
  }
}

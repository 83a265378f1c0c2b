import { seededRandom } from '#core/chance'

/** How a load settles on a small scale: a fading swing about the true weight. */
const SETTLES_MS = 150
const SWING_MS = 170
/** Samples compared for rest, and how far apart they may lie. */
const SAMPLES = 5
const SAMPLE_MS = 120
const AT_REST_SHARE = 0.002

/** A scale whose reading swings for about a second after it is loaded. */
export class SettlingScale {
  private load: { massG: number; atMs: number; seed: number } | null = null

  /** Puts a weight on at an instant, or takes it off. */
  put(massG: number | null, atMs: number): void {
    this.load = massG === null ? null : { massG, atMs, seed: Math.round(atMs) % 100_000 }
  }

  private stepG(massG: number): number {
    return massG < 50 ? 0.1 : massG < 2000 ? 1 : 5
  }

  /** What the display shows at an instant. */
  shows(ms: number): number | null {
    if (!this.load) return null
    const t = ms - this.load.atMs
    if (t < 0) return 0
    const noise = (seededRandom(this.load.seed + Math.floor(ms / SAMPLE_MS))() - 0.5) * 0.0008
    const mass = this.load.massG * (1 - Math.exp(-t / SETTLES_MS) * Math.cos((2 * Math.PI * t) / SWING_MS) + noise)
    const step = this.stepG(this.load.massG)
    return Math.max(0, Number((Math.round(mass / step) * step).toFixed(1)))
  }

  /** The reading with whether it is at rest: the last samples lie close together. */
  read(ms: number): { massG: number | null; stable: boolean } {
    const massG = this.shows(ms)
    if (massG === null || !this.load || ms - this.load.atMs < SAMPLES * SAMPLE_MS) return { massG, stable: false }
    const samples = Array.from({ length: SAMPLES }, (_, i) => this.shows(ms - i * SAMPLE_MS)!)
    const spread = Math.max(...samples) - Math.min(...samples)
    return { massG, stable: massG > 0 && spread <= Math.max(this.stepG(massG), massG * AT_REST_SHARE) }
  }
}

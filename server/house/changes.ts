import type { Changes, HouseChanges, PlanChanges, Told } from '#shared/contracts/changes'
import type { PlansSnapshot } from '#shared/contracts/house'
import { tokenOf } from '#shared/contracts/token'
import { deltaOf } from '#shared/delta'
import { newId } from '../utils/ids'
import { drawnSeason } from './drawnSeason'
import type { HouseQueries } from './queries'

/** States kept to tell changes from; they share all that did not change. */
const KEPT = 6

/** The last states that were told, by their names. */
class Ring<T> {
  private readonly kept: { token: string; value: T }[] = []

  /** What has changed since a state that is still known; else the whole. */
  changes(token: string, value: T, since: string | undefined): Changes<T> {
    const before = this.kept.find(k => k.token === since)
    if (!this.kept.some(k => k.token === token)) {
      this.kept.push({ token, value })
      if (this.kept.length > KEPT) this.kept.shift()
    }
    return before ? { token, from: before.token, delta: deltaOf(before.value, value) } : { token, whole: value }
  }
}

/** Tells each window what has changed since what it was told last, and not all of it again. */
export class HouseChangesTeller {
  /** Versions count from one at each start. */
  private readonly run = newId()
  private readonly told = new Ring<Told>()
  private readonly plans = new Ring<PlansSnapshot>()

  constructor(private readonly queries: HouseQueries) {}

  /** The name of the house as it stands. */
  get token(): string {
    return this.nameOf(this.queries.standing())
  }

  private nameOf({ version, today }: { version: number; today: number }): string {
    return tokenOf({ run: this.run, version, today })
  }

  /** What has changed of the house and its season since a state that was told. */
  async since(token: string | undefined): Promise<HouseChanges> {
    for (;;) {
      const season = await this.queries.season()
      const house = this.queries.snapshot()
      // something may have been written meanwhile
      if (season.version !== house.version) continue
      const told = { house, season: { ...season, season: drawnSeason(season.season) } }
      return this.told.changes(this.nameOf(house), told, token)
    }
  }

  async plansSince(token: string | undefined): Promise<PlanChanges> {
    const plans = await this.queries.plans()
    const { today } = this.queries.standing()
    return this.plans.changes(this.nameOf({ version: plans.version, today }), plans, token)
  }
}

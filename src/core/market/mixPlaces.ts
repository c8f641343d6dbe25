/** By the names of its book; ids where there is none. */
export interface MixPlace {
  readonly provider: string
  readonly place: string
}

/** Places by number, as machines come upon them. */
export class MixPlaces {
  /** By place: its provider, counted from 0. */
  readonly providers: number[] = []
  readonly names: MixPlace[] = []
  private readonly known = new Map<string, number>()
  private readonly sellers = new Map<string, number>()

  get length(): number {
    return this.providers.length
  }

  /** Ids of provider and region; `name` is asked for the first time that a place is met. */
  number(provider: string, region: string, name: () => MixPlace): number {
    const key = `${provider}/${region}`
    let number = this.known.get(key)
    if (number === undefined) {
      this.known.set(key, (number = this.providers.length))
      if (!this.sellers.has(provider)) this.sellers.set(provider, this.sellers.size)
      this.providers.push(this.sellers.get(provider)!)
      this.names.push(name())
    }
    return number
  }
}

/** What each of some machines costs on each of some seats, and how many a seat takes. */
export interface SeatCosts {
  /** By machine: by seat, a finite number or Infinity where it may not sit. */
  readonly costs: readonly Float64Array[]
  /** By seat: how many it takes; Infinity for any number. */
  readonly room: readonly number[]
}

export interface Seating {
  /** By machine: its seat, or -1 where there is none for it. */
  readonly seats: Int32Array
  /** Those without a seat are counted with `UNSEATED` each. */
  readonly cost: number
}

/** Dearer than anything that is sold: as many machines as can be are seated before it matters what they cost. */
export const UNSEATED = 1e9

/**
 * The cheapest seating of all machines: one after another is led to a free seat along the cheapest chain of moves of those
 * that sit already, which keeps what is seated the cheapest there is (successive shortest paths).
 * O(machines² × seats) for short chains.
 */
export function cheapestSeating({ costs, room }: SeatCosts): Seating {
  // The last one is to have no seat.
  const seatCount = room.length + 1
  const sitting: number[][] = Array.from({ length: seatCount }, () => [])
  const costOf = (machine: number, seat: number): number =>
    seat === room.length ? UNSEATED : costs[machine]![seat]!
  for (let machine = 0; machine < costs.length; machine += 1) seatOne(machine)
  const seats = new Int32Array(costs.length).fill(-1)
  let cost = 0
  for (const [seat, machines] of sitting.entries()) {
    for (const machine of machines) {
      if (seat < room.length) seats[machine] = seat
      cost += costOf(machine, seat)
    }
  }
  return { seats, cost }

  function seatOne(machine: number): void {
    const least = Float64Array.from({ length: seatCount }, (_, seat) => costOf(machine, seat))
    /** Who comes to the seat on the cheapest chain, and from where; -1 for the new one. */
    const comes = new Int32Array(seatCount).fill(machine)
    const from = new Int32Array(seatCount).fill(-1)
    for (let isBetter = true; isBetter;) {
      isBetter = false
      for (let seat = 0; seat < seatCount; seat += 1) {
        if (!(least[seat]! < Infinity)) continue
        for (const sits of sitting[seat]!) {
          const leaving = least[seat]! - costOf(sits, seat)
          for (let to = 0; to < seatCount; to += 1) {
            const cost = leaving + costOf(sits, to)
            if (to === seat || !(cost < least[to]! - ROUNDING)) continue
            least[to] = cost
            comes[to] = sits
            from[to] = seat
            isBetter = true
          }
        }
      }
    }
    let free = seatCount - 1
    for (let seat = 0; seat < room.length; seat += 1) {
      if (sitting[seat]!.length < room[seat]! && least[seat]! < least[free]!) free = seat
    }
    for (let seat = free; seat !== -1;) {
      const before = from[seat]!
      sitting[seat]!.push(comes[seat]!)
      if (before !== -1) sitting[before]!.splice(sitting[before]!.indexOf(comes[seat]!), 1)
      seat = before
    }
  }
}

/** Floating numbers must fall by more than they can be off for a chain to be better, or chains would go round. */
const ROUNDING = 1e-6

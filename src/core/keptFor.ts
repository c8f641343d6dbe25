/**
 * `make`, whose answer is kept as long as the object that it is made of: the one way in which pure answers are
 * remembered. `make` must read nothing else.
 */
export function keptFor<Of extends object, Made extends NonNullable<unknown>>(
  make: (of: Of) => Made,
): (of: Of) => Made {
  const kept = new WeakMap<Of, Made>()
  return (of) => {
    let made = kept.get(of)
    if (made === undefined) kept.set(of, (made = make(of)))
    return made
  }
}

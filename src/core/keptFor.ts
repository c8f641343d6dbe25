/**
 * `make`, whose answer is kept as long as the object that it is made of: the one way in which pure answers are
 * remembered. `make` must read nothing else.
 */
export function keptFor<Of extends object, Made extends object>(make: (of: Of) => Made): (of: Of) => Made {
  const kept = new WeakMap<Of, Made>()
  return (of) => {
    let made = kept.get(of)
    if (!made) kept.set(of, (made = make(of)))
    return made
  }
}

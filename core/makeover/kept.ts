/**
 * The one way in which something computed is kept: while all that it rests on is the same objects. Documents never change
 * in place, so an object that is the same holds the same.
 */

/** The same function, which answers from what it found the last times it was asked with these objects. */
export function kept<Args extends readonly unknown[], Value>(
  restsOn: (...args: Args) => readonly [object, ...unknown[]],
  make: (...args: Args) => Value,
): (...args: Args) => Value {
  const known = new WeakMap<object, { readonly grounds: readonly unknown[]; readonly value: Value }[]>()
  return (...args) => {
    const grounds = restsOn(...args)
    const found = known.get(grounds[0])?.find((entry) => sameGrounds(entry.grounds, grounds))
    if (found) return found.value
    const value = make(...args)
    known.set(grounds[0], [{ grounds, value }, ...(known.get(grounds[0]) ?? []).slice(0, most - 1)])
    return value
  }
}

/** How many states that share their first object are kept: a document before and after a change, and one looked at. */
const most = 4

export const sameGrounds = (left: readonly unknown[], right: readonly unknown[]): boolean =>
  left.length === right.length && left.every((ground, at) => Object.is(ground, right[at]))

/**
 * What stands in an object under a name that comes from data; undefined where it has none of its own. Never what every
 * object inherits: a region may be called `constructor`. O(1).
 */
export const ownValue = <T>(all: { readonly [name: string]: T } | undefined, name: string): T | undefined =>
  all !== undefined && Object.hasOwn(all, name) ? all[name] : undefined

import type { Machine } from '../../core/machine/plan.ts'
import type { PowerState } from '../../core/off/powerState.ts'
import type { Meaning } from './nearestName.ts'

/** What lists of other programs write in columns that have few answers, in the languages that such lists come in. */

interface Known<T extends string> extends Meaning {
  readonly id: T
}

export const ADDRESS_MEANINGS: readonly Known<Machine['address']>[] = [
  { id: 'none', name: 'none', also: ['no', 'false', '0', 'private', 'nein', 'keine', 'non', 'aucune', 'ninguna', 'não', 'off'] },
  { id: 'changing', name: 'changing', also: ['yes', 'true', '1', 'public', 'dynamic', 'ephemeral', 'ja', 'oui', 'sí', 'sim', 'dynamisch', 'on'] },
  { id: 'fixed', name: 'fixed', also: ['static', 'reserved', 'permanent', 'fest', 'statisch', 'fixe', 'fija', 'fixo'] },
] // prettier-ignore

export const STATE_MEANINGS: readonly Known<PowerState>[] = [
  { id: 'running', name: 'running', also: ['on', 'never off', 'always on', 'none', 'an', 'läuft', 'laufend', 'started', 'en marche'] },
  { id: 'stopped', name: 'stopped', also: ['stop', 'off', 'shutdown', 'shut down', 'powered off', 'halted', 'aus', 'gestoppt', 'arrêté', 'parado'] },
  { id: 'deallocated', name: 'deallocated', also: ['deallocate', 'released', 'given back', 'freigegeben', 'libéré'] },
  { id: 'hibernated', name: 'hibernated', also: ['hibernate', 'suspended', 'suspend', 'sleep', 'ruhezustand', 'hiberné'] },
  { id: 'deleted', name: 'deleted', also: ['delete', 'destroy', 'terminated', 'removed', 'gelöscht', 'supprimé'] },
] // prettier-ignore

export const meaningOf = <T extends string>(all: readonly Known<T>[], id: T): Known<T> =>
  all.find((each) => each.id === id)!

import type { ListField } from './listMapping.ts'

/** Words that headings of price lists use, in a few languages; the first of a field are the surest. */
export const FIELD_WORDS: {
  readonly [Field in ListField | 'system' | 'term' | 'unit']: ReadonlySet<string>
} = {
  size: new Set([
    'size',
    'sizes',
    'type',
    'model',
    'flavour',
    'flavor',
    'machine',
    'instance',
    'sku',
    'shape',
    'name',
    'product',
    'server',
    'vm',
    'label',
    'typ',
    'modell',
    'taille',
    'maschine',
  ]),
  vcpu: new Set([
    'vcpu',
    'vcpus',
    'cpu',
    'cpus',
    'core',
    'cores',
    'processors',
    'threads',
    'kerne',
    'coeurs',
  ]),
  memory: new Set(['memory', 'mem', 'ram', 'speicher', 'memoire']),
  architecture: new Set(['arch', 'architecture', 'isa', 'architektur']),
  family: new Set(['family', 'series', 'line', 'class', 'familie', 'serie']),
  place: new Set([
    'place',
    'region',
    'location',
    'site',
    'datacentre',
    'datacenter',
    'city',
    'where',
    'ort',
    'standort',
    'lieu',
  ]),
  disk: new Set(['disk', 'disc', 'volume', 'storage', 'drive', 'platte', 'disque']),
  room: new Set(['room', 'capacity', 'space', 'groesse', 'gross']),
  price: new Set([
    'price',
    'rate',
    'cost',
    'amount',
    'fee',
    'tariff',
    'charge',
    'preis',
    'prix',
    'tarif',
    'hourly',
    'monthly',
  ]),
  currency: new Set(['currency', 'cur', 'ccy', 'waehrung', 'wahrung', 'devise']),
  system: new Set(['os', 'system', 'image', 'software', 'platform', 'betriebssystem']),
  term: new Set([
    'term',
    'terms',
    'plan',
    'commitment',
    'contract',
    'duration',
    'lease',
    'binding',
    'laufzeit',
  ]),
  unit: new Set(['unit', 'per', 'basis', 'einheit']),
}

/** How a system is called that costs nothing more, and terms that bind to nothing. */
export const PLAIN_SYSTEM = /^(linux|free|none|no|plain|open|-)|\b(linux|none)\b/i
export const UNBOUND_TERM =
  /on.?demand|hourly|none|pay|flex|free|unbound|no.?(term|commit)|stuendlich|stündlich/i

const SYMBOLS: readonly (readonly [RegExp, string, boolean])[] = [
  [/\bCA?\$/, 'CAD', true],
  [/\bAU?\$/, 'AUD', true],
  [/€/, 'EUR', true],
  [/£/, 'GBP', true],
  [/₹/, 'INR', true],
  // More than one country’s.
  [/\$/, 'USD', false],
  [/¥/, 'JPY', false],
]

/** The currency that a sign stands for, and whether it stands for that alone. */
export function currencyOfSign(
  text: string,
): { readonly currency: string; readonly isSure: boolean } | undefined {
  const found = SYMBOLS.find(([sign]) => sign.test(text))
  return found && { currency: found[1], isSure: found[2] }
}

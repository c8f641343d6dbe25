import { FIELD_WORDS } from '../../core/pricelist/listWords.ts'
import { wordsIn } from '../../core/quantity/wordsIn.ts'
import { plainName } from '../reading/plainNames.ts'

/** What a column can hold. `tag` takes the column's name as its key. */
export const INVENTORY_FIELDS = [
  'name',
  'purpose',
  'provider',
  'region',
  'zone',
  'size',
  'vcpu',
  'memory',
  'image',
  'terms',
  'disk-kind',
  'disk-room',
  'data-disk-room',
  'address',
  'week',
  'off',
  'cost-centre',
  'tag',
] as const
export type InventoryField = (typeof INVENTORY_FIELDS)[number]

/** A field for each column, by its place; undefined is left out. */
export type InventoryMapping = readonly (InventoryField | undefined)[]

const plain = (text: string): string => plainName(text, { empty: ' ' }).replaceAll('-', '')

const NAMES: Record<InventoryField, readonly string[]> = {
  name: [
    'name',
    'machine',
    'machinename',
    'hostname',
    'host',
    'vm',
    'vmname',
    'server',
    'rechner',
    'maschine',
    'servername',
    'maschinenname',
    'rechnername',
    'nom',
    'machinevirtuelle',
    'nombre',
    'maquina',
    'nome',
  ],
  purpose: [
    'purpose',
    'description',
    'note',
    'notes',
    'comment',
    'zweck',
    'beschreibung',
    'bemerkung',
    'bemerkungen',
    'usage',
    'descripcion',
    'descricao',
    'commentaire',
  ],
  provider: ['provider', 'cloud', 'anbieter', 'fournisseur', 'proveedor', 'fornecedor'],
  region: ['region', 'location', 'standort', 'ort', 'emplacement', 'ubicacion', 'localizacao'],
  zone: ['zone'],
  size: [
    'size',
    'machinesize',
    'type',
    'machinetype',
    'plan',
    'groesse',
    'typ',
    'maschinentyp',
    'taille',
    'tamano',
    'tamanho',
  ],
  vcpu: [
    'vcpu',
    'vcpus',
    'cpu',
    'cpus',
    'kerne',
    'prozessoren',
    'cpukerne',
    'coeurs',
    'nucleos',
    'processors',
  ],
  memory: [
    'memory',
    'ram',
    'memorygib',
    'memorygb',
    'ramgb',
    'ramgib',
    'arbeitsspeicher',
    'speicher',
    'hauptspeicher',
    'ramgo',
    'memoire',
    'memoria',
    'arbeitsspeichergb',
    'arbeitsspeichergib',
    'memorygigabytes',
  ],
  image: ['image', 'os', 'operatingsystem', 'betriebssystem', 'systeme', 'sistema', 'sistemaoperativo'],
  terms: ['terms', 'pricing', 'tarif', 'preismodell'],
  'disk-kind': ['diskkind', 'disktype', 'systemdiskkind'],
  'disk-room': [
    'diskroom',
    'disksize',
    'disk',
    'diskgb',
    'diskgib',
    'systemdisk',
    'festplatte',
    'platte',
    'plattengroesse',
    'festplattegb',
    'festplattegib',
    'plattegb',
    'disque',
    'disco',
    'storage',
    'storagegb',
  ],
  'data-disk-room': ['datadisk', 'datadiskroom', 'datadisksize', 'datadiskgb', 'datadiskgib'],
  address: ['address', 'publicaddress', 'publicip', 'adresse', 'oeffentlicheadresse', 'direccion'],
  week: ['week', 'weekplan', 'schedule', 'hours', 'wochenplan', 'zeitplan', 'horaire', 'horario'],
  off: ['off', 'whenoff', 'offstate'],
  'cost-centre': [
    'costcentre',
    'costcenter',
    'kostenstelle',
    'centredecout',
    'centrodecoste',
    'centrodecusto',
  ],
  tag: [],
}

/** What columns plainly call themselves; for the person to confirm. Each field once, tags aside. */
export function proposedMapping(columns: readonly string[]): InventoryMapping {
  const taken = new Set<InventoryField>()
  const take = (is: (field: InventoryField) => boolean): InventoryField | undefined => {
    const field = INVENTORY_FIELDS.find((each) => !taken.has(each) && is(each))
    if (field) taken.add(field)
    return field
  }
  const plainly = columns.map((column) => take((each) => NAMES[each].includes(plain(column))))
  // A line that is not parted yet has words of every field.
  if (columns.length === 1) return plainly
  return columns.map((column, at) => plainly[at] ?? take((each) => saysWord(column, WORDS[each])))
}

/** Whether a heading has a word, and none by which it is of something else. */
function saysWord(column: string, known: ReadonlySet<string> | undefined): boolean {
  const said = wordsIn(column)
  return known !== undefined && said.some((word) => known.has(word)) && !said.some((word) => OTHERS.has(word))
}

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '))

/** Parts that are not the machine’s own, and figures of use. */
const OTHERS = words(
  'gpu vgpu gpus graphics grafik vram video used usage free frei belegt avg average max peak percent load',
)

/** Words of the trade in headings that say more, such as `CPU cores` and `RAM [MiB]`. */
const WORDS: { readonly [Field in InventoryField]?: ReadonlySet<string> } = {
  name: words('hostname host vm server machine rechner maschine maquina servidor serveur'),
  vcpu: FIELD_WORDS.vcpu,
  memory: FIELD_WORDS.memory,
  region: words('site location region datacentre datacenter dc standort ort lieu ubicacion locatie'),
  'data-disk-room': words('data daten donnees datos'),
  'disk-room': words('disk disc storage volume platte festplatte disque disco schijf'),
  image: words('os image betriebssystem'),
  'cost-centre': words('department dept kostenstelle cost abteilung departement departamento afdeling'),
}

/** What is wrong with a mapping, so that no row can be read by it. */
export function mappingProblem(mapping: InventoryMapping): string | undefined {
  if (!mapping.includes('name')) return 'Say which column holds the names of the machines.'
  if (!mapping.includes('size') && !(mapping.includes('vcpu') && mapping.includes('memory'))) {
    return 'Say which column holds the sizes, or which hold vCPU and memory.'
  }
  const twice = INVENTORY_FIELDS.find(
    (field) => field !== 'tag' && mapping.filter((each) => each === field).length > 1,
  )
  return twice && `Two columns are said to hold the same: ${twice.replaceAll('-', ' ')}.`
}

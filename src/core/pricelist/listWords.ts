import type { ListField, RowKind } from './listMapping.ts'

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '))

/** Words that headings of price lists use, in a few languages; the first of a field are the surest. */
export const FIELD_WORDS: { readonly [Field in ListField]: ReadonlySet<string> } = {
  size: words(
    'size sizes type types model models flavour flavor machine machines instance instances server servers shape name label title product server vm offer item instanz typ modell taille maschine bezeichnung rechner modele modelo maquina servidor serveur naam nombre nom artikel article plan sku code id',
  ),
  vcpu: words(
    'vcpu vcpus cpu cpus vcores vcore core cores processors processor threads kerne coeurs vkerne nucleos kernen cpukerne prozessoren',
  ),
  memory: words('memory mem ram speicher memoire arbeitsspeicher memoria geheugen'),
  architecture: words('arch architecture isa architektur'),
  family: words('family series line class group familie serie gamme'),
  localDisk: words('scratch ephemeral local nvme'),
  mostDisks: words('maxdisks disks'),
  iops: words('iops'),
  throughput: words('throughput mbps durchsatz'),
  network: words('network nic net bandwidth netz reseau'),
  place: words(
    'place region location site datacentre datacenter city town where area ort standort lieu ville house dc rz rechenzentrum ubicacion lugar ciudad zona locatie plaats stad emplacement pays land country centre center',
  ),
  zone: words('zone az zones'),
  system: words('os system image software platform betriebssystem systeme'),
  term: words('term terms plan commitment contract duration lease binding tenure laufzeit bindung duree'),
  payment: words('payment pay paid prepaid zahlung paiement'),
  upFront: words('upfront front setup onetime prepayment once deposit advance einmalig'),
  disk: words(
    'disk disc volume storage drive kind type name label title tier product platte disque plattenart',
  ),
  room: words('room capacity space size gib gb groesse grosse gross'),
  bandFrom: words('from above over begin begins start min ab lower'),
  bandUpTo: words('to upto until end ends max below bis upper'),
  use: words('use state status while attachment condition zustand verwendung'),
  price: words(
    'price rate cost amount fee tariff charge preis prix tarif precio tarifa prijs tarief kosten costo coste cout value hourly monthly stundenpreis monatspreis jahrespreis tagespreis net netto',
  ),
  unit: words('unit per basis uom measure einheit unite unidad eenheid'),
  validFrom: words(
    'valid effective since starting applicable gueltig gultig ab valable validity gultigkeit geldig vanaf valido desde from period',
  ),
  validTo: words('until expires expiry end ends bis to through tot hasta jusqu'),
  currency: words('currency cur ccy waehrung wahrung devise money'),
}

/** Words by which a row or a table is told to be something else than sizes. */
export const KIND_WORDS: { readonly [Kind in RowKind]: ReadonlySet<string> } = {
  'size-price': words(
    'machine machines compute server servers vm vms size sizes instance instances maschine maschinen rechner',
  ),
  'disk-price': words(
    'disk disks disc discs speicher massenspeicher stockage volume volumes storage drive drives block platten platte disque disques',
  ),
  'address-price': words('address addresses ip ipv4 ips adresse adressen'),
  'traffic-price': words('traffic egress transfer outbound bandwidth verkehr trafic outgoing'),
  'snapshot-price': words('snapshot snapshots backup backups abbild abbilder'),
}

/** How a system is called that costs nothing more. */
export const PLAIN_SYSTEM = /^(linux|free|none|no|plain|open|-)|\b(linux|none)\b/i

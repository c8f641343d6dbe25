import type { BillField, RowUse } from './billMapping.ts'

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '))

/** Words that headings of bills use, in a few languages; the first of a field are the surest. */
export const BILL_FIELD_WORDS: { readonly [Field in BillField]: ReadonlySet<string> } = {
  start: words(
    'start from begin begins since day date time hour month period datum tag beginn von jour debut fecha',
  ),
  end: words('end until to ends stop bis ende fin'),
  resource: words(
    'resource id identifier asset machine server object objekt ressource kennung host vm node instance maschine rechner',
  ),
  name: words('name label hostname bezeichnung nom nombre'),
  kind: words(
    'kind service type product category meter item what charge description position posten dienst produkt art leistung usage',
  ),
  quantity: words(
    'quantity amount usage used consumed units hours menge anzahl verbrauch quantite cantidad qty',
  ),
  unit: words('unit units uom measure einheit unite unidad'),
  unitPrice: words('price rate unitprice tariff einzelpreis preis tarif'),
  cost: words(
    'cost total charge amount net sum value kosten betrag netto summe cout montant coste importe eur usd gbp',
  ),
  currency: words('currency cur ccy waehrung wahrung devise moneda'),
  region: words('region location site place datacentre datacenter standort lieu ort'),
  zone: words('zone az'),
  size: words('size flavour flavor model sku plan instance typ modell shape'),
  vcpu: words('vcpu vcpus cpu cores kerne'),
  memory: words('memory ram gib arbeitsspeicher'),
  system: words('os system image betriebssystem platform'),
}

/** Words by which a row’s use is told, those that say most first: a licence of a machine is a licence. */
export const USE_WORDS: readonly (readonly [RowUse, ReadonlySet<string>])[] = [
  ['tax', words('tax vat gst mwst ust steuer umsatzsteuer mehrwertsteuer tva iva')],
  ['credit', words('credit discount refund voucher gutschrift rabatt avoir')],
  ['licence', words('licence license licences licenses lizenz lizenzen subscription surcharge')],
  ['snapshot', words('snapshot snapshots backup backups abbild abbilder sicherung')],
  ['traffic', words('traffic egress transfer outbound bandwidth verkehr trafic datenverkehr')],
  ['address', words('address addresses ip ipv4 ips adresse adressen')],
  ['memory', words('hibernation hibernated hibernate')],
  [
    'disk',
    words(
      'disk disks disc discs volume volumes storage drive block platte platten speicher disque stockage massenspeicher',
    ),
  ],
  [
    'machine-time',
    words(
      'machine machines compute server servers vm vms instance instances cpu vcpu rechner maschine maschinen hours virtual',
    ),
  ],
]

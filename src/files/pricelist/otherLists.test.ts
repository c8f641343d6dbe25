import { describe, expect, test } from 'vitest'
import { linesOfList } from './testing/linesOfList.ts'

describe('lists of shapes that nobody announced', () => {
  test.each<[string, Record<string, string>, string[]]>([
    [
      'prices with the days from which they hold: the last one that does, or the first where none does yet',
      {
        'dated.csv': `machine,vCPU,memory GiB,site,effective from,effective to,EUR per hour
Oak,2,8,Leeds,2026-01-01,2026-12-31,0.11
Oak,2,8,Leeds,2027-01-01,2027-06-30,0.1
Oak,2,8,Leeds,2027-07-01,,0.12
Elm,4,16,Leeds,2027-07-01,,0.2
Elm,4,16,Leeds,2027-09-01,,0.3
`,
      },
      ['Oak 2/8, Leeds: 0.1 an hour', 'Elm 4/16, Leeds: 0.2 an hour'],
    ],
    [
      'a year paid whole up front, without a price for an hour',
      {
        'paid.csv': `machine,vCPU,memory GiB,site,term,payment,up front EUR,EUR per hour
Oak,2,8,Leeds,on demand,none,,0.1
Oak,2,8,Leeds,1 year,all up front,500,
Elm,4,16,Leeds,on demand,none,,0.2
Elm,4,16,Leeds,1 year,all up front,1000,-
`,
      },
      [
        'Oak 2/8, Leeds: 0.1 an hour',
        'Oak 2/8, Leeds, 1-year-all-up-front: 0 an hour and 500',
        'Elm 4/16, Leeds: 0.2 an hour',
        'Elm 4/16, Leeds, 1-year-all-up-front: 0 an hour and 1000',
      ],
    ],
    [
      'room in bands',
      {
        'sizes.csv': 'machine,vCPU,memory GiB,site,EUR per hour\nOak,2,8,Leeds,0.1\nElm,4,16,Leeds,0.2\n',
        'disks.csv': `disk,site,from GiB,up to GiB,EUR per GiB-month
Slow,Leeds,0,512,0.1
Slow,Leeds,512,,0.06
Fast,Leeds,0,,0.2
`,
      },
      [
        'Oak 2/8, Leeds: 0.1 an hour',
        'Elm 4/16, Leeds: 0.2 an hour',
        'slow, Leeds: 0.1 to 512, 0.06 to all a GiB and month',
        'fast, Leeds: 0.2 a GiB and month',
      ],
    ],
    [
      'rows of several kinds, told by a column, each with its unit',
      {
        'mixed.csv': `category,item,location,vcpus,ram_gib,billing unit,list price,currency
server,Onyx S,Dublin,2,4,hour,0.041,EUR
server,Onyx M,Dublin,4,8,hour,0.082,EUR
storage,Slab,Dublin,,,GiB-month,0.08,EUR
traffic,Egress,Dublin,,,GiB,0.05,EUR
address,Fixed IP,Dublin,,,month,2.92,EUR
`,
      },
      [
        'Onyx S 2/4, Dublin: 0.041 an hour',
        'Onyx M 4/8, Dublin: 0.082 an hour',
        'slab, Dublin: 0.08 a GiB and month',
        'address, Dublin: 0.004',
        'traffic to all, Dublin: 0.05',
      ],
    ],
    [
      'terms as columns, memory in MiB, tabs',
      {
        'terms.tsv':
          'Flavour\tRegion\tCPU\tMem MiB\tOn demand $/h\t1 yr $/h\nquartz1\tTokyo\t1\t2048\t0.02\t0.014\nquartz2\tTokyo\t2\t4096\t0.04\t\n',
      },
      [
        'quartz1 1/2, Tokyo: 0.02 an hour',
        'quartz1 1/2, Tokyo, 1-yr: 0.014 an hour',
        'quartz2 2/4, Tokyo: 0.04 an hour',
      ],
    ],
    [
      'a value on each line with prices nested by place and system',
      {
        'lines.ndjson': `{"id":"p1","spec":{"cpu":2,"memory":{"value":8,"unit":"GiB"}},"prices":[{"region":"Leeds","os":"linux","hourly":"0.08"},{"region":"Leeds","os":"winstone","hourly":"0.12"},{"region":"Kobe","os":"linux","hourly":"0.09"}]}
{"id":"p2","spec":{"cpu":4,"memory":{"value":16,"unit":"GiB"}},"prices":[{"region":"Leeds","os":"linux","hourly":"0.16"}]}
`,
      },
      [
        'p1 2/8, Leeds: 0.08 an hour',
        'p1 2/8, Leeds, winstone: 0.12 an hour',
        'p2 4/16, Leeds: 0.16 an hour',
        'p1 2/8, Kobe: 0.09 an hour',
      ],
    ],
    [
      'a map of places in each size',
      {
        'map.json': JSON.stringify({
          currency: 'USD',
          sizes: [
            { name: 'gneiss.s', vcpu: 1, memory_gib: 2, price_per_hour: { Halifax: 0.01, Leeds: 0.012 } },
            { name: 'gneiss.m', vcpu: 2, memory_gib: 4, price_per_hour: { Halifax: 0.02 } },
          ],
        }),
      },
      [
        'gneiss.s 1/2, Halifax: 0.01 an hour',
        'gneiss.m 2/4, Halifax: 0.02 an hour',
        'gneiss.s 1/2, Leeds: 0.012 an hour',
      ],
    ],
    [
      'maps of maps, places first',
      {
        'deep.json':
          '{"eu-lyon":{"opal-2":{"vcpu":2,"ram_gib":4,"usd_hour":0.03},"opal-4":{"vcpu":4,"ram_gib":8,"usd_hour":0.06}},"ap-pune":{"opal-2":{"vcpu":2,"ram_gib":4,"usd_hour":0.025}}}',
      },
      [
        'opal-2 2/4, eu-lyon: 0.03 an hour',
        'opal-4 4/8, eu-lyon: 0.06 an hour',
        'opal-2 2/4, ap-pune: 0.025 an hour',
      ],
    ],
    [
      'prices in words, figures in one cell, by the month',
      {
        'words.csv':
          'Plan,Specs,Price\nReed 1,"1 vCPU, 2 GiB RAM, 25 GiB SSD","$5.00 per month"\nReed 2,"2 vCPU, 4 GiB RAM, 50 GiB SSD","$1,012.00 per month"\n',
      },
      ['Reed 1 1/2, Everywhere: 5 a month', 'Reed 2 2/4, Everywhere: 1012 a month'],
    ],
    [
      'zones, whose hardware it is, and what is paid up front',
      {
        'zones.csv': `size,region,zone,vcpu,memory_gib,tenancy,term,upfront,hourly
jade2,Paris,a,2,4,shared,none,0,0.05
jade2,Paris,b,2,4,shared,none,0,0.05
jade2,Paris,a,2,4,dedicated,none,0,0.07
jade2,Paris,a,2,4,shared,1yr,200,0.01
jade4,Paris,a,4,8,shared,none,0,0.10
jade4,Paris,a,4,8,shared,3yr,0,0.06
jade4,Paris,a,4,8,dedicated,none,0,0.14
`,
      },
      [
        'jade2 2/4, Paris: 0.05 an hour',
        'jade2 2/4, Paris, 1yr: 0.01 an hour and 200',
        'jade4 4/8, Paris: 0.10 an hour',
        'jade4 4/8, Paris, 3yr: 0.06 an hour',
      ],
    ],
    [
      'codes of places in a file of their own, for 1,000 hours',
      {
        'prices.csv':
          'SKU;Description;Region code;Price per 1000 hours (CHF)\nK-100;Basalt 2 vCPU 4 GiB;zrh;31.50\nK-101;Basalt 4 vCPU 8 GiB;zrh;63.00\nK-100;Basalt 2 vCPU 4 GiB;gva;33.10\n',
        'places.csv': 'code,city\nzrh,Zurich\ngva,Geneva\n',
      },
      [
        'K-100 2/4, Zurich: 0.0315 an hour',
        'K-101 4/8, Zurich: 0.063 an hour',
        'K-100 2/4, Geneva: 0.0331 an hour',
      ],
    ],
    [
      'a file for each place',
      {
        'Oslo.csv': 'Size,vCPU,RAM GiB,EUR per hour\nquill2,2,4,0.05\nquill4,4,8,0.10\n',
        'Riga.csv': 'Size,vCPU,RAM GiB,EUR per hour\nquill2,2,4,0.06\n',
      },
      ['quill2 2/4, Oslo: 0.05 an hour', 'quill4 4/8, Oslo: 0.10 an hour', 'quill2 2/4, Riga: 0.06 an hour'],
    ],
    [
      'offers by key beside what is sold, with as many digits as given',
      {
        'offers.json': JSON.stringify({
          catalog: {
            servers: [
              { sku: 'A1', title: 'Larch 2', hw: { vcpu: 2, memory_gib: 4 }, os: 'linux' },
              { sku: 'A2', title: 'Larch 4', hw: { vcpu: 4, memory_gib: 8 }, os: 'linux' },
              { sku: 'A3', title: 'Larch 2', hw: { vcpu: 2, memory_gib: 4 }, os: 'office' },
            ],
          },
          offers: {
            A1: [
              { loc: 'Riga', kind: 'payg', usd: '0.0301234567890123', per: 'hour' },
              { loc: 'Riga', kind: '1yr', usd: '0.02', per: 'hour' },
            ],
            A2: [{ loc: 'Riga', kind: 'payg', usd: '0.06', per: 'hour' }],
            A3: [{ loc: 'Riga', kind: 'payg', usd: '0.0501234567890123', per: 'hour' }],
          },
        }),
      },
      [
        'Larch 2 2/4, Riga: 0.0301234567890123 an hour',
        'Larch 2 2/4, Riga, office: 0.050123456789 an hour',
        'Larch 2 2/4, Riga, 1yr: 0.02 an hour',
        'Larch 4 4/8, Riga: 0.06 an hour',
      ],
    ],
    [
      'keys that look like terms and are sizes',
      {
        'keys.json': JSON.stringify({
          regions: [
            {
              label: 'Kobe',
              machines: {
                m1: { cpu: 2, mem_gib: 4, cost: { per_hour: 0.02 } },
                m2: { cpu: 4, mem_gib: 8, cost: { per_hour: 0.04 } },
              },
            },
            { label: 'Osaka', machines: { m1: { cpu: 2, mem_gib: 4, cost: { per_hour: 0.021 } } } },
          ],
        }),
      },
      ['m1 2/4, Kobe: 0.02 an hour', 'm2 4/8, Kobe: 0.04 an hour', 'm1 2/4, Osaka: 0.021 an hour'],
    ],
    [
      'German words for kinds of rows, and decimal commas',
      {
        'dienste.csv': `Dienst;Bezeichnung;vKerne;RAM in GiB;Standort;Einheit;Preis in EUR
Rechner;Ahorn 2;2;4;Köln;Stunde;0,031
Rechner;Ahorn 4;4;8;Köln;Stunde;0,062
Speicher;Platte schnell;;;Köln;GiB und Monat;0,09
Verkehr;ausgehend;;;Köln;GiB;0,04
IP-Adresse;fest;;;Köln;Stunde;0,004
`,
      },
      [
        'Ahorn 2 2/4, Köln: 0.031 an hour',
        'Ahorn 4 4/8, Köln: 0.062 an hour',
        'platte-schnell, Köln: 0.09 a GiB and month',
        'address, Köln: 0.004',
        'traffic to all, Köln: 0.04',
      ],
    ],
    [
      'what a price is for in the cells beside it, and a snapshot',
      {
        'cells.csv': `"product family","product","attributes","region description","operating system","hourly rate (GBP)"
"Compute","larch-2","2 vCPU / 4.0 GiB","London West","Linux","£0.0412"
"Compute","larch-2","2 vCPU / 4.0 GiB","London West","Licensed","£0.0712"
"Block volumes","plain","per GiB-month","London West","NA","£0.05"
"Snapshots","","per GiB-month","London West","NA","£0.03"
`,
      },
      [
        'larch-2 2/4, London West: 0.0412 an hour',
        'larch-2 2/4, London West, licensed: 0.0712 an hour',
        'plain, London West: 0.05 a GiB and month',
        'snapshot, London West: 0.03',
      ],
    ],
  ])('%s', async (_, files, expected) => {
    expect(await linesOfList(files)).toEqual(expected)
  })
})

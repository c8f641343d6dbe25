"""Price lists in the writing of many makers, each with the truth that it was made of, as one JSON document:

    python3 scripts/otherLists.py > src/files/pricelist/testing/otherLists.json

Needs openpyxl (Debian: python3-openpyxl) for the spreadsheets. It shares nothing with the program that reads them.
"""
import base64, csv, datetime, io, json
from decimal import Decimal as D
from fractions import Fraction as F

import openpyxl

LISTS = []
PLACES = ['Porto', 'Leeds']
FAM = [('Alder', 4), ('Birch', 2)]


def sizes(families=FAM, counts=(1, 2, 4, 16)):
    return [(f'{f} {n}', n, n * r) for f, r in families for n in counts]


def rate(v, m, k=0):
    """A price an hour with five digits."""
    return (D(v) * D('0.0183') + D(m) * D('0.0021') + D(k) * D('0.0007')).quantize(D('0.00001'))
def fmt(d): 
    s = format(d, 'f')
    return s
def de(d, group=False):
    s = f'{d:,f}' if group else format(d, 'f')
    return s.replace(',', '_').replace('.', ',').replace('_', '.')
def P(size, v, m, place, price, per='hour', cur='EUR', term=None, system=None):
    return dict(size=size, vcpu=v, memory=m, place=place, price=str(price), per=per, currency=cur, **({'term': term} if term else {}), **({'system': system} if system else {}))
def put(name, files, truth=(), disks=(), traffic=(), note=''):
    def text(content):
        return {'base64': base64.b64encode(content).decode()} if isinstance(content, bytes) else {'text': content}
    LISTS.append(dict(name=name, **({'note': note} if note else {}), files=[dict(name=f, **text(c)) for f, c in files.items()],
                      prices=list(truth), disks=list(disks), traffic=list(traffic)))
def table(rows, sep=',', quote=csv.QUOTE_MINIMAL, end='\n'):
    b = io.StringIO(); csv.writer(b, delimiter=sep, quoting=quote, lineterminator=end).writerows(rows); return b.getvalue()

def book(sheets):
    w = openpyxl.Workbook(); w.remove(w.active)
    for n, rs in sheets:
        x = w.create_sheet(n)
        for r in rs: x.append(r)
    b = io.BytesIO(); w.save(b); return b.getvalue()

# decimal commas in quotes in a comma file
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Location', 'Price EUR/h']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        r = rate(v, m).quantize(D('0.001')); rows.append([s, v, m, p, de(r)]); t.append(P(s, v, m, p, r))
put('quoted-commas', {'list.csv': table(rows)}, t)

# german, semicolons, monthly with points for thousands, some without decimals
rows, t = [['Rechner', 'Kerne (virtuell)', 'Arbeitsspeicher', 'Standort', 'Preis/Monat']], []
for p in PLACES:
    for s, v, m in sizes(counts=(1, 4, 16, 64)):
        r = (rate(v, m) * 730).quantize(D('0.01')); rows.append([s, v, f'{m} GB', p, de(r, True) + ' €']); t.append(P(s, v, m, p, r, 'month'))
put('german-months', {'liste.csv': table(rows, ';')}, t)

# millionths
rows, t = [['model', 'vcpus', 'memory_mib', 'region', 'price_micros_per_hour', 'currency']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, v, m * 1024, p, int(r * 1000000), 'USD']); t.append(P(s, v, m, p, r, cur='USD'))
put('millionths', {'l.csv': table(rows)}, t)

# cents
rows, t = [['Size', 'CPUs', 'Memory (GB)', 'City', 'Cents per hour']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, v, m, p, fmt((r * 100).normalize())]); t.append(P(s, v, m, p, r, cur='?'))
put('cents', {'l.csv': table(rows)}, t)

# counted units, row by row
rows, t = [['Product', 'vCPU', 'Memory GiB', 'Site', 'Unit', 'Price', 'Currency']], []
units = [('1 Hour', 1), ('10 Hours', 10), ('100 Hours', 100), ('1,000 Hours', 1000)]
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        u, n = units[i % 4]; r = rate(v, m); rows.append([s, v, m, p, u, fmt(r * n), 'EUR']); t.append(P(s, v, m, p, r))
put('counted-units', {'l.csv': table(rows)}, t)

# heading per 720 hours
rows, t = [['Server', 'vCPU', 'RAM', 'Ort', 'Price per 720 hours (GBP)']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, v, f'{m} GiB', p, fmt((r * 720).normalize())]); t.append(P(s, v, m, p, r, cur='GBP'))
put('per-720', {'l.csv': table(rows)}, t)

# periods and signs in cells
rows, t = [['Plan', 'vCPU', 'Memory', 'Region', 'Price']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        r = rate(v, m)
        if i % 3: rows.append([s, v, f'{m} GiB', p, f'€{fmt(r)}/h']); t.append(P(s, v, m, p, r))
        else: q = (r * 650).quantize(D('0.01')); rows.append([s, v, f'{m} GiB', p, f'€{fmt(q)}/month']); t.append(P(s, v, m, p, q, 'month'))
put('periods-in-cells', {'l.csv': table(rows)}, t)

# units of memory in cells
rows, t = [['Name', 'vCPU', 'Memory', 'Place', '$/hr']], []
S = [('Fir xs', 1, '512 MiB', 0.5), ('Fir s', 1, '1 GiB', 1), ('Fir m', 2, '4096 MiB', 4), ('Fir l', 8, '32 GiB', 32), ('Fir xl', 64, '0.5 TiB', 512), ('Fir xxl', 128, '1 TiB', 1024)]
for p in PLACES:
    for s, v, text, m in S:
        r = rate(v, D(m)).quantize(D('0.0001')); rows.append([s, v, text, p, fmt(r)]); t.append(P(s, v, m, p, r, cur='USD'))
put('memory-units', {'l.csv': table(rows)}, t)

# places across, each in its own currency
rows, t = [['Instance', 'vCPU', 'GiB', 'Porto', 'Nagpur', 'Leeds']], []
for s, v, m in sizes():
    r = rate(v, m); rows.append([s, v, m, f'€{fmt(r)}', f'${fmt(r * 2)}', f'£{fmt(r * 3)}'])
    t += [P(s, v, m, 'Porto', r), P(s, v, m, 'Nagpur', r * 2, cur='USD'), P(s, v, m, 'Leeds', r * 3, cur='GBP')]
put('signs-across', {'l.csv': table(rows)}, t)

# titles and sections
rows, t = [['Prices of spring', '', '', ''], ['All prices in EUR per hour', '', '', ''], ['', '', '', ''], ['Type', 'vCPU', 'Memory GiB', 'Rate']], []
for p in PLACES:
    rows.append([p, '', '', ''])
    for s, v, m in sizes():
        r = rate(v, m, PLACES.index(p)); rows.append([s, v, m, fmt(r)]); t.append(P(s, v, m, p, r))
rows += [['', '', '', ''], ['Prices without tax', '', '', '']]
put('sections', {'l.csv': table(rows)}, t)

# JSON texts with commas
items, t = [], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m).quantize(D('0.001')); items.append(dict(bezeichnung=s, vcpu=v, ram_gb=m, standort=p, preis_pro_stunde=de(r), waehrung='EUR')); t.append(P(s, v, m, p, r))
put('json-texts', {'l.json': json.dumps(dict(stand='2027-03-01', angebote=items), indent=1)}, t)

# disks by GB-month beside machines
rows, t = [['Kind', 'Name', 'vCPU', 'Memory GiB', 'Location', 'Unit', 'EUR']], []
dk = []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append(['machine', s, v, m, p, 'hour', fmt(r)]); t.append(P(s, v, m, p, r))
    for k, q in (('Slate', '0.045'), ('Quartz', '0.11')):
        rows.append(['storage', k, '', '', p, '100 GiB-months', str(D(q) * 100)]); dk.append(dict(disk=k, place=p, perGiBMonth=q))
put('disks-100', {'l.csv': table(rows)}, t, dk)

# net, gross, old
rows, t = [['Item', 'vCPU', 'RAM (GiB)', 'Location', 'Former price', 'Gross price per hour', 'Net price per hour', 'Currency']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, v, m, p, fmt(r * 2), fmt((r * D('1.23')).quantize(D('0.00001'))), fmt(r), 'EUR']); t.append(P(s, v, m, p, r))
put('net-gross-former', {'l.csv': table(rows)}, t)

# hourly and monthly, GPU
rows, t = [['SKU', 'Model', 'GPU model', 'GPU memory', 'vCPU', 'Memory', 'Data centre', 'Monthly EUR', 'Hourly EUR']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        r = rate(v, m); rows.append([f'SK{10000 + len(rows)}', s, 'none' if i % 3 else 'Tor 16', '' if i % 3 else '48 GB', v, f'{m} GB', p, fmt((r * 730).quantize(D('0.01'))), fmt(r)]); t.append(P(s, v, m, p, r))
put('hour-and-month-gpu', {'l.csv': table(rows)}, t)

# cores, site, department
rows, t = [['Department', 'Server', 'Cores', 'RAM GiB', 'Site', 'Euro per hour']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        r = rate(v, m); rows.append(['Research' if i % 2 else 'Ledger', s, v, m, p, fmt(r)]); t.append(P(s, v * 2, m, p, r))
put('cores-site', {'l.csv': table(rows)}, t, note='cores are two vCPU, or asked')

# french
rows, t = [['Modèle', 'Coeurs virtuels', 'Mémoire (Go)', 'Lieu', 'Prix mensuel (€)']], []
for p in PLACES:
    for s, v, m in sizes(counts=(2, 8, 32)):
        r = (rate(v, m) * 730).quantize(D('0.01')); rows.append([s, v, m, p, f'{r:,.2f}'.replace(',', '\u202f').replace('.', ',')]); t.append(P(s, v, m, p, r, 'month'))
put('french', {'l.csv': table(rows, ';')}, t)

# spanish per day
rows, t = [['Máquina', 'CPU virtuales', 'Memoria (GB)', 'Ubicación', 'Precio por día (EUR)']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, v, m, p, de((r * 24).normalize())]); t.append(P(s, v, m, p, r))
put('spanish-days', {'l.csv': table(rows, ';')}, t)

# dutch per minute
rows, t = [['Machine', 'vCPU', 'Geheugen (GiB)', 'Locatie', 'Prijs per minuut in euro']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m) * 6; q = r / 60; rows.append([s, v, m, p, de(q.normalize())]); t.append(P(s, v, m, p, r))
put('dutch-minutes', {'l.csv': table(rows, '\t')}, t)

# yearly, thousands with commas, no fractions
rows, t = [['Machine', 'vCPUs', 'Memory GiB', 'Region', 'Annual price USD']], []
for p in PLACES:
    for s, v, m in sizes(counts=(2, 4, 8, 16, 32)):
        y = int(rate(v, m) * 8760) + 1000; rows.append([s, v, m, p, f'{y:,}']); t.append(P(s, v, m, p, F(y, 12), 'month', 'USD'))
put('yearly-groups', {'l.csv': table(rows)}, t)

# yen by month
rows, t = [['Server type', 'vCPU', 'Memory', 'Place', 'Monthly fee']], []
for p in ['Kobe', 'Osaka']:
    for s, v, m in sizes():
        y = int(rate(v, m) * 730 * 150); rows.append([s, v, f'{m} GB', p, f'¥{y:,}']); t.append(P(s, v, m, p, y, 'month', 'JPY'))
put('yen', {'l.csv': table(rows)}, t)

# dates day first, three editions, the second holds in March 2027
rows, t = [['Size', 'vCPU', 'GiB memory', 'Place', 'Price per hour EUR', 'Valid from']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m)
        for d, k in (('13/01/2026', 1), ('01/02/2027', 2), ('01/04/2027', 3)): rows.append([s, v, m, p, fmt(r * k), d])
        t.append(P(s, v, m, p, r * 2))
put('dates-day-first', {'l.csv': table(rows)}, t)

# month names in dates, valid to in the past
rows, t = [['Size', 'vCPU', 'Memory GiB', 'Place', 'EUR per hour', 'Valid from', 'Valid to']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m)
        rows.append([s, v, m, p, fmt(r * 3), '1 Jan 2026', '31 Dec 2026']); rows.append([s, v, m, p, fmt(r), '1 January 2027', ''])
        t.append(P(s, v, m, p, r))
rows.append(['Oak 9', 9, 18, 'Porto', '0.5', '1 Jan 2025', '31 Dec 2025'])
put('month-names-valid-to', {'l.csv': table(rows)}, t, note='Oak 9 is sold no more')

# a vCPU and a half
rows, t = [['Name', 'vCPU', 'Memory GiB', 'Place', 'EUR/h']], []
for p in PLACES:
    for s, v, m in [('Elm half', '0.5', 1), ('Elm one', 1, 2), ('Elm more', '1.5', 3), ('Elm two', 2, 4), ('Elm four', 4, 8)]:
        r = rate(D(v), m).quantize(D('0.0001')); rows.append([s, v, m, p, fmt(r)])
        if D(v) == int(D(v)): t.append(P(s, int(v), m, p, r))
put('half-vcpu', {'l.csv': table(rows)}, t, note='halves are named, the others come in')

# licence surcharge as rows
rows, t = [['Article', 'Kind', 'vCPU', 'RAM GiB', 'Place', 'EUR/h']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, 'machine', v, m, p, fmt(r)]); t.append(P(s, v, m, p, r))
    rows.append(['Harbour licence per vCPU', 'licence', '', '', p, '0.02'])
put('licence-rows', {'l.csv': table(rows)}, t)

# terms with upfront rows of their own
rows, t = [['Size', 'vCPU', 'Memory GiB', 'Place', 'Term', 'Price kind', 'Unit', 'Price', 'Currency']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m)
        rows.append([s, v, m, p, 'On demand', 'usage', 'per hour', fmt(r), 'EUR']); t.append(P(s, v, m, p, r))
        rows.append([s, v, m, p, '1 year', 'usage', 'per hour', fmt((r * D('0.7')).quantize(D('0.00001'))), 'EUR']); t.append(P(s, v, m, p, (r * D('0.7')).quantize(D('0.00001')), term='1 year'))
put('terms-kind', {'l.csv': table(rows)}, t)

# traffic and disks in files of their own
f = {}
rows, t = [['Machine', 'vCPU', 'RAM GB', 'Location', '€/h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r))
f['machines.csv'] = table(rows)
rows, dk = [['Volume type', 'Location', 'Price per TiB-month (€)']], []
for p in PLACES:
    for k, q in (('Slate', '0.045'), ('Quartz', '0.11')): rows.append([k, p, str(D(q) * 1024)]); dk.append(dict(disk=k, place=p, perGiBMonth=q))
f['volumes.csv'] = table(rows)
rows = [['Traffic out, location', 'from', 'to', '€ per GiB']]
for p in PLACES: rows += [[p, '0', '1 TiB', '0'], [p, '1 TiB', '10 TiB', '0.08'], [p, '10 TiB', '', '0.05']]
f['traffic.csv'] = table(rows)
put('three-files', f, t, dk, [dict(upTo=1024, price='0'), dict(upTo=10240, price='0.08'), dict(price='0.05')])

# sheets of the same columns
sh, t = [], []
for p in PLACES:
    rows = [['Server list ' + p], [], ['Type', 'vCPU', 'RAM (GiB)', 'EUR per month']]
    for s, v, m in sizes(): r = (rate(v, m, PLACES.index(p)) * 700).quantize(D('0.01')); rows.append([s, v, m, float(r)]); t.append(P(s, v, m, p, r, 'month'))
    sh.append((p, rows))
put('sheets', {'l.xlsx': book(sh)}, t)

# semicolons, point decimals beside comma groups in another column
rows, t = [['Machine', 'vCPU', 'RAM MiB', 'Place', 'EUR/hour', 'EUR/month']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m) * 10; rows.append([s, v, f'{m * 1024:,}', p, fmt(r), f'{(r * 730).quantize(D("0.01")):,}']); t.append(P(s, v, m, p, r))
put('groups-and-points', {'l.csv': table(rows, ';')}, t)

# weekly price; memory as G; architecture
rows, t = [['vm', 'arch', 'cpu', 'mem', 'dc', 'per week (EUR)']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()): r = rate(v, m); rows.append([s, 'aarch64' if i % 2 else 'amd64', v, f'{m}G', p, fmt((r * 168).normalize())]); t.append(P(s, v, m, p, r))
put('weekly', {'l.csv': table(rows)}, t)

# figures with three decimals in a comma-decimal file: 1,234 is 1.234
rows, t = [['Maschine', 'vCPU', 'RAM GiB', 'Ort', 'EUR je Stunde']], []
for p in PLACES:
    for s, v, m in sizes(counts=(64, 96, 128)): r = (rate(v, m)).quantize(D('0.001')); rows.append([s, v, m, p, de(r)]); t.append(P(s, v, m, p, r))
put('three-decimals', {'l.csv': table(rows, ';')}, t, note='nothing but the language says that 1,234 is 1.234')

# both prices per vCPU and GiB? not sold; currency pairs in columns
rows, t = [['Machine', 'vCPU', 'Memory GiB', 'Region', 'Price (EUR/h)', 'Price (USD/h)']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt(r), fmt(r * D('1.1'))]); t.append(P(s, v, m, p, r))
put('two-currencies', {'l.csv': table(rows)}, t)

# rows in another currency than the rest, by sign
rows, t = [['Machine', 'vCPU', 'Memory GiB', 'Region', 'Price per hour']], []
for p, sign, cur in (('Porto', '€', 'EUR'), ('Gdynia', '€', 'EUR'), ('Leeds', '£', 'GBP')):
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, f'{sign}{fmt(r)}']); t.append(P(s, v, m, p, r, cur=cur))
put('signs-in-rows', {'l.csv': table(rows)}, t)

# page
h = ['<html><body><h1>Prices</h1><table><tr><th>Server</th><th>CPU</th><th>Memory</th><th>Location</th><th>Price</th></tr>']
t = []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); h.append(f'<tr><td>{s}</td><td>{v} vCPU</td><td>{m} GB</td><td>{p}</td><td>from € {fmt(r)} <small>/hour</small></td></tr>'); t.append(P(s, v, m, p, r))
h.append('</table></body></html>')
put('page', {'p.html': '\n'.join(h)}, t)

# disk steps and price by GiB for one kind; whole disks
rows, t = [['Type', 'Name', 'vCPU', 'RAM GiB', 'Room GB', 'Place', 'Price', 'per']], []
dk = []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append(['server', s, v, m, '', p, fmt(r), 'hour']); t.append(P(s, v, m, p, r))
    for g in (32, 64, 128): q = (D(g) * D('0.05')).quantize(D('0.01')); rows.append(['disk', 'Basalt', '', '', g, p, fmt(q), 'month']); dk.append(dict(disk='Basalt', place=p, step=g, price=str(q)))
put('disk-steps', {'l.csv': table(rows)}, t, dk)
# nested JSON
o, t = {'provider': 'x', 'currency': 'EUR', 'regions': {}}, []
for p in PLACES:
    o['regions'][p] = {'machines': [dict(name=s, cpu=v, ram_gib=m, pricing={'hourly': float(rate(v, m)), 'monthly': float((rate(v, m) * 700).quantize(D('0.01')))}) for s, v, m in sizes()]}
    t += [P(s, v, m, p, rate(v, m)) for s, v, m in sizes()]
put('json-nested', {'l.json': json.dumps(o)}, t)
# json with unit
items, t = [], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        items.append({'meterName': s, 'vcpu': v, 'memoryGb': m, 'armLocation': p, 'unitOfMeasure': '100 Hours' if i % 2 else '1 Hour', 'unitPrice': float(rate(v, m) * (100 if i % 2 else 1)), 'currencyCode': 'USD'}); t.append(P(s, v, m, p, rate(v, m), cur='USD'))
put('json-units', {'l.json': json.dumps({'Items': items})}, t)
# systems across
rows, t = [['Size', 'vCPU', 'RAM (GiB)', 'Place', 'Linux, EUR/h', 'Harbour, EUR/h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); h = r + D(v) * D('0.02'); rows.append([s, v, m, p, fmt(r), fmt(h)]); t.append(P(s, v, m, p, r))
put('systems-across', {'l.csv': table(rows)}, t)
# terms across
rows, t = [['Size', 'vCPU', 'RAM (GiB)', 'Place', 'On demand €/h', '1 year €/h', '3 years €/h']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); a = (r * D('0.7')).quantize(D('0.00001')); b = (r * D('0.5')).quantize(D('0.00001')); rows.append([s, v, m, p, fmt(r), fmt(a), fmt(b)])
        t += [P(s, v, m, p, r), P(s, v, m, p, a, term='1 year'), P(s, v, m, p, b, term='3 years')]
put('terms-across', {'l.csv': table(rows)}, t)
# two levels: place above, period below
rows, t = [['', '', '', 'Porto', '', 'Leeds', ''], ['Machine', 'vCPU', 'Memory GiB', 'EUR/hour', 'EUR/month', 'EUR/hour', 'EUR/month']], []
for s, v, m in sizes():
    r = rate(v, m); q = r * 2; rows.append([s, v, m, fmt(r), fmt((r * 600).quantize(D('0.01'))), fmt(q), fmt((q * 600).quantize(D('0.01')))]); t += [P(s, v, m, 'Porto', r), P(s, v, m, 'Leeds', q)]
put('two-levels', {'l.csv': table(rows)}, t)
# title says currency and period
rows, t = [['Spring list', '', '', ''], ['All prices in GBP a month, without VAT', '', '', ''], [], ['Machine', 'vCPU', 'Memory GiB', 'Leeds', 'Porto']], []
for s, v, m in sizes(): r = (rate(v, m) * 700).quantize(D('0.01')); q = (rate(v, m) * 800).quantize(D('0.01')); rows.append([s, v, m, fmt(r), fmt(q)]); t += [P(s, v, m, 'Leeds', r, 'month', 'GBP'), P(s, v, m, 'Porto', q, 'month', 'GBP')]
put('title-says', {'l.csv': table(rows)}, t)
# ram without unit, in MiB
rows, t = [['Type', 'vCPU', 'RAM', 'Location', 'EUR/h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m * 1024, p, fmt(r)]); t.append(P(s, v, m, p, r))
put('mib-unsaid', {'l.csv': table(rows)}, t)
# not for sale
rows, t = [['Type', 'vCPU', 'RAM GiB', 'Location', 'EUR/h']], []
for i, p in enumerate(PLACES):
    for k, (s, v, m) in enumerate(sizes()):
        r = rate(v, m)
        if (i + k) % 5 == 0: rows.append([s, v, m, p, ['n/a', '-', 'on request', '', 'TBD'][k % 5]])
        else: rows.append([s, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r))
put('not-for-sale', {'l.csv': table(rows)}, t)
# totals and footnotes
rows, t = [['Type', 'vCPU', 'RAM GiB', 'Location', 'EUR/h*']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r))
rows += [['Total', '', '', '', '99.9'], ['* without tax; prices of 2027', '', '', '', '']]
put('totals', {'l.csv': table(rows)}, t)
# swiss
rows, t = [['Server', 'vCPU', 'RAM GB', 'Standort', 'CHF/Monat']], []
for p in PLACES:
    for s, v, m in sizes(counts=(16, 32, 64)): r = (rate(v, m) * 730).quantize(D('0.01')); rows.append([s, v, m, p, f'{r:,}'.replace(',', '’')]); t.append(P(s, v, m, p, r, 'month', 'CHF'))
put('swiss', {'l.csv': table(rows, ';')}, t)
# rates per vCPU and GiB only: no sizes
put('unit-rates', {'l.csv': table([['Item', 'Location', 'EUR per hour'], *[[n, p, q] for p in PLACES for n, q in (('vCPU', '0.021'), ('RAM, 1 GiB', '0.0032'), ('Public IPv4', '0.004'))]])}, [], note='no sizes')
# discounts
rows, t = [['Size', 'vCPU', 'RAM GiB', 'Place', 'EUR/h', 'Saving 1 year', 'Saving 3 years']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt(r), '30 %', '50 %']); t.append(P(s, v, m, p, r))
put('discounts', {'l.csv': table(rows)}, t)
# utf-16 and 1252
rows, t = [['Größe', 'vCPU', 'Speicher GiB', 'Ort', 'Preis €/Std.']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, de(r)]); t.append(P(s, v, m, p, r))
put('utf16', {'l.csv': table(rows, ';').encode('utf-16')}, t)
put('cp1252', {'l.csv': table(rows, ';').encode('cp1252')}, t)
# markdown
lines, t = ['| Machine | vCPU | Memory | Location | Price |', '|---|---:|---:|---|---:|'], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); lines.append(f'| {s} | {v} | {m} GiB | {p} | €{fmt(r)}/h |'); t.append(P(s, v, m, p, r))
put('markdown', {'l.txt': '\n'.join(lines)}, t)
# page with a table for each place
h, t = ['<html><body>'], []
for p in PLACES:
    h.append(f'<h2>{p}</h2><table><thead><tr><th>Server</th><th>vCPU</th><th>RAM</th><th>Per month</th></tr></thead><tbody>')
    for s, v, m in sizes(): r = (rate(v, m, PLACES.index(p)) * 650).quantize(D('0.01')); h.append(f'<tr><td>{s}</td><td>{v}</td><td>{m} GB</td><td>€{fmt(r)}</td></tr>'); t.append(P(s, v, m, p, r, 'month'))
    h.append('</tbody></table>')
put('page-places', {'p.html': ''.join(h) + '</body></html>'}, t)
# workbook with real dates
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'EUR/h', 'Valid from']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m)
        rows.append([s, v, m, p, float(r), datetime.date(2027, 1, 1)]); rows.append([s, v, m, p, float(r * 2), datetime.date(2027, 6, 1)]); t.append(P(s, v, m, p, r))
put('workbook-dates', {'l.xlsx': book([('Prices', rows)])}, t)
# words in cells
rows, t = [['Offer', 'Processor', 'Memory', 'Where', 'Cost']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, f'{v} vCPU', f'{m} GB RAM', p, f'EUR {fmt(r)} per hour']); t.append(P(s, v, m, p, r))
put('words', {'l.csv': table(rows)}, t)
# ranges in price
rows, t = [['Type', 'vCPU', 'RAM GiB', 'Location', 'EUR/h']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()):
        r = rate(v, m)
        if i % 6 == 5: rows.append([s, v, m, p, f'{fmt(r)} - {fmt(r * 2)}'])
        else: rows.append([s, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r))
put('ranges', {'l.csv': table(rows)}, t)
# disks with unit in cells, GB
rows, dk = [['Volume', 'Place', 'Price']], []
for p in PLACES:
    for k, q in (('Slate', '0.045'), ('Quartz', '0.11')): rows.append([k, p, f'€{q}/GiB/month']); dk.append(dict(disk=k, place=p, perGiBMonth=q))
rm, t = [['Type', 'vCPU', 'RAM GiB', 'Place', 'Price']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rm.append([s, v, m, p, f'€{fmt(r)}/hour']); t.append(P(s, v, m, p, r))
put('disk-cells', {'volumes.csv': table(rows), 'machines.csv': table(rm)}, t, dk)
# everything in one table
rows, t, dk = [['Category', 'Item', 'vCPU', 'GiB RAM', 'Region', 'Price', 'Unit', 'Currency']], [], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append(['Compute', s, v, m, p, fmt(r), 'per hour', 'EUR']); t.append(P(s, v, m, p, r))
    rows.append(['Storage', 'Slate', '', '', p, '0.045', 'per GiB and month', 'EUR']); dk.append(dict(disk='Slate', place=p, perGiBMonth='0.045'))
    rows.append(['Network', 'Public IPv4 address', '', '', p, '0.004', 'per hour', 'EUR'])
    rows.append(['Network', 'Traffic out', '', '', p, '0.08', 'per GiB', 'EUR'])
put('all-in-one', {'l.csv': table(rows)}, t, dk)
# a file for each place
f, t = {}, []
for p in PLACES:
    rows = [['Server', 'vCPU', 'RAM GiB', 'EUR per hour']]
    for s, v, m in sizes(): r = rate(v, m, PLACES.index(p)); rows.append([s, v, m, fmt(r)]); t.append(P(s, v, m, p, r))
    f[p + '.csv'] = table(rows)
put('file-per-place', f, t)
# cores/threads
rows, t = [['Server', 'Cores', 'Threads', 'RAM GiB', 'Place', 'EUR/month']], []
for p in PLACES:
    for s, v, m in sizes(counts=(2, 4, 8)): r = (rate(v, m) * 730).quantize(D('0.01')); rows.append([s, v // 2, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r, 'month'))
put('cores-threads', {'l.csv': table(rows)}, t)
# scientific
rows, t = [['Server', 'vCPU', 'RAM GiB', 'Place', 'USD/h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, f'{r:.4E}']); t.append(P(s, v, m, p, D(f'{r:.4E}'), cur='USD'))
put('scientific', {'l.csv': table(rows)}, t)
# setup fee
rows, t = [['Server', 'vCPU', 'RAM GiB', 'Place', 'Setup fee EUR', 'Monthly price EUR', 'Minimum term']], []
for p in PLACES:
    for s, v, m in sizes(): r = (rate(v, m) * 730).quantize(D('0.01')); rows.append([s, v, m, p, '49.00', fmt(r), '1 month']); t.append(P(s, v, m, p, r, 'month'))
put('setup-fee', {'l.csv': table(rows)}, t)
# brutto netto deutsch
rows, t = [['Server', 'vCPU', 'RAM GB', 'Standort', 'Preis brutto (€/Monat)', 'Preis netto (€/Monat)']], []
for p in PLACES:
    for s, v, m in sizes(): r = (rate(v, m) * 730).quantize(D('0.01')); rows.append([s, v, m, p, de((r * D('1.19')).quantize(D('0.01'))), de(r)]); t.append(P(s, v, m, p, r, 'month'))
put('brutto-netto', {'l.csv': table(rows, ';')}, t)
# pence
rows, t = [['Server', 'vCPU', 'Memory GiB', 'Town', 'Pence per hour']], []
for p in ['Leeds', 'Derby']:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt((r * 100).normalize())]); t.append(P(s, v, m, p, r, cur='GBP'))
put('pence', {'l.csv': table(rows)}, t)
# cell cents
rows, t = [['Server', 'vCPU', 'Memory GiB', 'Town', 'Price']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, f'{fmt((r * 100).normalize())} ct/h']); t.append(P(s, v, m, p, r, cur='?'))
put('ct-cells', {'l.csv': table(rows)}, t)
# per 1000 hours, in heading with k
rows, t = [['Server', 'vCPU', 'Memory GiB', 'Town', 'EUR per 1,000 h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt((r * 1000).normalize())]); t.append(P(s, v, m, p, r))
put('per-1000h', {'l.csv': table(rows)}, t)
# half in GB half in TB cells, memory
rows, t = [['Server', 'vCPU', 'Memory', 'Town', 'EUR/h']], []
for p in PLACES:
    for s, v, m in [('Fir 8', 8, 64), ('Fir 32', 32, 1024), ('Fir 64', 64, 2048)]: r = rate(v, m); rows.append([s, v, f'{m} GB' if m < 1024 else f'{m // 1024} TB', p, fmt(r)]); t.append(P(s, v, m, p, r))
put('memory-tb', {'l.csv': table(rows)}, t)
# mm/dd/yyyy with times, epoch ms
rows, t = [['Server', 'vCPU', 'Memory GiB', 'Town', 'EUR/h', 'Effective date']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m)
        for d, k in (('1/31/2026 12:00:00 AM', 3), ('2/1/2027 12:00:00 AM', 1), ('3/15/2027 12:00:00 AM', 5)): rows.append([s, v, m, p, fmt(r * k), d])
        t.append(P(s, v, m, p, r))
put('dates-month-first', {'l.csv': table(rows)}, t)
rows, t = [['server', 'vcpu', 'memory_gib', 'site', 'eur_per_hour', 'valid_from', 'valid_to']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); rows.append([s, v, m, p, fmt(r), 1798761600000, '']); rows.append([s, v, m, p, fmt(r * 2), 1767225600000, 1798761599999]); t.append(P(s, v, m, p, r))
put('epoch', {'l.csv': table(rows)}, t)
# previous/new in headings without the word price
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'Until 28 Feb (EUR/h)', 'From 1 Mar (EUR/h)']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt(r * 2), fmt(r)]); t.append(P(s, v, m, p, r))
put('until-from', {'l.csv': table(rows)}, t, note='two prices by date in headings: right or marked')
# German with thousands points without decimals: 1.234
rows, t = [['Rechner', 'vCPU', 'RAM GB', 'Standort', 'Preis/Monat (€)']], []
for p in PLACES:
    for s, v, m in sizes(counts=(64, 96, 128)): r = int(rate(v, m) * 730); rows.append([s, v, m, p, f'{r:,}'.replace(',', '.')]); t.append(P(s, v, m, p, r, 'month'))
put('german-thousands', {'l.csv': table(rows, ';')}, t, note='1.234 is 1234: the language says so')
# spaces aligned
lines, t = [], []
lines.append(f"{'machine':<14}{'vcpu':>8}{'ram GiB':>10}   {'place':<12}{'eur/h':>12}")
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); lines.append(f'{s:<14}{v:>8}{m:>10}   {p:<12}{fmt(r):>12}'); t.append(P(s, v, m, p, r))
put('aligned', {'l.txt': '\n'.join(lines)}, t)
# place and zone codes with a join
f, t = {}, []
rows = [['size', 'loc', 'eur_h']]
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, p[:3].upper(), fmt(r)]); t.append(P(s, v, m, p, r))
f['rates.csv'] = table(rows); f['places.csv'] = table([['code', 'name'], *[[p[:3].upper(), p] for p in PLACES]]); f['sizes.csv'] = table([['size', 'vcpu', 'ram_gib'], *[[s, v, m] for s, v, m in sizes()]])
put('three-joined', f, t)
# per vCPU
rows, t = [['Type', 'vCPU', 'RAM GiB', 'Place', 'EUR per vCPU-hour']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()): q = D('0.02') + D(i % 3) * D('0.001'); rows.append([s, v, m, p, fmt(q)]); t.append(P(s, v, m, p, q * v))
put('per-vcpu', {'l.csv': table(rows)}, t)
# blocks with titles and repeated headings
rows, t = [], []
for p in PLACES:
    rows += [[f'Region: {p}', '', '', ''], ['Machine', 'vCPU', 'Memory GiB', '€ per hour']]
    for s, v, m in sizes(): r = rate(v, m, PLACES.index(p)); rows.append([s, v, m, fmt(r)]); t.append(P(s, v, m, p, r))
    rows.append(['', '', '', ''])
put('blocks', {'l.csv': table(rows)}, t)
# hourly, daily and monthly
rows, t = [['Machine', 'vCPU', 'RAM GB', 'Location', 'Monthly price (EUR)', 'Daily price (EUR)', 'Hourly price (EUR)']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, fmt((r * 730).quantize(D('0.01'))), fmt(r * 24), fmt(r)]); t.append(P(s, v, m, p, r))
put('three-periods', {'l.csv': table(rows)}, t)
# k prices a year
rows, t = [['Machine', 'vCPU', 'RAM GB', 'Location', 'Price']], []
for p in PLACES:
    for s, v, m in sizes(counts=(16, 32, 64)): y = (int(rate(v, m) * 8760) // 100) * 100 + 100; rows.append([s, v, m, p, f'€{D(y) / 1000}k/year']); t.append(P(s, v, m, p, F(y, 12), 'month'))
put('k-year', {'l.csv': table(rows)}, t)
# on demand, reserved, spot across with hour
rows, t = [['Machine', 'vCPU', 'RAM GB', 'Location', 'On-demand hourly (USD)', '1 yr commitment hourly (USD)', 'Spot hourly (USD)', 'Spot saving %']], []
for p in PLACES:
    for s, v, m in sizes():
        r = rate(v, m); a = (r * D('.7')).quantize(D('.00001')); b = (r * D('.3')).quantize(D('.00001')); rows.append([s, v, m, p, fmt(r), fmt(a), fmt(b), '70 %']); t += [P(s, v, m, p, r, cur='USD')]
put('spot-across', {'l.csv': table(rows)}, t)
# xlsx with float noise
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'EUR/h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, float(r) * 3 / 3 + 0.1 - 0.1]); t.append(P(s, v, m, p, r))
put('noise', {'l.xlsx': book([('Prices', rows)])}, t)
# upfront columns
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'Term', 'Upfront EUR', 'EUR/h']], []
for p in PLACES:
    for s, v, m in sizes(counts=(2, 4)):
        r = rate(v, m); rows.append([s, v, m, p, 'none', '0', fmt(r)]); t.append(P(s, v, m, p, r)); rows.append([s, v, m, p, '1 year, part upfront', fmt((r * 3000).quantize(D('.01'))), fmt((r * D('.4')).quantize(D('.00001')))]); t.append(P(s, v, m, p, (r * D('.4')).quantize(D('.00001')), term='1 year, part upfront'))
put('upfront', {'l.csv': table(rows)}, t)
# ambiguous price column: all 1,234 forms, USD, comma file, monthly
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'USD/month']], []
for p in PLACES:
    for s, v, m in sizes(counts=(64, 96, 128)): r = int(rate(v, m) * 730); rows.append([s, v, m, p, f'{r:,}']); t.append(P(s, v, m, p, r, 'month', 'USD'))
put('us-thousands', {'l.csv': table(rows)}, t)
# decimals with three digits in an English file: 1.234 is 1.234
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'USD/h']], []
for p in PLACES:
    for s, v, m in sizes(counts=(64, 96, 128)): r = rate(v, m).quantize(D('.001')); rows.append([s, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r, cur='USD'))
put('us-three', {'l.csv': table(rows)}, t)
# memory with decimals by comma, price by point (columns differ)
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'EUR/h']], []
for p in PLACES:
    for s, v, m in [('Elm a', 1, '0,5'), ('Elm b', 1, '1,5'), ('Elm c', 2, '3,75'), ('Elm d', 4, '7,5')]: r = rate(v, D(m.replace(',', '.'))).quantize(D('.00001')); rows.append([s, v, m, p, fmt(r)]); t.append(P(s, v, float(m.replace(',', '.')), p, r))
put('marks-differ', {'l.csv': table(rows)}, t)
# JSON with nested price objects and strings
items, t = [], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); items.append({'label': s, 'specs': {'vcpus': str(v), 'memory': f'{m} GiB'}, 'location': {'city': p}, 'price': {'amount': fmt(r), 'currency': 'GBP', 'per': 'hour'}}); t.append(P(s, v, m, p, r, cur='GBP'))
put('json-price-object', {'l.json': json.dumps(items)}, t)
# ndjson
put('ndjson', {'l.ndjson': '\n'.join(json.dumps({'machine': s, 'vcpu': v, 'ram_gib': m, 'site': p, 'eur_hour': float(rate(v, m))}) for p in PLACES for s, v, m in sizes())}, [P(s, v, m, p, rate(v, m)) for p in PLACES for s, v, m in sizes()])
# disks in GB, months, and traffic per TB
rows, dk = [['Storage', 'Location', '€ per GB-month']], []
for p in PLACES:
    for k, q in (('Slate', '0.045'), ('Quartz', '0.11')): rows.append([k, p, q]); dk.append(dict(disk=k, place=p, perGiBMonth=str(F(D(q)) * F(1073741824, 1000000000))))
rm, t = [['Machine', 'vCPU', 'RAM GB', 'Location', '€/h']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rm.append([s, v, m, p, fmt(r)]); t.append(P(s, v, m, p, r))
put('disk-gb', {'storage.csv': table(rows), 'machines.csv': table(rm)}, t, dk)
# a column of old ids, notes with numbers, release year
rows, t = [['Id', 'Machine', 'Year', 'vCPU', 'Clock GHz', 'RAM GiB', 'Score', 'Place', 'EUR/h', 'Note']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()): r = rate(v, m); rows.append([100 + i, s, 2020 + i % 5, v, '3.1', m, 1000 * v, p, fmt(r), 'up to 5 Gbps']); t.append(P(s, v, m, p, r))
put('other-figures', {'l.csv': table(rows)}, t)
# portuguese / italian
rows, t = [['Macchina', 'vCPU', 'Memoria (GB)', 'Luogo', 'Prezzo orario (€)']], []
for p in PLACES:
    for s, v, m in sizes(): r = rate(v, m); rows.append([s, v, m, p, de(r)]); t.append(P(s, v, m, p, r))
put('italian', {'l.csv': table(rows, ';')}, t)
# price with trailing minus sign or asterisk and currency behind, tabs
rows, t = [['Machine', 'vCPU', 'RAM GiB', 'Place', 'Price/hr']], []
for p in PLACES:
    for i, (s, v, m) in enumerate(sizes()): r = rate(v, m); rows.append([s, v, m, p, fmt(r) + ('*' if i % 4 == 0 else '') + ' EUR']); t.append(P(s, v, m, p, r))
put('stars', {'l.tsv': table(rows, '\t')}, t)

# A line for each.
lines = [json.dumps(each, ensure_ascii=False, separators=(',', ':')) for each in LISTS]
print('[\n' + ',\n'.join(lines) + '\n]')

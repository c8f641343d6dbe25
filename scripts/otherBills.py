"""Bills and inventories in the writing of many makers, each with the truth that it was made of, as one JSON document:

    python3 scripts/otherBills.py > src/files/bill/testing/otherBills.json

It shares nothing with the program that reads them.
"""
import csv, datetime, io, json
from decimal import Decimal as D

BILLS, INVENTORIES = [], []
MACHINES = [('depot-web', D('0.0534'), 10), ('depot-db', D('0.214'), 24), ('loom', D('1.234'), 8)]
DAYS = [datetime.date(2027, 3, d) for d in range(1, 13)]


def table(rows, sep=','):
    b = io.StringIO()
    csv.writer(b, delimiter=sep, lineterminator='\n').writerows(rows)
    return b.getvalue()


def de(d, places=None):
    s = f'{d:,.{places}f}' if places is not None else f'{d:f}'
    return s.replace(',', '_').replace('.', ',').replace('_', '.')


def bill(name, text, sums, hours, currency='EUR', days=('2027-03-01', '2027-03-12'), asks=()):
    BILLS.append(dict(name=name, text=text, currency=currency, first=days[0], last=days[1], asks=list(asks),
                      sums={k: str(v) for k, v in sums.items()}, hours={k: str(v) for k, v in hours.items()}))


def make(line, factor=D(1)):
    """Rows by `line(day, machine, hours, price, cost)`, with what each machine was billed and how long it ran."""
    rows, sums, hours = [], {}, {}
    for day in DAYS:
        for machine, price, h in MACHINES:
            cost = (price * h * factor).quantize(D('0.0001'))
            rows.append(line(day, machine, h, price, cost))
            sums[machine] = sums.get(machine, D(0)) + cost
            hours[machine] = hours.get(machine, D(0)) + h
    return rows, sums, hours


# German, with points between days and months, gross beside net.
rows, s, h = make(lambda d, m, n, p, c: [f'{d.day}.{d.month}.{d.year}', m, 'Rechner', n, 'Std', de(p), de(c * D('1.19'), 6), de(c)])
bill('german', table([['Datum', 'Objekt', 'Leistung', 'Menge', 'Einheit', 'Einzelpreis', 'Betrag brutto EUR', 'Betrag netto EUR'], *rows], ';'), s, h)

# Months first with a clock of twelve hours, money with signs and groups.
rows, s, h = make(lambda d, m, n, p, c: [f'{d.month}/{d.day}/{d.year} 12:00 AM', m, 'Virtual machine', n, 'Hrs', f'${p:f}', f'${c * 1000:,.4f}'], D(1))
bill('months-first', table([['Usage start', 'Resource', 'Service', 'Quantity', 'Unit', 'Unit price', 'Total cost'], *rows]), {k: v * 1000 for k, v in s.items()}, h, 'USD', asks=['dates'])

# As a database engine writes it.
rows, s, h = make(lambda d, m, n, p, c: [f'{d.isoformat()} 00:00:00+00', m, 'compute', n, 'Hours', f'{p:f}', f'{c:f}', 'EUR'])
bill('engine', table([['day', 'machine', 'kind', 'quantity', 'unit', 'price', 'cost', 'currency'], *rows]), s, h)

# Decimal commas in quotes, in a file parted by commas, behind a nought and with three digits.
rows, s, h = make(lambda d, m, n, p, c: [d.isoformat(), m, 'Machine', f'{n},0', 'h', de(p), de(c.quantize(D('0.001')))])
bill('quoted-commas', table([['Date', 'Server', 'Service', 'Amount used', 'Unit', 'Price', 'Cost (EUR)'], *rows]),
     {m: sum((p * n).quantize(D('0.0001')).quantize(D('0.001')) for _ in DAYS) for m, p, n in MACHINES}, h)

# Counted by the hundred hours.
rows, s, h = make(lambda d, m, n, p, c: [d.isoformat(), m, 'Machine time', D(n) / 100, '100 hours', p * 100, c, 'GBP'])
bill('hundreds', table([['Date', 'Server', 'Service', 'Quantity', 'Unit', 'Price', 'Cost', 'Currency'], *rows]), s, h, 'GBP')

# Milliseconds since 1970.
rows, s, h = make(lambda d, m, n, p, c: [int(datetime.datetime(d.year, d.month, d.day, tzinfo=datetime.timezone.utc).timestamp() * 1000), m, 'vm', n, 'hours', c, 'EUR'])
bill('milliseconds', table([['start', 'resource_id', 'service', 'usage', 'unit', 'cost', 'currency'], *rows]), s, h)

# Days by their names, credits in parentheses.
rows, s, h = make(lambda d, m, n, p, c: [f'{d.day} March 2027', m, 'Server', n, 'hours', f'{c:f}', 'EUR'])
rows += [[f'{d.day} March 2027', 'depot-web', 'Credit', '', '', '(0.1000)', 'EUR'] for d in DAYS]
bill('named-months', table([['Date', 'Server', 'Service', 'Quantity', 'Unit', 'Cost', 'Currency'], *rows]), {**s, 'credit': D('-1.2')}, h)

# French, with thin blanks between groups.
rows, s, h = make(lambda d, m, n, p, c: [d.strftime('%d/%m/%Y'), m, 'Machine virtuelle', n, 'heures', de(c * 1000).replace('.', '') + ' €'])
bill('french', table([['Jour', 'Ressource', 'Service', 'Quantité', 'Unité', 'Coût'], *rows], ';'), {k: v * 1000 for k, v in s.items()}, h, asks=['dates'])


def inventory(name, text, machines):
    INVENTORIES.append(dict(name=name, text=text, machines=[dict(name=n, vcpu=v, memory=m, disk=d) for n, v, m, d in machines]))


THEIRS = [('web-1', 2, 8, 64), ('db-1', 4, 16, 128), ('queue', 1, 4, 32)]
inventory('plain', table([['Name', 'vCPU', 'Memory GiB', 'Disk GiB'], *[[n, v, m, d] for n, v, m, d in THEIRS]]), THEIRS)
inventory('titled-mib', table([['Machines of the depot', '', '', '', ''], [''] * 5, ['Hostname', 'CPU cores', 'RAM [MiB]', 'Disk size (GiB)', 'GPU memory'],
                                *[[n, v, m * 1024, d, ''] for n, v, m, d in THEIRS]], ';'), THEIRS)
inventory('units-in-cells', table([['Server', 'Prozessoren', 'Arbeitsspeicher', 'Festplatte'], *[[n, f'{v} vCPU', f'{m} GB', f'{d} GiB'] for n, v, m, d in THEIRS]], ';'), THEIRS)
inventory('grouped', table([['VM', 'Cores', 'Memory MB', 'Site', 'Department', 'Storage GiB'], *[[n, v, f'{m * 1024:,}', 'Depot', 'Fares', d] for n, v, m, d in THEIRS]], '\t'), THEIRS)

# A line for each.
parts = [f'"{name}":[\n' + ',\n'.join(json.dumps(each, ensure_ascii=False) for each in made) + '\n]' for name, made in [('bills', BILLS), ('inventories', INVENTORIES)]]
print('{\n' + ',\n'.join(parts) + '\n}')

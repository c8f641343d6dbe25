'use client'

import styled from 'styled-components'
import type { Sheet } from '../../files/handoff/sheet.ts'
import { media } from '../../interface/theme/media'

/** One machine's page: what is asked for and what to answer, with prices beside, and lists to tick off. */
export function BuildSheet({ sheet }: { readonly sheet: Sheet }) {
  const { title, about, sections, total, currency, checklists } = sheet
  return (
    <Page aria-label={`Build sheet of ${title}`} data-testid="build-sheet">
      <div>
        <h2>{title}</h2>
        <About>{about}</About>
        <Table>
          <thead>
            <tr>
              <th scope="col">asked for</th>
              <th scope="col">answer</th>
              <th scope="col">{currency} an hour on</th>
              <th scope="col">{currency} a month</th>
            </tr>
          </thead>
          {sections.map((section) => (
            <tbody key={section.title}>
              <tr>
                <th scope="rowgroup" colSpan={4}>
                  {section.title}
                </th>
              </tr>
              {section.lines.map(({ ask, answer, perHour, perMonth }, i) => (
                <tr key={`${ask} ${i}`}>
                  <th scope="row">{ask}</th>
                  <td>{answer}</td>
                  <td>{perHour}</td>
                  <td>{perMonth}</td>
                </tr>
              ))}
            </tbody>
          ))}
          <tfoot>
            <tr>
              <th scope="row">In all</th>
              <td />
              <td>{total.perHour}</td>
              <td data-testid="sheet-total">{total.perMonth}</td>
            </tr>
          </tfoot>
        </Table>
      </div>
      <Lists>
        {checklists.map((list) => (
          <section key={list.title}>
            <h3>{list.title}</h3>
            <ul>
              {list.items.map((item) => (
                <li key={item}>
                  <i aria-hidden="true" />
                  {item}
                </li>
              ))}
            </ul>
          </section>
        ))}
      </Lists>
    </Page>
  )
}

const Page = styled.article`
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(240px, 2fr);
  gap: 12px 32px;

  h2 {
    font-size: 16px;
    color: var(--ink);
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const About = styled.p`
  color: var(--ink-2);
`

const Table = styled.table`
  width: 100%;
  margin-top: 6px;
  border-collapse: collapse;

  th,
  td {
    padding: 3px 12px 3px 0;
    text-align: left;
    font-weight: 400;
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  td:nth-child(n + 3),
  thead th:nth-child(n + 3) {
    padding-right: 0;
    padding-left: 12px;
    text-align: right;
    white-space: nowrap;
  }
  thead th,
  th[scope='row'] {
    color: var(--ink-2);
  }
  thead th {
    font-size: 12px;
  }
  th[scope='row'] {
    width: 150px;
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  th[scope='rowgroup'] {
    padding-top: 10px;
    font-weight: 600;
  }
  tfoot tr {
    border-top: 2px solid var(--ink);
    font-weight: 640;
  }
`

const Lists = styled.div`
  display: grid;
  gap: 14px;
  align-content: start;

  h3 {
    margin: 0 0 4px;
    font-size: 13px;
    font-weight: 600;
  }
  li {
    display: grid;
    grid-template-columns: 13px minmax(0, 1fr);
    gap: 8px;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  i {
    width: 12px;
    height: 12px;
    margin-top: 3px;
    border: 1px solid var(--ink-2);
  }
`

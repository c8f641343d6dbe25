import styled from 'styled-components'
import { media } from '../../interface/theme/media'

/** Bars with their figures: name, bar, five figures. */
export const ShareTable = styled.table`
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;

  th,
  td {
    padding: 0 0 0 10px;
    height: 27px;
    text-align: right;
    font-weight: 400;
  }
  th:nth-child(1),
  td:first-child {
    width: 26px;
    padding-left: 0;
    text-align: left;
  }
  th:nth-child(2) {
    width: 168px;
    text-align: left;
  }
  th:nth-child(3) {
    text-align: left;
  }
  th:nth-child(n + 4) {
    width: 76px;
  }
  ${media.compact} {
    th:nth-child(2) {
      width: 148px;
    }
    th:nth-child(n + 4) {
      width: 64px;
    }
  }
  ${media.coarse} {
    th,
    td {
      height: 44px;
    }
    td:first-child,
    th:nth-child(1) {
      width: 44px;
      padding-left: 0;
    }
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  ${media.narrow} {
    th:nth-child(3),
    td:nth-child(3),
    th:nth-child(4),
    td:nth-child(4),
    th:nth-child(5),
    td:nth-child(5) {
      display: none;
    }
    th:nth-child(2) {
      width: auto;
    }
  }
`

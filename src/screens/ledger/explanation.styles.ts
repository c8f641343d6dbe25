import styled from 'styled-components'

/** How a picked figure and its explanation are set. */
export const Figure = styled.p`
  font-size: 20px;
  font-weight: 660;
`

export const Small = styled.p`
  font-size: 12px;
  color: var(--ink-2);
`

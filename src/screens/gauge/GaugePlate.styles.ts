'use client'

import styled, { css } from 'styled-components'
import { media } from '../../interface/theme/media'

const SLIDE = '180ms ease-out'

export const Plate = styled.div`
  display: grid;
  grid-template-columns: 142px minmax(0, 1fr);
  border-top: 1px solid var(--rule);
  padding: 5px 0 4px;
  ${media.compact} {
    grid-template-columns: 122px minmax(0, 1fr);
  }

  &:focus-within {
    background: color-mix(in srgb, var(--plate) 22%, transparent);
  }
`

export const Decision = styled.div`
  display: grid;
  align-content: start;
  min-width: 0;
  padding-right: 10px;

  & > * {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`

export const Kind = styled.span`
  font-size: 12px;
  color: var(--ink-2);
`

export const Value = styled.span`
  font-weight: 620;
  line-height: 1.25;
`

export const About = styled.span`
  font-size: 11px;
  color: var(--ink-2);
`

export const Track = styled.div`
  position: relative;
  height: 52px;
`

export const Drawing = styled.svg`
  position: absolute;
  inset: 0 auto auto 0;
  overflow: visible;
  pointer-events: none;
`

export const Steel = styled.rect`
  fill: var(--plate);
  stroke: var(--plate-edge);
  transition:
    x ${SLIDE},
    width ${SLIDE};
`

export const Moving = styled.g`
  transition: transform ${SLIDE};
`

export const Cut = styled.path<{ readonly $near: boolean }>`
  fill: var(--sheet);
  stroke: ${({ $near }) => ($near ? 'var(--ink)' : 'var(--plate-edge)')};
  stroke-width: ${({ $near }) => ($near ? 1.5 : 1)};
`

export const Cross = styled.path`
  fill: none;
  stroke: var(--ink-3);
  stroke-width: 1.3;
`

export const Pin = styled.path`
  fill: var(--ink);
  stroke: var(--sheet);
`

export const Count = styled.text<{ readonly $present: boolean }>`
  font-size: 11px;
  font-weight: ${({ $present }) => ($present ? 600 : 400)};
  text-anchor: middle;
  fill: ${({ $present }) => ($present ? 'var(--sheet)' : 'var(--ink-2)')};
`

const target = css`
  position: absolute;
  top: 0;
  width: 26px;
  height: 32px;
  padding: 0;
  border: 0;
  background: none;
  ${media.coarse} {
    width: 44px;
    margin-left: -9px;
    height: 44px;
  }
`

export const Thumb = styled.div`
  ${target}
  cursor: ew-resize;
  border-radius: 3px;
`

export const Slot = styled.button`
  ${target}
  left: 0;
  cursor: pointer;
  transition: transform ${SLIDE};
  border-radius: 3px;

  &[data-hovered] {
    background: color-mix(in srgb, var(--ink) 14%, transparent);
  }
`

export const Captions = styled.div`
  position: absolute;
  top: 33px;
  left: 0;
  right: 0;
  height: 18px;
  font-size: 12px;
  color: var(--ink-2);
  pointer-events: none;

  b {
    font-weight: 600;
    color: var(--ink);
  }
`

const caption = css`
  position: absolute;
  top: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`

const takeable = css`
  ${caption}
  display: flex;
  gap: 4px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-2);
  cursor: pointer;
  pointer-events: auto;

  &[data-hovered] {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  ${media.coarse} {
    min-height: 24px;
  }
`

/** A name gives way where there is no room; the difference beside it never does. */
export const ChoiceName = styled.span`
  overflow: hidden;
  text-overflow: ellipsis;
`

export const Cheaper = styled.button`
  ${takeable}
  justify-content: flex-end;

  b {
    color: var(--save);
  }
`

export const Dearer = styled.button`
  ${takeable}
`

export const Readout = styled.span`
  ${caption}
  left: 0;
  right: 0;
  color: var(--ink);
`

export const All = styled.button`
  position: absolute;
  top: 0;
  right: 0;
  padding: 0 2px;
  border: 0;
  background: none;
  color: var(--ink-2);
  font-size: 12px;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: pointer;
  pointer-events: auto;
`

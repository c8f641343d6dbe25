'use client'

import styled, { css } from 'styled-components'
import { media } from '../../interface/theme/media'

const SLIDE = '180ms ease-out'

export const LABEL_WIDTH = '176px'
export const LABEL_WIDTH_COMPACT = '136px'

export const Plate = styled.div`
  display: grid;
  grid-template-columns: ${LABEL_WIDTH} minmax(0, 1fr);
  border-top: 1px solid var(--rule);
  padding: 3px 0 2px;
  ${media.compact} {
    grid-template-columns: ${LABEL_WIDTH_COMPACT} minmax(0, 1fr);
  }

  &:focus-within {
    background: color-mix(in srgb, var(--plate) 22%, transparent);
  }
`

/** A plate that is one line: it saves and costs nothing, or is kept as it is. */
export const Folded = styled(Plate)`
  padding: 1px 0;
  align-items: center;
  min-height: 25px;
`

export const Decision = styled.div`
  position: relative;
  display: grid;
  align-content: center;
  min-width: 0;
  padding-right: 30px;

  ${Folded} > & {
    grid-template-columns: auto minmax(0, 1fr);
    gap: 6px;
    align-items: baseline;
  }
`

const oneLine = css`
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`

export const Kind = styled.span`
  ${oneLine}
  font-size: 12px;
  color: var(--ink-2);
`

export const Value = styled.span`
  ${oneLine}
  font-weight: 620;
  line-height: 1.25;

  ${Folded} & {
    font-weight: 400;
  }
`

export const About = styled.span`
  font-size: 11px;
  color: var(--ink-3);
  margin-left: 3px;
`

/** Stays out of sight until its plate is looked at, unless it is on. */
export const PinToggle = styled.button`
  position: absolute;
  right: 4px;
  top: 50%;
  width: 24px;
  height: 24px;
  margin-top: -12px;
  display: grid;
  place-items: center;
  padding: 0;
  border: 0;
  border-radius: 3px;
  background: none;
  color: var(--ink-3);
  cursor: pointer;
  opacity: 0;

  &[data-selected],
  &[data-focus-visible],
  ${Plate}:hover &,
  ${Plate}:focus-within & {
    opacity: 1;
  }
  &[data-hovered] {
    color: var(--ink);
    background: var(--paper);
  }
  ${media.coarse} {
    opacity: 1;
    width: 44px;
    height: 44px;
    margin-top: -22px;
    right: -6px;
  }
`

export const FoldNote = styled.button`
  justify-self: start;
  padding: 2px 4px;
  margin-left: -4px;
  border: 0;
  border-radius: 3px;
  background: none;
  font-size: 12px;
  color: var(--ink-2);
  text-align: left;
  cursor: pointer;
  ${media.coarse} {
    min-height: 44px;
  }
`

export const FoldOpen = styled.span`
  margin-left: 4px;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
`

export const Track = styled.div`
  position: relative;
  height: 42px;
  ${media.coarse} {
    height: 64px;
  }
`

export const Drawing = styled.svg`
  position: absolute;
  inset: -3px auto auto 0;
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

export const Cut = styled.path<{ readonly $near: boolean; readonly $scored: boolean }>`
  fill: var(--sheet);
  stroke: ${({ $near }) => ($near ? 'var(--ink)' : 'var(--plate-edge)')};
  stroke-width: ${({ $near }) => ($near ? 1.5 : 1)};
  stroke-dasharray: ${({ $scored }) => ($scored ? '2 2' : 'none')};
  fill-opacity: ${({ $scored }) => ($scored ? 0.35 : 1)};
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
  height: 25px;
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
  top: 25px;
  left: 0;
  right: 0;
  height: 17px;
  font-size: 12px;
  color: var(--ink-2);
  pointer-events: none;
  ${media.coarse} {
    top: 44px;
  }

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

export const Cheapest = styled.button`
  ${takeable}
  left: 0;

  b {
    color: var(--save);
  }
  ${media.compact} {
    display: none;
  }
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

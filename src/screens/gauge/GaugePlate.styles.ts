'use client'

import styled, { css } from 'styled-components'
import { media } from '../../interface/theme/media'

export const LABEL_WIDTH = '176px'
export const LABEL_WIDTH_COMPACT = '136px'

/** What moves in a plate is laid out in it alone; it is as high as its words need, which seldom change. */
export const Plate = styled.div`
  contain: layout style;
  position: relative;
  min-height: 50px;
  box-sizing: border-box;
  display: grid;
  grid-template-columns: ${LABEL_WIDTH} minmax(0, 1fr);
  border-top: 1px solid var(--rule);
  padding: 3px 0 2px;
  ${media.compact} {
    grid-template-columns: ${LABEL_WIDTH_COMPACT} minmax(0, 1fr);
  }
  ${media.coarse} {
    min-height: 94px;
  }

  /* Its table lies over the plates below, and their scale. */
  &[data-looking] {
    z-index: 3;
  }
  &:focus-within {
    background: color-mix(in srgb, var(--plate) 22%, transparent);
  }
`

/** A plate that is one line: it saves and costs nothing, or is kept as it is. */
export const Folded = styled(Plate)`
  padding: 1px 0;
  align-items: center;
  min-height: 27px;
  ${media.coarse} {
    min-height: 47px;
  }
`

export const Decision = styled.div`
  position: relative;
  contain: layout style;
  display: grid;
  align-content: center;
  min-width: 0;
  padding-right: 30px;

  ${Folded} > & {
    grid-template-columns: auto minmax(0, 1fr);
    gap: 6px;
    align-items: baseline;
  }
  & > [data-part] {
    overflow-wrap: anywhere;
  }
  [data-part='kind'] {
    font-size: 12px;
    color: var(--ink-2);
  }
  [data-part='value'] {
    font-weight: 620;
    line-height: 1.25;
  }
  ${Folded} & [data-part='value'] {
    font-weight: 400;
  }
  [data-part='about'] {
    font-size: 11px;
    color: var(--ink-3);
  }
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

/** Shapes are told apart by what they are: a styled part for each of a hundred would cost more than drawing them. */
export const Drawing = styled.svg`
  position: absolute;
  inset: -3px auto auto 0;
  overflow: visible;
  pointer-events: none;

  [data-shape='steel'] {
    fill: var(--plate);
    stroke: var(--plate-edge);
  }
  path {
    fill: var(--sheet);
    stroke: var(--plate-edge);
  }
  [data-shape='near'],
  [data-shape='nearScored'] {
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  [data-shape='scored'],
  [data-shape='nearScored'] {
    stroke-dasharray: 2 2;
    fill-opacity: 0.35;
  }
  [data-shape='closed'] {
    fill: var(--plate-edge);
    stroke: none;
  }
  [data-shape='pin'] {
    fill: var(--ink);
    stroke: var(--sheet);
  }
  text {
    font-size: 11px;
    text-anchor: middle;
    fill: var(--ink-2);
  }
  text[data-present] {
    font-weight: 600;
    fill: var(--sheet);
  }
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

export const Track = styled.div`
  position: relative;
  min-height: 42px;

  &[data-lines='2'] {
    min-height: 58px;
  }
  ${media.coarse} {
    min-height: 64px;

    &[data-lines='2'] {
      min-height: 80px;
    }
  }

  &[data-over-slot] {
    cursor: pointer;
  }
`

/** Under the pointer. */
export const LookedAt = styled.div`
  position: absolute;
  top: 0;
  height: 25px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--ink) 14%, transparent);
  pointer-events: none;
  ${media.coarse} {
    height: 44px;
  }
`

export const Thumb = styled.div`
  ${target}
  cursor: ew-resize;
  border-radius: 3px;
`

export const Captions = styled.div`
  position: absolute;
  top: 25px;
  left: 0;
  right: 0;
  height: 32px;
  font-size: 12px;
  line-height: 1.3;
  color: var(--ink-2);
  pointer-events: none;
  ${media.coarse} {
    top: 44px;
  }

  b {
    font-weight: 600;
    color: var(--ink);
  }
  & > [data-caption] {
    position: absolute;
    top: 0;
    text-align: left;
  }
  & > button {
    padding: 0;
    border: 0;
    background: none;
    color: var(--ink-2);
    cursor: pointer;
    pointer-events: auto;
  }
  & > button:hover {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  ${media.coarse} {
    & > button {
      min-height: 44px;
      padding-bottom: 24px;
    }
  }
  /* An amount is never parted from its sign. */
  & > button > b {
    white-space: nowrap;
  }
  & > [data-caption='cheaper'] {
    text-align: right;
  }
  & > [data-caption='cheaper'] b,
  & > [data-caption='cheapest'] b {
    color: var(--save);
  }
  & > [data-caption='cheapest'] {
    left: 0;
    ${media.compact} {
      display: none;
    }
  }
  & > [data-caption='all'] {
    right: 0;
    padding-inline: 2px;
    white-space: nowrap;
    text-decoration: underline dotted;
    text-underline-offset: 3px;
  }
`

'use client'

import { createGlobalStyle, css } from 'styled-components'
import { media } from './media'

/** Colour means one thing each; state is never told by colour alone (see StatePatterns). */
const light = css`
  --paper: #efeee7;
  --sheet: #faf9f5;
  --plate: #d5d7ce;
  --plate-edge: #a9ada1;
  --ink: #1d2327;
  --ink-2: #4a5352;
  --ink-3: #606966;
  --rule: #d9d9d0;
  --run: #1e6e62;
  --on-run: #ffffff;
  --held: #b97a12;
  --held-pale: #ecd9ae;
  --held-ink: #7d5205;
  --kept: #6b5a8e;
  --kept-pale: #d8d0e6;
  --off: #76827d;
  --gone: #c9ccc4;
  --leak: #a8321c;
  --save: #1e6e62;
  --focus: #2b4c9b;
  color-scheme: light;
`

const dark = css`
  --paper: #191c1b;
  --sheet: #212524;
  --plate: #3b4240;
  --plate-edge: #5d6663;
  --ink: #ecebe4;
  --ink-2: #bcc2bd;
  --ink-3: #9ea6a2;
  --rule: #363c3a;
  --run: #4fb3a1;
  --on-run: #0e1a17;
  --held: #d79a3a;
  --held-pale: #4d3a18;
  --held-ink: #e0aa55;
  --kept: #ab9ad2;
  --kept-pale: #3b3350;
  --off: #7e8985;
  --gone: #474e4c;
  --leak: #f0876f;
  --save: #5cc0ae;
  --focus: #9db8ff;
  color-scheme: dark;
`

export const GlobalStyle = createGlobalStyle`
  :root { ${light} --target: 24px; }
  @media (prefers-color-scheme: dark) { :root:not([data-theme='light']) { ${dark} } }
  :root[data-theme='dark'] { ${dark} }

  *, *::before, *::after { box-sizing: border-box; }

  body {
    margin: 0;
    background: var(--paper);
    color: var(--ink);
    font: 400 13px/1.35 'Archivo Variable', sans-serif;
    font-variant-numeric: tabular-nums;
    -webkit-font-smoothing: antialiased;
  }

  h1, h2, h3, p, ul, ol, dl, dd { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  h1 { font-size: 20px; font-weight: 640; font-stretch: 106%; letter-spacing: -0.01em; }
  h2 { font-size: 12px; font-weight: 600; color: var(--ink-2); }
  button, input, select { font: inherit; color: inherit; }
  ::placeholder { color: var(--ink-3); opacity: 1; }
  a { color: inherit; text-underline-offset: 2px; }

  /* What can be pressed reaches beyond what is drawn: 24 px for a mouse, 44 px for a finger. */
  :where(a[href], button) { position: relative; }
  :where(a[href], button)::after {
    content: ''; position: absolute; top: 50%; left: 50%; transform: translate(-50%, -50%);
    width: max(100%, var(--target)); height: max(100%, var(--target));
  }
  ${media.coarse} {
    :root { --target: 44px; }
    :where(input:not([type='checkbox'], [type='radio'], [type='range']), select) { min-height: var(--target); }
  }

  :focus-visible, [data-focus-visible] { outline: 2px solid var(--focus); outline-offset: 1px; }

  @media print {
    :root:root:root { ${light} }
    body { background: none; }
    header, [data-print='no'] { display: none !important; }
  }

  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { transition-duration: 0s !important; animation-duration: 0s !important; }
  }
`

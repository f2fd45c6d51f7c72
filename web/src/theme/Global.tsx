import { createGlobalStyle } from 'styled-components';

/**
 * Colour is extra: every meaning is carried by shape, word or pattern first.
 * Ink is for text and line, lichen for grounds, lemon for the one thing to do
 * next, bramble for what is the user's own.
 */
export const Global = createGlobalStyle`
  :root {
    --ink: #2b1a33; --tint: 0.9; --ink-soft: #594a60; --line: #b9c2b4; --ground: #e9ede5; --sheet: #f7f9f4; --sunk: #dde3d8;
    --lemon: #f3d94e; --lemon-ink: #2b1a33; --bramble: #74285f; --bramble-soft: #eeddea; --danger: #7c1f2c; --focus: #1d4f8c;
    --head: 'Bricolage Grotesque Variable', sans-serif; --text: 'Atkinson Hyperlegible Next Variable', sans-serif;
    color-scheme: light;
  }
  :root[data-theme='dusk'] {
    --ink: #ece7f0; --tint: 0.5; --ink-soft: #b7adbf; --line: #53485c; --ground: #19121e; --sheet: #231a2a; --sunk: #2e2436;
    --lemon: #e9cf4c; --lemon-ink: #201527; --bramble: #dd9fcd; --bramble-soft: #422239; --danger: #ff9ca4; --focus: #9cc4ff;
    color-scheme: dark;
  }
  * { box-sizing: border-box; }
  html[data-waiting] { cursor: progress; }
  html { font-family: var(--text); color: var(--ink); background: var(--ground); font-size: 16px; line-height: 1.4; }
  body { margin: 0; }
  h1, h2, h3 { font-family: var(--head); line-height: 1.15; margin: 0; font-weight: 700; letter-spacing: -0.01em; }
  p { margin: 0; }
  a { color: var(--bramble); }
  button, input, select, textarea { font: inherit; color: inherit; }
  ::placeholder { color: var(--ink-soft); opacity: 1; }
  i { font-style: italic; }
  :focus-visible { outline: 3px solid var(--focus); outline-offset: 2px; border-radius: 4px; }
  .sr { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  @media (prefers-reduced-motion: reduce) { * { transition: none !important; animation: none !important; } }
`;

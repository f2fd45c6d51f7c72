import styled from 'styled-components';
import type { S } from '../api/client';
import { Glyph } from '../drawing/Glyph';

const Box = styled.button<{ $on?: boolean }>`
  position: relative; display: grid; justify-items: center; align-content: start; gap: 2px; padding: 8px 6px 8px; min-height: 112px; cursor: pointer; text-align: center;
  border: ${(p) => (p.$on ? '3px solid var(--bramble)' : '1.5px solid var(--ink-soft)')}; border-radius: 8px; background: var(--sheet); color: var(--ink);
  &:hover { background: var(--sunk); } &[disabled] { opacity: 0.6; }
  b { line-height: 1.15; } small { color: var(--ink-soft); font-size: 0.78rem; line-height: 1.15; }
  @media (max-width: 600px) { min-height: 92px; padding: 4px; kbd { display: none; } svg { width: 42px; height: 42px; } }
  kbd { position: absolute; left: 6px; top: 4px; font: inherit; font-size: 0.75rem; color: var(--ink-soft); }
`;

type Props = { trait: string; state: S['State']; number?: number; outcome?: string; on?: boolean; busy: boolean; onTap: () => void };

export function Tile({ trait, state, number, outcome, on, busy, onTap }: Props) {
  return (
    <Box type="button" $on={on} aria-pressed={on} disabled={busy} onClick={onTap}>
      {number && <kbd aria-hidden="true">{number}</kbd>}
      <Glyph trait={trait} state={state.id} size={52} />
      <b>{state.label}</b>
      {state.hint && <small>{state.hint}</small>}
      {outcome && <small>→ {outcome}</small>}
    </Box>
  );
}

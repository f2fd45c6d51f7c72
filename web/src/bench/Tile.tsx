import styled from 'styled-components';
import type { S } from '../api/client';
import { Glyph } from '../drawing/Glyph';

const Box = styled.button<{ $on?: boolean }>`
  position: relative;
  display: grid;
  grid-template-columns: 56px 1fr;
  align-content: center;
  gap: 2px 10px;
  padding: 10px 12px 10px 22px;
  min-height: 84px;
  cursor: pointer;
  text-align: left;
  svg {
    grid-row: span 3;
    align-self: center;
  }
  border: ${(p) => (p.$on ? '3px solid var(--bramble)' : '1.5px solid var(--ink-soft)')};
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  &:hover {
    background: var(--sunk);
  }
  &[disabled] {
    opacity: 0.6;
  }
  b {
    line-height: 1.15;
  }
  small {
    color: var(--ink-soft);
    font-size: 0.78rem;
    line-height: 1.15;
  }
  @media (max-width: 600px) {
    grid-template-columns: 1fr;
    justify-items: center;
    text-align: center;
    min-height: 92px;
    padding: 4px;
    svg {
      grid-row: auto;
    }
    kbd {
      display: none;
    }
    svg {
      width: 42px;
      height: 42px;
    }
  }
  kbd {
    position: absolute;
    left: 6px;
    top: 4px;
    font: inherit;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
`;

type Props = {
  trait: string;
  state: S['State'];
  number?: number;
  outcome?: string;
  on?: boolean;
  busy: boolean;
  onTap: () => void;
};

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

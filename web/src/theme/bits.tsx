import { Button as AriaButton } from 'react-aria-components';
import { Link } from 'react-router';
import styled, { css } from 'styled-components';

const press = css`
  min-height: 44px;
  padding: 0 16px;
  border-radius: 6px;
  border: 1.5px solid var(--ink);
  background: transparent;
  color: var(--ink);
  font-weight: 600;
  cursor: pointer;
  text-decoration: none;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  justify-content: center;
  text-align: center;
  &:hover,
  &[data-hovered] {
    background: var(--sunk);
  }
  &[disabled],
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
`;

/** A plain button. */
export const Button = styled(AriaButton)`
  ${press}
`;

/** The one thing to do next. */
export const Next = styled(AriaButton)`
  ${press} background: var(--lemon);
  color: var(--lemon-ink);
  border-color: var(--lemon-ink);
  &:hover,
  &[data-hovered] {
    background: var(--lemon);
    box-shadow: inset 0 0 0 2px var(--lemon-ink);
  }
`;

export const LinkButton = styled(Link)`
  ${press}
`;
export const NextLink = styled(Link)`
  ${press} background: var(--lemon);
  color: var(--lemon-ink);
  border-color: var(--lemon-ink);
  &:hover {
    background: var(--lemon);
    box-shadow: inset 0 0 0 2px var(--lemon-ink);
  }
`;

export const Page = styled.main`
  max-width: 1080px;
  margin: 0 auto;
  padding: 28px 24px 64px;
  display: grid;
  gap: 20px;
  @media (max-width: 600px) {
    padding: 18px 14px 48px;
  }
  @media print {
    padding: 0;
    gap: 0;
  }
`;

export const Soft = styled.span`
  color: var(--ink-soft);
`;

export const Field = styled.label`
  display: grid;
  gap: 4px;
  font-weight: 600;
  input,
  select {
    font-weight: 400;
    min-width: 0;
    min-height: 44px;
    padding: 0 12px;
    border: 1.5px solid var(--ink-soft);
    border-radius: 6px;
    background: var(--sheet);
    width: 100%;
  }
`;

export const Chips = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

/** A chip that is on or off; on is shown by a filled ground and a tick. */
export const Chip = styled(AriaButton)<{ $on?: boolean }>`
  min-height: 44px;
  padding: 0 14px;
  border-radius: 22px;
  border: 1.5px solid var(--ink-soft);
  background: ${(p) => (p.$on ? 'var(--ink)' : 'transparent')};
  color: ${(p) => (p.$on ? 'var(--sheet)' : 'var(--ink)')};
  cursor: pointer;
  font-weight: 500;
  &::before {
    content: ${(p) => (p.$on ? "'✓ '" : "''")};
  }
`;

export const Note = styled.p`
  padding: 10px 14px;
  border-left: 5px solid var(--ink);
  background: var(--sunk);
`;

import { Menu, MenuItem, Popover } from 'react-aria-components';
import styled from 'styled-components';

/** What opens below or above a menu button, its list and its items. */
export const MenuSheet = styled(Popover)`
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: 8px;
  padding: 6px;
  max-height: 70vh;
  overflow-y: auto;
  max-width: min(440px, 94vw);
`;
export const MenuList = styled(Menu)`
  outline: none;
  display: grid;
` as typeof Menu;
export const MenuRow = styled(MenuItem)`
  min-height: 44px;
  display: flex;
  align-items: center;
  padding: 6px 12px;
  border-radius: 6px;
  cursor: pointer;
  outline: none;
  color: var(--ink);
  text-decoration: none;
  &[data-focused] {
    background: var(--sunk);
    box-shadow: inset 0 0 0 2px var(--focus);
  }
`;

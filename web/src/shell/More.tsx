import { MenuTrigger } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { Button } from '../theme/bits';
import { MenuList, MenuRow, MenuSheet } from '../theme/menu';
import { further } from './pages';

const Only = styled.span`
  display: none;
  @media (max-width: 700px) {
    display: block;
  }
  button {
    border: 0;
    padding: 0 6px;
    font-weight: 500;
  }
`;

/** On a narrow screen: the pages that don’t fit into one line, and day or dusk. */
export function More({ theme, open, onTurn }: { theme: string; open: boolean; onTurn: () => void }) {
  const go = useNavigate();
  return (
    <Only>
      <MenuTrigger defaultOpen={open}>
        <Button>More</Button>
        <MenuSheet placement="bottom end">
          <MenuList aria-label="More pages" onAction={(k) => (k === 'theme' ? onTurn() : void go(String(k)))}>
            {further.map(([to, label]) => (
              <MenuRow key={to} id={to}>
                {label}
              </MenuRow>
            ))}
            <MenuRow id="theme">{theme === 'light' ? 'Dusk colours' : 'Day colours'}</MenuRow>
          </MenuList>
        </MenuSheet>
      </MenuTrigger>
    </Only>
  );
}

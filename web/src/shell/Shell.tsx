import { Suspense } from 'react';
import { Link, NavLink, Outlet } from 'react-router';
import styled from 'styled-components';
import { Page } from '../theme/bits';
import { useTheme } from '../theme/useTheme';

const Bar = styled.header`
  display: flex; align-items: center; gap: 4px; padding: 0 20px; height: 52px; border-bottom: 2px solid var(--ink); background: var(--ground); @media print { display: none; }
  nav { display: flex; gap: 2px; margin-left: 12px; flex: 1; overflow-x: auto; }
  nav a { color: var(--ink); text-decoration: none; padding: 0 12px; min-height: 44px; display: flex; align-items: center; font-weight: 500; white-space: nowrap; }
  nav a.active { font-weight: 700; box-shadow: inset 0 -4px 0 var(--ink); }
  @media (max-width: 600px) { padding: 0 8px; nav { margin-left: 0; } nav a { padding: 0 3px; font-size: 0.83rem; } }
`;
const Name = styled(Link)`font-family: var(--head); font-weight: 800; font-size: 1.15rem; color: var(--ink); text-decoration: none; display: flex; gap: 8px; align-items: center; white-space: nowrap; min-height: 44px;
  @media (max-width: 600px) { span { display: none; } }`;
const Toggle = styled.button`border: 1.5px solid var(--ink-soft); background: transparent; border-radius: 22px; min-height: 36px; min-width: 44px; padding: 0 12px; cursor: pointer; font-size: 0.9rem;
  @media (max-width: 600px) { padding: 0; min-height: 44px; span { display: none; } } svg { display: none; @media (max-width: 600px) { display: inline; } }`;
const Skip = styled.a`position: absolute; left: -9999px; &:focus { left: 8px; top: 8px; z-index: 10; background: var(--sheet); padding: 12px; }`;

export function Shell() {
  const [theme, turn] = useTheme();
  return (
    <>
      <Skip href="#main">To the main part</Skip>
      <Bar>
        <Name to="/" aria-label="Zesty Thicket, to your finds">
          <svg width="28" height="28" viewBox="0 0 32 32" aria-hidden="true">
            <path d="M3 24c9-1 17-1 26 1M8 23 5 11l9 11M18 23l1-13 6 14" fill="none" stroke="currentColor" strokeWidth="2.6" strokeLinejoin="round" strokeLinecap="round" />
          </svg>
          <span>Zesty Thicket</span>
        </Name>
        <nav aria-label="Main">
          <NavLink to="/today">Today</NavLink>
          <NavLink to="/" end>Finds</NavLink>
          <NavLink to="/walks">Walks</NavLink>
          <NavLink to="/places">Places</NavLink>
          <NavLink to="/year">Year</NavLink>
          <NavLink to="/guide">Guide</NavLink>
          <NavLink to="/you">You</NavLink>
        </nav>
        <Toggle type="button" onClick={turn} aria-label={theme === 'light' ? 'Dusk' : 'Day'}>
          <span>{theme === 'light' ? 'Dusk' : 'Day'}</span>
          <svg viewBox="0 0 20 20" width="22" height="22" aria-hidden="true"><path d={theme === 'light' ? 'M13 3a7 7 0 1 0 4 11A8 8 0 0 1 13 3z' : 'M10 6a4 4 0 1 0 .01 0zM10 1v2M10 17v2M1 10h2M17 10h2M4 4l1 1M15 15l1 1M16 4l-1 1M5 15l-1 1'} fill="none" stroke="currentColor" strokeWidth="1.8" strokeLinejoin="round" strokeLinecap="round" /></svg>
        </Toggle>
      </Bar>
      <div id="main" tabIndex={-1}>
        <Suspense fallback={<Page><p role="status">Fetching the page…</p></Page>}>
          <Outlet />
        </Suspense>
      </div>
    </>
  );
}

import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, NavLink, Outlet, useLocation } from 'react-router';
import styled from 'styled-components';
import { useAid } from '../incident/useAid';
import { Page } from '../theme/bits';
import { Guarded } from '../theme/Guarded';
import { AsideBar } from './AsideBar';
import type { Titled } from './titles';
import { useTitle } from './useTitle';
import { useWaiting } from './useWaiting';
import { all, nearest } from './pages';
import { useTheme } from '../theme/useTheme';

/** The menu comes after the page, or when somebody presses its button. */
const More = lazy(async () => ({ default: (await import('./More')).More }));
const Only = styled.span`
  display: none;
  button {
    border: 0;
    background: none;
    min-height: 44px;
    padding: 0 6px;
    font: inherit;
    font-weight: 500;
    color: inherit;
    cursor: pointer;
  }
  @media (max-width: 700px) {
    display: block;
  }
`;

const Bar = styled.header`
  display: flex;
  align-items: center;
  gap: 4px;
  padding: 0 20px;
  height: 52px;
  border-bottom: 2px solid var(--ink);
  background: var(--ground);
  @media print {
    display: none;
  }
  nav {
    display: flex;
    gap: 2px;
    margin-left: 12px;
    flex: 1;
    overflow-x: auto;
  }
  nav a {
    color: var(--ink);
    text-decoration: none;
    padding: 0 12px;
    min-height: 44px;
    display: flex;
    align-items: center;
    font-weight: 500;
    white-space: nowrap;
  }
  nav a.active {
    font-weight: 700;
    box-shadow: inset 0 -4px 0 var(--ink);
  }
  @media (max-width: 700px) {
    padding: 0 8px;
    nav {
      margin-left: 0;
    }
    nav a {
      padding: 0 4px;
      font-size: 0.87rem;
    }
    nav a.wide {
      display: none;
    }
  }
  @media (min-width: 701px) and (max-width: 1000px) {
    nav a {
      padding: 0 7px;
    }
  }
`;
const Name = styled(Link)`
  font-family: var(--head);
  font-weight: 800;
  font-size: 1.15rem;
  color: var(--ink);
  text-decoration: none;
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
  min-height: 44px;
  @media (max-width: 1000px) {
    span {
      display: none;
    }
  }
`;
const Toggle = styled.button`
  border: 1.5px solid var(--ink-soft);
  background: transparent;
  border-radius: 22px;
  min-height: 36px;
  min-width: 44px;
  padding: 0 12px;
  cursor: pointer;
  font-size: 0.9rem;
  @media (max-width: 700px) {
    display: none;
  }
`;
const Wrong = styled(Link)`
  flex: none;
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  padding: 0 14px;
  background: var(--ink);
  color: var(--sheet);
  text-decoration: none;
  font-weight: 700;
  border-radius: 6px;
  white-space: nowrap;
  .short {
    display: none;
  }
  @media (max-width: 900px) {
    padding: 0 10px;
    .long {
      display: none;
    }
    .short {
      display: inline;
    }
  }
`;
const Skip = styled.a`
  position: absolute;
  left: -9999px;
  &:focus {
    left: 8px;
    top: 8px;
    z-index: 10;
    background: var(--sheet);
    padding: 12px;
  }
`;

export function Shell({ pages: routes }: { pages: readonly Titled[] }) {
  const [theme, turn] = useTheme();
  const { pathname } = useLocation();
  useTitle(pathname, routes);
  useWaiting();
  const [menu, setMenu] = useState<boolean>(); // whether it opens at once, when it comes
  useEffect(() => {
    const soon = setTimeout(() => setMenu((now) => now ?? false), 1500);
    return () => clearTimeout(soon);
  }, []);
  useAid(); // fetched before anything goes wrong
  return (
    <>
      <Skip href="#main">To the main part</Skip>
      <Bar>
        <Name to="/" aria-label="Zesty Thicket, to your finds">
          <svg width="28" height="28" viewBox="0 0 32 32" aria-hidden="true">
            <path
              d="M3 24c9-1 17-1 26 1M8 23 5 11l9 11M18 23l1-13 6 14"
              fill="none"
              stroke="currentColor"
              strokeWidth="2.6"
              strokeLinejoin="round"
              strokeLinecap="round"
            />
          </svg>
          <span>Zesty Thicket</span>
        </Name>
        <nav aria-label="Main">
          {all.map(([to, label]) => (
            <NavLink key={to} to={to} end={to === '/'} className={nearest.some(([n]) => n === to) ? undefined : 'wide'}>
              {label}
            </NavLink>
          ))}
        </nav>
        <Guarded what="more pages">
          {menu === undefined ? (
            <Only>
              <button type="button" aria-haspopup="menu" onClick={() => setMenu(true)}>
                More
              </button>
            </Only>
          ) : (
            <Suspense fallback={<Only>More</Only>}>
              <More theme={theme} open={menu} onTurn={turn} />
            </Suspense>
          )}
        </Guarded>
        <Wrong to="/incident/new" aria-label="Something is wrong: call, and take it down">
          <svg viewBox="0 0 20 20" width="18" height="18" aria-hidden="true">
            <path
              d="M5 2h3l1.5 4.5-2 1.5a10 10 0 0 0 4.5 4.5l1.5-2L18 12v3c0 2-2 3-4 3C7.5 17.5 2.5 12.5 2 6c0-2 1-4 3-4z"
              fill="currentColor"
            />
          </svg>
          <span className="long">Something is wrong</span>
          <span className="short">Help</span>
        </Wrong>
        <Toggle type="button" onClick={turn} aria-label={theme === 'light' ? 'Dusk' : 'Day'}>
          <span>{theme === 'light' ? 'Dusk' : 'Day'}</span>
        </Toggle>
      </Bar>
      <div id="main" tabIndex={-1}>
        <Guarded what="a note">
          <AsideBar />
        </Guarded>
        <Guarded key={pathname} what="this page">
          <Suspense
            fallback={
              <Page>
                <p role="status">Fetching the page…</p>
              </Page>
            }
          >
            <Outlet />
          </Suspense>
        </Guarded>
      </div>
    </>
  );
}

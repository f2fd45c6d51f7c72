import { useDeferredValue, useRef, useState, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Search } from '../api/client';
import { useGuide, useSearch } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Field, Page, Soft } from '../theme/bits';
import { Filters } from './Filters';
import { OverlayNote } from './OverlayNote';
import { Own } from './Own';
import { grades } from './words';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 0 28px;
  li {
    display: flex;
    gap: 14px;
    align-items: center;
    border-top: 1.5px solid var(--line);
    padding: 8px 0;
    min-height: 60px;
  }
  a {
    font-weight: 700;
    color: var(--ink);
  }
  small {
    display: block;
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
`;

/** Search the guide by any name, by its text, and by what an entry shows. */
export function GuidePage() {
  const [search, setSearch] = useState<Search>({ q: '' });
  const hits = useSearch(useDeferredValue(search));
  const guide = useGuide();
  const list = useRef<HTMLUListElement>(null);
  const step = (e: KeyboardEvent, by: number) => {
    const links = [...(list.current?.querySelectorAll('a') ?? [])];
    const at = links.indexOf(document.activeElement as HTMLAnchorElement) + by;
    if (at >= links.length || (at < 0 && by > 0)) return;
    e.preventDefault();
    if (at < 0) document.querySelector<HTMLInputElement>('input[type=search]')?.focus();
    else links[at]!.focus();
  };
  return (
    <Page onKeyDown={(e) => (e.key === 'ArrowDown' ? step(e, 1) : e.key === 'ArrowUp' ? step(e, -1) : undefined)}>
      <h1>Guide</h1>
      <p>
        <Link to="/terms">Terms by drawing</Link> · <Link to="/sayings">Sayings to refuse</Link> ·{' '}
        <Link to="/audit">Audit: what can be told apart, and how</Link>
      </p>
      <Soft>
        {guide.data?.taxa} entries, version {guide.data?.version}. Thorns show the gravest grade of any part; an entry
        that is food in one use may have thorns for another.
      </Soft>
      {guide.data && <OverlayNote overlay={guide.data.overlay} />}
      <Field>
        Find an entry by any name, or by words of its text
        {/* eslint-disable-next-line jsx-a11y/no-autofocus -- the page is a search */}
        <input type="search" value={search.q} onChange={(e) => setSearch({ ...search, q: e.target.value })} autoFocus />
      </Field>
      <Filters search={search} onChange={setSearch} traits={guide.data?.traits ?? []} />
      <p role="status">
        {hits.data ? `${hits.data.length} found` : 'Searching…'} <Soft>Arrow keys move through them.</Soft>
      </p>
      {hits.data?.length === 0 && (
        <p>No entry answers to this. Something that is not in this guide is always possible.</p>
      )}
      <List ref={list}>
        {hits.data?.map((h) => (
          <li key={h.id}>
            <Thorns grade={h.hazard} left={h.hazard} cut={h.hazard === 0} width={64} />
            <span>
              <Link to={`/guide/${h.id}`}>{h.common}</Link>
              <br />
              <i>{h.scientific}</i> · {grades[h.hazard]}
              {h.met && h.met !== h.common && h.met !== h.scientific && (
                <Soft>
                  {' '}
                  · {h.metKind === 'synonym' ? 'old name' : 'also'} {h.met}
                </Soft>
              )}
              {h.origin && ' · '}
              <Own origin={h.origin} />
              {h.passage && <small>{h.passage}</small>}
            </span>
          </li>
        ))}
      </List>
    </Page>
  );
}

import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useGuide, useTaxa } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Field, Page, Soft } from '../theme/bits';

const List = styled.ul`list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(300px, 1fr)); gap: 0 28px;
  li { display: flex; gap: 14px; align-items: center; border-top: 1.5px solid var(--line); padding: 8px 0; min-height: 60px; }
  a { font-weight: 700; color: var(--ink); }`;
const grades = ['no hazard noted', 'unpleasant', 'poisonous', 'deadly'];

export function GuidePage() {
  const [q, setQ] = useState('');
  const hits = useTaxa(useDeferredValue(q));
  const guide = useGuide();
  return (
    <Page>
      <h1>Guide</h1>
      <Soft>{guide.data?.taxa} entries, version {guide.data?.version}. Thorns show the gravest grade of any part; an entry that is food in one use may have thorns for another.</Soft>
      <Field>
        Find an entry by any name
        {/* eslint-disable-next-line jsx-a11y/no-autofocus -- the page is a search */}
        <input type="search" value={q} onChange={(e) => setQ(e.target.value)} autoFocus />
      </Field>
      {hits.data?.length === 0 && <p>No entry has a name like this. Something that is not in this guide is always possible.</p>}
      <List>
        {hits.data?.map((h) => (
          <li key={h.id}>
            <Thorns grade={h.hazard} left={h.hazard} cut={h.hazard === 0} width={64} />
            <span>
              <Link to={`/guide/${h.id}`}>{h.common}</Link>
              <br />
              <i>{h.scientific}</i> · {grades[h.hazard]}
              {h.met !== h.common && h.met !== h.scientific && <Soft> · {h.metKind === 'synonym' ? 'old name' : 'also'} {h.met}</Soft>}
            </span>
          </li>
        ))}
      </List>
    </Page>
  );
}

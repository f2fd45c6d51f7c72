import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useAudit, useAuditOf } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Field, Note, Page, Soft } from '../theme/bits';
import { Own } from './Own';
import { groupAudit, type AuditGroup } from './audit';
import { plain } from './words';

const Group = styled.details`
  border-top: 2px solid var(--ink);
  > summary {
    cursor: pointer;
    min-height: 48px;
    display: grid;
    grid-template-columns: minmax(160px, 2fr) 3fr;
    gap: 14px;
    align-items: center;
    font-weight: 700;
    list-style: none;
  }
  > summary::before {
    content: none;
  }
  > summary span {
    font-weight: 400;
  }
`;
const Line = styled.details<{ $refused: boolean }>`
  border-top: 1px solid var(--line);
  margin-left: 14px;
  summary {
    cursor: pointer;
    min-height: 44px;
    display: grid;
    grid-template-columns: 190px 50px 1fr;
    gap: 12px;
    align-items: center;
    list-style: none;
  }
  summary::before {
    content: none;
  }
  summary b {
    text-decoration: ${(p) => (p.$refused ? 'line-through' : 'none')};
    font-weight: 600;
  }
  table {
    border-collapse: collapse;
    width: 100%;
    margin: 4px 0 12px;
  }
  th,
  td {
    text-align: left;
    padding: 4px 10px 4px 0;
    border-top: 1px solid var(--line);
    vertical-align: top;
  }
  @media (max-width: 600px) {
    summary {
      grid-template-columns: 110px 34px 1fr;
    }
    .by {
      display: none;
    }
  }
`;

function Dangers({ entries }: { entries: S['AuditEntry'][] }) {
  return (
    <table>
      <thead>
        <tr>
          <th scope="col">Danger</th>
          <th scope="col">Evidence</th>
          <th scope="col">Told apart by anyone</th>
          <th scope="col">… taught in person</th>
          <th scope="col" className="by">
            By
          </th>
        </tr>
      </thead>
      <tbody>
        {entries.map((e) => (
          <tr key={e.taxon.id}>
            <td>
              <Thorns grade={e.grade} of={3} left={e.thorns} cut={e.ruledOut} width={52} />{' '}
              <Link to={`/guide/${e.taxon.id}`}>{e.taxon.common}</Link> <Own origin={e.taxon.origin} />
              <br />
              <Soft>
                {e.gradeWord}
                {e.named ? ', named lookalike' : ''}
              </Soft>
            </td>
            <td>{e.words}</td>
            <td>{e.ruledOut ? 'yes' : 'no'}</td>
            <td>{e.taught ? 'yes' : 'no'}</td>
            <td className="by">{e.by.map((b) => b.name).join(', ') || 'nothing'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Lines({ group }: { group: AuditGroup }) {
  const { data } = useAuditOf(group.id, true);
  if (!data) return <p role="status">Fetching its dangers…</p>;
  return data.map((l) => <AuditLine key={l.part + l.preparation + l.stage + l.continent} line={l} />);
}

function AuditLine({ line: l }: { line: S['AuditLine'] }) {
  const [open, setOpen] = useState(false);
  return (
    <Line $refused={l.refused} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary aria-label={`${l.part}, ${l.preparation}, ${plain(l.stage)}, ${l.continent}: ${l.words}`}>
        <b>
          {l.part}, {l.preparation}: {plain(l.stage)}
        </b>
        <Soft>{l.continent}</Soft>
        <span>{l.words}</span>
      </summary>
      {open && <Dangers entries={l.entries} />}
    </Line>
  );
}

function Entry({ group }: { group: AuditGroup }) {
  const [open, setOpen] = useState(false);
  const weakest = group.lines
    .filter((l) => !l.refused)
    .flatMap((l) => l.entries)
    .sort((a, b) => a.weight - a.need - (b.weight - b.need))[0];
  return (
    <Group onToggle={(e) => e.target === e.currentTarget && setOpen(e.currentTarget.open)}>
      <summary>
        {group.name}
        <span>
          {group.open + group.left === 0
            ? 'not gathered at any stage'
            : `${group.open} open, ${group.left} left by the rules, ${group.refused} not gathered`}
          {weakest && (
            <Soft>
              {' '}
              · weakest pair: {weakest.taxon.common}, {weakest.words}
            </Soft>
          )}
        </span>
      </summary>
      {open && <Lines group={group} />}
    </Group>
  );
}

/** For each use, stage and continent: can every danger be told apart then? */
export function AuditPage() {
  const audit = useAudit();
  const [q, setQ] = useState('');
  const lines = audit.data ?? [];
  const groups = groupAudit(lines).filter((g) => g.name.toLowerCase().includes(q.toLowerCase()));
  const failing = lines.filter((l) => !l.refused && !l.holds).length;
  const open = lines.filter((l) => !l.refused).length;
  return (
    <Page>
      <h1>Audit of the guide</h1>
      <p>
        For every use, stage and continent: which dangerous entries can be told apart while the plant or fungus looks as
        it usually does and is looked at closely, by what, and how much stands against it of what is needed. What can’t
        be told apart is left by the rules; a stage that is not gathered is struck through.
      </p>
      {audit.error && <Note role="alert">{audit.error.message}</Note>}
      {audit.data && (
        <Note>
          {open - failing} lines are open, {failing} are gathered by people and left by the rules, {lines.length - open}{' '}
          are not gathered.
        </Note>
      )}
      <Field>
        Find an entry
        <input type="search" value={q} onChange={(e) => setQ(e.target.value)} />
      </Field>
      {!audit.data && !audit.error && <p role="status">Working it out…</p>}
      <div>
        {groups.map((g) => (
          <Entry key={g.id} group={g} />
        ))}
      </div>
    </Page>
  );
}

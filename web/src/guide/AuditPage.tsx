import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useAudit } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Note, Page, Soft } from '../theme/bits';
import { groupAudit } from './audit';

const Line = styled.details<{ $refused: boolean }>`
  border-top: 1.5px solid var(--line); padding: 6px 0;
  summary { cursor: pointer; min-height: 44px; display: grid; grid-template-columns: 150px 60px 1fr; gap: 12px; align-items: center; list-style: none; }
  summary::before { content: none; } summary b { text-decoration: ${(p) => (p.$refused ? 'line-through' : 'none')}; }
  table { border-collapse: collapse; width: 100%; margin: 4px 0 12px; } th, td { text-align: left; padding: 4px 10px 4px 0; border-top: 1px solid var(--line); vertical-align: top; }
  @media (max-width: 600px) { summary { grid-template-columns: 90px 40px 1fr; } .by { display: none; } }
`;
const Group = styled.section`h2 { font-size: 1.25rem; }`;

function Dangers({ entries }: { entries: S['AuditEntry'][] }) {
  return (
    <table>
      <thead>
        <tr><th scope="col">Danger</th><th scope="col">Steps</th><th scope="col">Told apart</th><th scope="col" className="by">By</th></tr>
      </thead>
      <tbody>
        {entries.map((e) => (
          <tr key={e.taxon.id}>
            <td><Thorns grade={e.grade} left={e.ruledOut ? 0 : Math.max(1, e.need - e.depth)} cut={e.ruledOut} width={52} /> <Link to={`/guide/${e.taxon.id}`}>{e.taxon.common}</Link><br /><Soft>{e.gradeWord}{e.named ? ', named lookalike' : ''}</Soft></td>
            <td>{e.depth}, needs {e.need}</td>
            <td>{e.ruledOut ? (e.decisive && e.depth < e.need ? 'yes, by two decisive cells' : 'yes') : 'no'}</td>
            <td className="by">{e.by.map((b) => b.name).join(', ') || 'nothing'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** For each use, stage and continent: can every danger be told apart then? */
export function AuditPage() {
  const audit = useAudit();
  const groups = groupAudit(audit.data ?? []);
  const failing = (audit.data ?? []).filter((l) => !l.refused && !l.holds).length;
  return (
    <Page>
      <h1>Audit of the guide</h1>
      <p>For every use, stage and continent: which dangerous entries can be told apart while the plant or fungus looks as it usually does, by what, and to what depth. A stage at which something dangerous can’t be told apart is not gathered; its name is struck through.</p>
      {audit.error && <Note role="alert">{audit.error.message}</Note>}
      {audit.data && <Note>{failing === 0 ? 'No stage that may be gathered fails.' : `${failing} stages that may be gathered FAIL.`}</Note>}
      {groups.map((g) => (
        <Group key={g.key}>
          <h2>{g.name}</h2>
          {g.lines.map((l) => (
            <Line key={l.stage + l.continent} $refused={l.refused}>
              <summary aria-label={`${g.name}, ${l.stage}, ${l.continent}: ${l.words}`}>
                <b>{l.stage.replaceAll('-', ' ')}</b>
                <Soft>{l.continent}</Soft>
                <span>{l.words}</span>
              </summary>
              <Dangers entries={l.entries} />
            </Line>
          ))}
        </Group>
      ))}
    </Page>
  );
}

import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import type { Problem } from '../api/client';
import { useAddSpecimen, useSetFacts, useWait } from '../api/hooks';
import { Button, Chip, Note, Page, Soft } from '../theme/bits';
import { Basket } from './Basket';
import { BeforePick } from './BeforePick';
import { CheckCard } from './CheckCard';
import { Drawer } from './Drawer';
import { Keys } from './Keys';
import { Ledger } from './Ledger';
import { Obligations } from './Obligations';
import { PartList } from './PartList';
import { PlaceForm } from './PlaceForm';
import { Plate } from './Plate';
import { Preparations } from './Preparations';
import { StageCard } from './StageCard';
import { useBench } from './useBench';
import { useKeys } from './useKeys';
import { VerdictBar } from './VerdictBar';
import { Waits } from './Waits';
import { Why } from './Why';

const Grid = styled.main`
  display: grid; height: calc(100dvh - 52px); grid-template: auto minmax(0, 1fr) auto / minmax(320px, 2fr) 3fr;
  .head { grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 6px 16px; align-items: center; padding: 8px 20px; border-bottom: 1px solid var(--line); h1 { font-size: 1.15rem; } }
  .plate { padding: 10px 14px; overflow-y: auto; border-right: 1px solid var(--line); display: grid; gap: 8px; align-content: start; }
  .check { padding: 16px 22px; overflow-y: auto; display: grid; gap: 14px; align-content: start; }
  .verdict { grid-column: 1 / -1; }
  .sheets { display: none; }
  @media (max-width: 900px) {
    grid-template: auto minmax(0, 1fr) auto auto / 1fr;
    .head { padding: 2px 12px; flex-wrap: nowrap; justify-content: space-between; .facts { display: none; } h1 { font-size: 1.05rem; } button { padding: 0 10px; font-size: 0.9rem; } } .plate { display: none; } .plate.shown { display: grid; grid-row: 2; grid-column: 1; z-index: 2; background: var(--ground); border: 0; } .check { padding: 12px; grid-row: 2; grid-column: 1; }
    .sheets { display: grid; grid-template-columns: repeat(4, 1fr); grid-column: 1 / -1; gap: 6px; padding: 6px 10px 8px; background: var(--sheet); }
    .sheets button { padding: 0 4px; }
  }
`;
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px; align-items: center; button { padding: 0 12px; font-size: 0.92rem; }`;

type Sheet = 'open' | 'dangers' | 'why' | 'place' | 'keys' | 'basket' | 'pick' | null;
const titles = { open: 'Verdict and what is open', dangers: 'Dangers', why: 'Why', place: 'The place and its rules', keys: 'Keys', basket: 'The basket, item by item', pick: 'Before you pick' };

export function BenchPage() {
  const { id = '' } = useParams();
  const bench = useBench(id);
  const go = useNavigate();
  const [sheet, setSheet] = useState<Sheet>(null);
  const [staging, setStaging] = useState(false);
  const [plate, setPlate] = useState(false);
  const [further, setFurther] = useState(false);
  const more = useAddSpecimen(id);
  const facts = useSetFacts(id);
  const wait = useWait(id);
  useKeys({
    n: () => bench.takeNext(), u: () => bench.undo(), d: () => setSheet('dangers'), w: () => setSheet('why'), o: () => setSheet('open'),
    '/': () => void go('/guide'), '?': () => setSheet('keys'), b: () => setSheet('basket'), p: () => setSheet('pick'),
  });
  const byId = useMemo(() => new Map(bench.guide.data?.traits.map((t) => [t.id, t])), [bench.guide.data]);
  const { data: view } = bench.find;
  const j = bench.judgement;
  if (bench.find.error) return <Page><h1>This find can’t be shown</h1><p>{bench.find.error.message}</p></Page>;
  if (!view || !j || !bench.guide.data) return <Page><p role="status">Fetching the find…</p></Page>;
  const kingdom = view.facts.kingdom || 'plant';
  const traits = bench.guide.data.traits;
  const answer = (a: Parameters<typeof bench.answer>[0]) => { setPlate(false); bench.answer(a); };
  const trait = (t: string) => { setSheet(null); setPlate(false); setStaging(false); bench.chooseTrait(t); };
  const needsStage = j.stages.length === 0 || staging;
  return (
    <Grid>
      <div className="head">
        <h1>{view.title || (view.target ? `${view.target.common}?` : 'A find')}</h1>
        <Soft className="facts">
          {view.target ? <>hoped to be <b>{view.target.common}</b> <i>{view.target.scientific}</i></> : 'no target yet'} · to {view.facts.intent}
          {view.facts.preparation ? ` (${view.facts.part}, ${view.facts.preparation})` : ''} · {view.place || 'no place given'} · {view.day}
        </Soft>
        <Button onPress={() => setSheet('place')}>Place and rules</Button>
      </div>
      <div className={plate ? 'plate shown' : 'plate'}>
        <Plate judgement={j} traits={traits} kingdom={kingdom} selected={bench.part} onPart={(p) => { setPlate(false); setStaging(false); bench.choosePart(p); }} />
        <Preparations bench={bench} traits={traits} sayings={bench.guide.data.sayings} onPick={() => setSheet('pick')} />
        <Row role="group" aria-label="Specimens">
          {view.specimens.map((s, i) => <Chip key={s.id} $on={s.id === j.specimen} aria-pressed={s.id === j.specimen} onPress={() => bench.setSpecimen(s.id)}>Specimen {i + 1}</Chip>)}
          <Button isDisabled={more.isPending} onPress={() => more.mutate({ id: `s${view.specimens.length + 1}` }, { onSuccess: () => bench.setSpecimen(`s${view.specimens.length + 1}`) })}>Another one</Button>
          <Button onPress={() => setSheet('basket')}>{view.patch.held ? 'Basket: held' : view.patch.passed + view.patch.failed > 0 ? `Basket: ${view.patch.passed + view.patch.failed} of ${view.patch.passed + view.patch.failed + view.patch.unchecked}` : 'Basket'}</Button>
        </Row>
      </div>
      <div className="check">
        <Waits view={view} traits={traits} onRead={(s, t) => { bench.setSpecimen(s); trait(t); }} />
        {bench.problem && <Failed problem={bench.problem} onRetry={bench.retry} />}
        {j.leaveWords.length > 0 && <Note><b>{j.word}.</b> {j.leaveWords.join(' ')}</Note>}
        <Row>
          <Button onPress={() => setStaging(!staging)}>Stage: {j.stages.join(', ') || 'not stated'}{j.stageFixed ? ' (fixed)' : ''}</Button>
          <Button isDisabled={!bench.canUndo || bench.busy} onPress={() => bench.undo()}>Undo last</Button>
          {!bench.offered && !needsStage && j.next && <Button onPress={bench.takeNext}>Back to the offered check</Button>}
        </Row>
        {needsStage ? (
          <StageCard key={j.specimen} kingdom={kingdom} now={j.stages} onDone={(stages) => bench.add('staged', { stages }, () => setStaging(false))} />
        ) : bench.part ? (
          <PartList judgement={j} traits={traits} part={bench.part} kingdom={kingdom} onTrait={trait} />
        ) : bench.offered && j.obligations.length === 0 && !further ? (
          <section style={{ display: 'grid', gap: 14, justifyItems: 'start', width: '100%' }}>
            <h2>{j.word}</h2>
            <p>{j.says}</p>
            <h3>What was checked</h3>
            <ul style={{ margin: 0, columns: 2, columnGap: 32 }}>{j.readings.filter((r) => r.soundness === 'sound' && !r.derived).map((r) => <li key={r.seq}>{r.trait.name}: {r.words}</li>)}</ul>
            <Button onPress={() => setFurther(true)}>Make a further check</Button>
          </section>
        ) : bench.trait ? (
          <CheckCard wait={view.waits.find((w) => w.specimen === j.specimen && w.trait === bench.trait?.id)} onWait={(on) => bench.trait && wait.mutate({ specimen: j.specimen, trait: bench.trait.id, on })} key={`${j.specimen} ${bench.trait.id} ${view.log.length}`} trait={bench.trait} judgement={j} offered={bench.offered} busy={bench.busy} onAnswer={answer} onUndo={bench.undo} />
        ) : (
          <p>No further check would change anything here. See what is open.</p>
        )}
      </div>
      <div className="verdict">
        <VerdictBar judgement={j} held={view.patch.held} onOpen={() => setSheet('open')} onDangers={() => setSheet('dangers')} onWhy={() => setSheet('why')} />
      </div>
      <div className="sheets">
        <Button onPress={() => setPlate(!plate)}>{plate ? 'Check' : 'Plate'}</Button>
        <Button onPress={() => setSheet('dangers')}>Dangers</Button>
        <Button onPress={() => setSheet('open')}>Open</Button>
        <Button onPress={() => setSheet('why')}>Why</Button>
      </div>
      <Drawer title={sheet ? titles[sheet] : ''} open={sheet !== null} onClose={() => setSheet(null)}>
        {sheet === 'open' && <Obligations judgement={j} onTrait={trait} onPlace={() => setSheet('place')} onStage={() => { setSheet(null); setStaging(true); }} />}
        {sheet === 'dangers' && <Ledger judgement={j} onRecall={(t) => facts.mutate({ ...view.facts, recalled: [...(view.facts.recalled ?? []), t] })} />}
        {sheet === 'basket' && <Basket view={view} specimen={j.specimen} />}
        {sheet === 'pick' && <BeforePick bench={bench} judgement={j} traits={traits} kingdom={kingdom} onTrait={trait} onDone={() => setSheet(null)} />}
        {sheet === 'why' && <Why view={view} judgement={j} traits={byId} onUndo={bench.undo} />}
        {sheet === 'place' && <PlaceForm id={id} facts={view.facts} onDone={() => setSheet(null)} />}
        {sheet === 'keys' && <Keys />}
      </Drawer>
    </Grid>
  );
}

/** The last answer is not stored: said at once, with a way to send it again. */
function Failed({ problem, onRetry }: { problem: Problem; onRetry: () => void }) {
  return (
    <Note role="alert">
      <b>The last answer was not stored.</b> {problem.message} {problem.fields.join('; ')} {problem.status !== 422 && <Button onPress={onRetry}>Send it again</Button>}
    </Note>
  );
}

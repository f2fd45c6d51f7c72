import { useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useAddSpecimen, useWait } from '../api/hooks';
import { Button, Chip, Note, Page, Soft } from '../theme/bits';
import { AtHome } from './AtHome';
import { asideId } from './basket';
import { Checklist } from './Checklist';
import { CheckCard } from './CheckCard';
import { Done } from './Done';
import { hoped } from './hoped';
import { KeyWalk } from './KeyWalk';
import { PartList } from './PartList';
import { Plate } from './Plate';
import { Preparations } from './Preparations';
import { RangeBars } from './RangeBars';
import { Sheets, type Sheet } from './Sheets';
import { StageCard } from './StageCard';
import { Unsent } from './Unsent';
import { useBench } from './useBench';
import { useKeys } from './useKeys';
import { VerdictBar } from './VerdictBar';
import { Waits } from './Waits';
import { wayOf, wayWords, type Way } from './ways';
import { WaySwitch } from './WaySwitch';
import { WholeLook } from './WholeLook';

const Grid = styled.main`
  display: grid;
  height: calc(100dvh - 52px);
  grid-template: auto minmax(0, 1fr) auto / minmax(320px, 2fr) 3fr;
  .head {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 6px 16px;
    align-items: center;
    padding: 8px 20px;
    border-bottom: 1px solid var(--line);
    h1 {
      font-size: 1.15rem;
    }
  }
  .plate {
    padding: 10px 14px;
    overflow-y: auto;
    border-right: 1px solid var(--line);
    display: grid;
    gap: 8px;
    align-content: start;
  }
  .check {
    padding: 12px 22px;
    overflow-y: auto;
    display: grid;
    gap: 12px;
    align-content: start;
  }
  .verdict {
    grid-column: 1 / -1;
  }
  .sheets,
  .narrow {
    display: none;
  }
  @media (max-width: 900px) {
    .wide {
      display: none;
    }
    .narrow {
      display: inline-flex;
    }
    grid-template: auto minmax(0, 1fr) auto auto / 1fr;
    .head {
      padding: 2px 12px;
      flex-wrap: nowrap;
      justify-content: space-between;
      .facts {
        display: none;
      }
      h1 {
        font-size: 1.05rem;
      }
      button {
        padding: 0 10px;
        font-size: 0.9rem;
      }
    }
    .plate {
      display: none;
    }
    .plate.shown {
      display: grid;
      grid-row: 2;
      grid-column: 1;
      z-index: 2;
      background: var(--ground);
      border: 0;
    }
    .check {
      padding: 8px 12px;
      gap: 8px;
      grid-row: 2;
      grid-column: 1;
      display: flex;
      flex-direction: column;
      > * {
        flex: none;
      }
      > [aria-labelledby='check-q'] {
        margin-top: auto;
      }
    }
    .sheets {
      display: grid;
      grid-template-columns: repeat(5, 1fr);
      grid-column: 1 / -1;
      gap: 6px;
      padding: 6px 10px 8px;
      background: var(--sheet);
    }
    .sheets button {
      padding: 0 4px;
    }
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  button {
    padding: 0 12px;
    font-size: 0.92rem;
  }
`;

/** One bench a find: what waits to be sent, and what was chosen, belongs to it alone. */
export function BenchPage() {
  const { id = '' } = useParams();
  return <Bench key={id} id={id} />;
}

function Bench({ id }: { id: string }) {
  const bench = useBench(id);
  const go = useNavigate();
  const [params, setParams] = useSearchParams();
  const way = wayOf(params.get('way'));
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [staging, setStaging] = useState(false);
  const [plate, setPlate] = useState(false);
  const [further, setFurther] = useState(false);
  const [taken, setTaken] = useState<{ trait: string; value: number; error: number }>();
  const more = useAddSpecimen(id);
  const wait = useWait(id);
  const setWay = (w: Way) => {
    bench.takeNext();
    setStaging(false);
    setPlate(false);
    setParams(w === 'offered' ? {} : { way: w }, { replace: true });
  };
  useKeys({
    n: () => setWay('offered'),
    c: () => setWay('list'),
    k: () => setWay('key'),
    l: () => setWay('whole'),
    u: () => bench.undo(),
    d: () => setSheet('dangers'),
    w: () => setSheet('why'),
    o: () => setSheet('open'),
    b: () => setSheet('basket'),
    p: () => setSheet('pick'),
    h: () => setSheet('wear'),
    r: () => setSheet('back'),
    f: () => setSheet('photos'),
    s: () => setSheet('together'),
    '/': () => void go('/guide'),
    '?': () => setSheet('keys'),
  });
  const byId = useMemo(() => new Map(bench.guide.data?.traits.map((t) => [t.id, t])), [bench.guide.data]);
  const { data: view } = bench.find;
  const j = bench.judgement;
  if (bench.find.error)
    return (
      <Page>
        <h1>This find can’t be shown</h1>
        <p>{bench.find.error.message}</p>
      </Page>
    );
  if (!view || !j || !bench.guide.data)
    return (
      <Page>
        <p role="status">Fetching the find…</p>
      </Page>
    );
  const kingdom = view.facts.kingdom || 'plant';
  const traits = bench.guide.data.traits;
  // What the other ways were worked out from: asked again when it changes.
  const stand = `${view.lines} ${j.guide} ${JSON.stringify(view.facts)}`;
  const answer = (a: Parameters<typeof bench.answer>[0]) => {
    setPlate(false);
    setTaken(undefined);
    bench.answer(a);
  };
  const trait = (t: string) => {
    setSheet(null);
    setPlate(false);
    setStaging(false);
    bench.chooseTrait(t);
  };
  const needsStage = j.stages.length === 0 || staging;
  const single = bench.chosen || bench.part !== undefined || way === 'offered';
  const measure = bench.trait?.kind === 'measure' && bench.trait;
  const stage = `Stage: ${j.stages.join(', ') || 'not stated'}${j.stageFixed ? ' (fixed)' : ''}`;
  const turnStage = () => {
    setPlate(false);
    setStaging(!staging);
  };
  const counted = view.patch.passed + view.patch.failed;
  return (
    <Grid>
      <div className="head">
        <h1>{view.title || (view.target ? `${view.target.common}?` : 'A find')}</h1>
        <Soft className="facts">
          {view.target ? (
            <>
              {hoped(view.facts.intent)} <b>{view.target.common}</b> <i>{view.target.scientific}</i>
            </>
          ) : (
            'no target yet'
          )}{' '}
          · to {view.facts.intent}
          {view.facts.preparation ? ` (${view.facts.part}, ${view.facts.preparation})` : ''} ·{' '}
          {view.place || 'no place given'} · {view.day}
        </Soft>
        <Button className="wide" onPress={() => setSheet('place')}>
          Place and rules
        </Button>
        <Button className="narrow" onPress={turnStage}>
          {stage}
        </Button>
      </div>
      <div className={plate ? 'plate shown' : 'plate'}>
        <Plate
          judgement={j}
          traits={traits}
          kingdom={kingdom}
          selected={bench.part}
          onPart={(p) => {
            setPlate(false);
            setStaging(false);
            bench.choosePart(p);
          }}
        />
        <Preparations
          bench={bench}
          traits={traits}
          sayings={bench.guide.data.sayings}
          carried={view.wear.carried}
          onPick={() => setSheet('pick')}
          onWear={() => setSheet('wear')}
          onPhotos={() => setSheet('photos')}
        />
        <Row role="group" aria-label="Specimens">
          {view.specimens.map(
            (s, i) =>
              s.id !== asideId && (
                <Chip
                  key={s.id}
                  $on={s.id === j.specimen}
                  aria-pressed={s.id === j.specimen}
                  onPress={() => bench.setSpecimen(s.id)}
                >
                  Specimen {i + 1}
                </Chip>
              ),
          )}
          <Button
            isDisabled={more.isPending}
            onPress={() => {
              const s = `s${view.specimens.length + 1}`;
              more.mutate({ id: s }, { onSuccess: () => bench.setSpecimen(s) });
            }}
          >
            Another one
          </Button>
          <Button onPress={() => setSheet('together')}>Side by side</Button>
          <Button className="narrow" onPress={() => setSheet('place')}>
            Place and rules
          </Button>
          <Button onPress={() => setSheet('basket')}>
            {view.patch.held
              ? 'Basket: held'
              : counted > 0
                ? `Basket: ${counted} of ${counted + view.patch.unchecked}`
                : 'Basket'}
          </Button>
        </Row>
      </div>
      <div className="check">
        <Row>
          <WaySwitch way={way} onWay={setWay} />
          <Button className="wide" onPress={turnStage}>
            {stage}
          </Button>
          <Button className="wide" isDisabled={!bench.canUndo || bench.busy} onPress={() => bench.undo()}>
            Undo last
          </Button>
          {!needsStage && (way === 'offered' ? !bench.offered && j.next : single) && (
            <Button onPress={bench.takeNext}>
              {way === 'offered' ? 'Back to the offered check' : `Back to: ${wayWords[way].toLowerCase()}`}
            </Button>
          )}
        </Row>
        <Waits
          view={view}
          traits={traits}
          onRead={(s, t) => {
            bench.setSpecimen(s);
            trait(t);
          }}
        />
        <Unsent unsent={bench.unsent} />
        {view.facts.secondOf && <AtHome view={view} judgement={j} />}
        {j.leaveWords.length > 0 && (
          <Note>
            <b>{j.word}.</b> {j.leaveWords.join(' ')}
          </Note>
        )}
        {needsStage ? (
          <StageCard
            key={j.specimen}
            kingdom={kingdom}
            now={j.stages}
            onDone={(stages) => bench.add('staged', { stages }, () => setStaging(false))}
          />
        ) : bench.part && !bench.chosen ? (
          <PartList judgement={j} traits={traits} part={bench.part} kingdom={kingdom} onTrait={trait} />
        ) : !single ? (
          way === 'list' ? (
            <Checklist find={id} specimen={j.specimen} stand={stand} onTrait={trait} />
          ) : way === 'key' ? (
            <KeyWalk bench={bench} find={id} stand={stand} onTrait={trait} />
          ) : (
            <WholeLook bench={bench} view={view} stand={stand} onTrait={trait} />
          )
        ) : bench.offered && !bench.chosen && j.obligations.length === 0 && !further ? (
          <Done view={view} judgement={j} onFurther={() => setFurther(true)} />
        ) : bench.trait ? (
          <CheckCard
            key={`${j.specimen} ${bench.trait.id} ${view.lines} ${taken?.value ?? ''}`}
            take={bench.said > 0}
            trait={bench.trait}
            judgement={j}
            offered={bench.offered}
            busy={bench.busy}
            hand={bench.person?.profile.hand}
            wear={view.wear}
            taken={taken?.trait === bench.trait.id ? taken : undefined}
            beside={
              measure && (
                <>
                  {measure.unit !== 'count' && (
                    <div>
                      <Button onPress={() => setSheet('measure')}>Measure in a picture…</Button>
                    </div>
                  )}
                  <RangeBars view={view} judgement={j} trait={measure} />
                </>
              )
            }
            wait={view.waits.find((w) => w.specimen === j.specimen && w.trait === bench.trait?.id)}
            onWait={(on) => bench.trait && wait.mutate({ specimen: j.specimen, trait: bench.trait.id, on })}
            onAnswer={answer}
            onUndo={bench.undo}
          />
        ) : (
          <p>No further check would change anything here. See what is open.</p>
        )}
      </div>
      <div className="verdict">
        <VerdictBar
          judgement={j}
          held={view.patch.held}
          onOpen={() => setSheet('open')}
          onDangers={() => setSheet('dangers')}
          onWhy={() => setSheet('why')}
        />
      </div>
      <div className="sheets">
        <Button onPress={() => setPlate(!plate)}>{plate ? 'Check' : 'Plate'}</Button>
        <Button onPress={() => setSheet('dangers')}>Dangers</Button>
        <Button onPress={() => setSheet('open')}>Open</Button>
        <Button onPress={() => setSheet('why')}>Why</Button>
        <Button aria-label="Undo last" isDisabled={!bench.canUndo || bench.busy} onPress={() => bench.undo()}>
          Undo
        </Button>
      </div>
      <Sheets
        sheet={sheet}
        bench={bench}
        view={view}
        judgement={j}
        traits={traits}
        byId={byId}
        stand={stand}
        onSheet={setSheet}
        onTrait={trait}
        onStage={() => {
          setSheet(null);
          setStaging(true);
        }}
        onTaken={(value, error) => {
          if (bench.trait) {
            setTaken({ trait: bench.trait.id, value, error });
            bench.chooseTrait(bench.trait.id);
          }
          setSheet(null);
        }}
      />
    </Grid>
  );
}

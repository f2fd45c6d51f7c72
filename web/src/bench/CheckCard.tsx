import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { Answer, Judgement, S, Trait } from '../api/client';
import { Button, Chip, Chips, Next, Soft } from '../theme/bits';
import { absent, firstTiles, inLeads, seen, tilesOf, type Look } from './answer';
import { LookChips } from './LookChips';
import { MeasureForm } from './MeasureForm';
import { OtherAnswers } from './OtherAnswers';
import { Tile } from './Tile';
import { WaitLine } from './WaitLine';
import { WearNote } from './WearNote';
import { tenths, waited } from './wait';
import { useKeyPress } from './useKeys';

const Card = styled.section`
  display: grid;
  gap: 12px;
  align-content: start;
  h2 {
    font-size: 1.5rem;
    &:focus {
      outline: none;
    }
  }
  details summary {
    cursor: pointer;
    min-height: 32px;
  }
  .short {
    display: none;
  }
  @media (max-width: 600px) {
    gap: 8px;
    h2 {
      font-size: 1.25rem;
    }
    .about {
      display: none;
    }
    .short {
      display: block;
    }
    details summary {
      min-height: 24px;
    }
  }
`;
const Tiles = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  @media (max-width: 600px) {
    grid-template-columns: repeat(2, 1fr);
  }
`;
const Leads = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: start;
  section {
    border: 1.5px solid var(--ink);
    border-radius: 10px;
    padding: 10px;
    display: grid;
    gap: 8px;
  }
  section:last-child {
    border-style: double;
    border-width: 4px;
    padding: 7.5px;
  }
  ${Tiles} {
    grid-template-columns: 1fr;
    @media (max-width: 600px) {
      grid-template-columns: repeat(2, 1fr);
    }
  }
  @media (max-width: 600px) {
    grid-template-columns: 1fr;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;
const Was = styled.div`
  border-left: 5px solid var(--bramble);
  background: var(--bramble-soft);
  padding: 8px 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
`;

type Props = {
  take?: boolean;
  about?: string;
  leads?: S['Lead'][];
  hand?: S['Hand'];
  taken?: { value: number; error: number };
  beside?: React.ReactNode;
  wear?: S['Wear'];
  wait?: S['Wait'];
  onWait: (on: boolean) => void;
  trait: Trait;
  judgement: Judgement;
  offered: boolean;
  busy: boolean;
  onAnswer: (a: Answer) => void;
  onUndo: (seq: number) => void;
};

export function CheckCard({
  take,
  about,
  leads,
  hand,
  taken,
  beside,
  wear,
  wait,
  onWait,
  trait,
  judgement,
  offered,
  busy,
  onAnswer,
  onUndo,
}: Props) {
  const [look, setLook] = useState<Look>({});
  // Whoever started the wait has said how long it was: the reading takes it from there.
  const timed = (): Look =>
    wait && look.minutes === undefined
      ? { ...look, minutes: tenths(waited(wait.startedMs, wait.minutes, Date.now()).gone) }
      : look;
  const [many, setMany] = useState<string[] | null>(null);
  const [all, setAll] = useState(false);
  const was = judgement.readings.find((r) => r.trait.id === trait.id && !r.derived);
  const next = offered ? judgement.next : undefined;
  const likely = new Map(next?.outcomes.map((o) => [o.state, o.p]));
  const tiles = leads ? inLeads(trait, leads) : all ? tilesOf(trait) : firstTiles(trait, likely);
  const hidden = leads ? 0 : tilesOf(trait).length - tiles.length;
  const outcome = (state: string) => next?.outcomes.find((o) => o.state === state)?.words;
  const tap = (state: string) => {
    if (many) setMany(many.includes(state) ? many.filter((s) => s !== state) : [...many, state]);
    else onAnswer(seen(trait, [state], timed()));
  };

  const drawn = { trait: trait.id, tiles, many, busy, outcome, onTap: tap };

  // The answer that had the focus is gone with its question: the next question takes it, and is read out.
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (take && (document.activeElement === document.body || document.activeElement === null))
      head.current?.focus({ preventScroll: true });
  }, [take]);

  // Number keys choose a tile; what is absent never has one.
  useKeyPress((key) => {
    const state = tiles[Number(key) - 1];
    if (!busy && state) tap(state.id);
    return state !== undefined;
  });

  return (
    <Card aria-labelledby="check-q">
      <Soft className="about">
        {about ?? (offered ? 'Next best check' : 'Your choice')} · {trait.name}
        {next?.words ? ` · ${next.words}` : ''}
      </Soft>
      {about && <Soft className="short">{about}</Soft>}
      <h2 id="check-q" ref={head} tabIndex={-1}>
        {trait.ask}
      </h2>
      <p>{trait.how}</p>
      {trait.terms && (
        <details>
          <summary>What the words mean</summary>
          <p>{trait.terms}</p>
        </details>
      )}
      {was && (
        <Was>
          <span>
            {was.taken
              ? 'Seen in the field, and taken over here:'
              : was.from
                ? 'Read on a part joined to it:'
                : 'You said:'}{' '}
            <b>{was.words}</b> ({was.soundness})
            {was.fixes.map((f) => (
              <span key={f.spoiler}>
                {' '}
                It is shaky: {f.why}. {f.do}
              </span>
            ))}
            {was.out
              ? ' It was read differently too often: this one says nothing of it any more. Take another specimen.'
              : was.soundness === 'conflicting' &&
                ' Two readings differ; both count nothing until you look once more, another way.'}
          </span>
          {!was.taken && <Button onPress={() => onUndo(was.seq)}>Undo this answer</Button>}
        </Was>
      )}
      {(trait.wait ?? 0) > 0 && (
        <WaitLine trait={trait} wait={wait} busy={busy} onStart={() => onWait(true)} onEnd={() => onWait(false)} />
      )}
      {trait.smell && wear && <WearNote trait={trait} wear={wear} look={look} />}
      <LookChips timed={wait !== undefined} trait={trait} again={was !== undefined} look={look} onLook={setLook} />
      {trait.kind === 'measure' ? (
        <MeasureForm trait={trait} busy={busy} look={look} hand={hand} taken={taken} onAnswer={onAnswer} />
      ) : leads ? (
        <Leads role="group" aria-labelledby="check-q">
          {leads.map((l, n) => (
            <section key={n} aria-label={`${n === 0 ? 'One way' : 'The other way'}, keeps ${l.keeps}`}>
              <header>
                <b>{n === 0 ? 'One way' : 'The other way'}</b> <Soft>keeps {l.keeps}</Soft>
              </header>
              <StateTiles among={l.states} {...drawn} />
              {l.states.includes(trait.absent ?? '-') && (
                <Button isDisabled={busy} onPress={() => onAnswer(absent(trait, timed()))}>
                  I examined it whole, and it is absent
                </Button>
              )}
              {l.states.length > 1 && (
                <Button isDisabled={busy} onPress={() => onAnswer(seen(trait, l.states, timed()))}>
                  One of these, unsure which
                </Button>
              )}
            </section>
          ))}
        </Leads>
      ) : (
        <StateTiles label="check-q" {...drawn} />
      )}
      {beside}
      {hidden > 0 && <Button onPress={() => setAll(true)}>None of these: show {hidden} more</Button>}
      {many && (
        <Chips role="group" aria-label="More than one">
          <Next isDisabled={many.length < 2 || busy} onPress={() => onAnswer(seen(trait, many, timed()))}>
            One of these, unsure which
          </Next>
          <Button isDisabled={many.length < 2 || busy} onPress={() => onAnswer(seen(trait, many, timed(), true))}>
            It shows all of these
          </Button>
        </Chips>
      )}
      <Row>
        {leads && (
          <Button isDisabled={busy} onPress={() => onAnswer({ trait: trait.id, kind: 'cant-tell' })}>
            Can’t tell: keep both ways
          </Button>
        )}
        <OtherAnswers trait={trait} busy={busy} onAnswer={onAnswer} />
        {trait.absent && !leads && (
          <Button isDisabled={busy} onPress={() => onAnswer(absent(trait, timed()))}>
            I examined it whole, and it is absent
          </Button>
        )}
        {trait.kind !== 'measure' && !leads && (
          <Chip $on={many !== null} aria-pressed={many !== null} onPress={() => setMany(many ? null : [])}>
            More than one fits
          </Chip>
        )}
      </Row>
    </Card>
  );
}

type TilesProps = {
  label?: string;
  among?: string[];
  trait: string;
  tiles: S['State'][];
  many: string[] | null;
  busy: boolean;
  outcome: (state: string) => string | undefined;
  onTap: (state: string) => void;
};

/** The tiles, or those of one way of a couplet; the number keys count through all. */
function StateTiles({ label, among, trait, tiles, many, busy, outcome, onTap }: TilesProps) {
  return (
    <Tiles role={label ? 'group' : undefined} aria-labelledby={label}>
      {tiles.map((s, i) =>
        among && !among.includes(s.id) ? null : (
          <Tile
            key={s.id}
            trait={trait}
            state={s}
            number={i < 9 ? i + 1 : undefined}
            outcome={outcome(s.id)}
            on={many?.includes(s.id)}
            busy={busy}
            onTap={() => onTap(s.id)}
          />
        ),
      )}
    </Tiles>
  );
}

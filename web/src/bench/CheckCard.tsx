import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Answer, Judgement, S, Trait } from '../api/client';
import { Button, Chip, Chips, Next, Soft } from '../theme/bits';
import { absent, firstTiles, seen, tilesOf, type Look } from './answer';
import { LookChips } from './LookChips';
import { MeasureForm } from './MeasureForm';
import { OtherAnswers } from './OtherAnswers';
import { Tile } from './Tile';
import { WaitLine } from './WaitLine';
import { tenths, waited } from './wait';

const Card = styled.section`display: grid; gap: 12px; align-content: start; h2 { font-size: 1.5rem; } details summary { cursor: pointer; min-height: 32px; }
  @media (max-width: 600px) { gap: 8px; h2 { font-size: 1.25rem; } .about { display: none; } details summary { min-height: 24px; } }`;
const Tiles = styled.div`display: grid; grid-template-columns: repeat(3, 1fr); gap: 8px;
  @media (max-width: 600px) { grid-template-columns: repeat(2, 1fr); }`;
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`;
const Was = styled.div`border-left: 5px solid var(--bramble); background: var(--bramble-soft); padding: 8px 12px; display: flex; flex-wrap: wrap; gap: 8px; align-items: center; justify-content: space-between;`;

type Props = { wait?: S['Wait']; onWait: (on: boolean) => void; trait: Trait; judgement: Judgement; offered: boolean; busy: boolean; onAnswer: (a: Answer) => void; onUndo: (seq: number) => void };

export function CheckCard({ wait, onWait, trait, judgement, offered, busy, onAnswer, onUndo }: Props) {
  const [look, setLook] = useState<Look>({});
  // Whoever started the wait has said how long it was: the reading takes it from there.
  const timed = (): Look => (wait && look.minutes === undefined ? { ...look, minutes: tenths(waited(wait.startedMs, wait.minutes, Date.now()).gone) } : look);
  const [many, setMany] = useState<string[] | null>(null);
  const [all, setAll] = useState(false);
  const was = judgement.readings.find((r) => r.trait.id === trait.id && !r.derived);
  const next = offered ? judgement.next : undefined;
  const likely = new Map(next?.outcomes.map((o) => [o.state, o.p]));
  const tiles = all ? tilesOf(trait) : firstTiles(trait, likely);
  const hidden = tilesOf(trait).length - tiles.length;
  const outcome = (state: string) => next?.outcomes.find((o) => o.state === state)?.words;
  const tap = (state: string) => {
    if (many) setMany(many.includes(state) ? many.filter((s) => s !== state) : [...many, state]);
    else onAnswer(seen(trait, [state], timed()));
  };

  // Number keys choose a tile; what is absent never has one.
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).closest('input, select, textarea, [role=dialog], [role=menu]')) return;
      const state = tiles[Number(e.key) - 1];
      if (!busy && state) tap(state.id);
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  });

  return (
    <Card aria-labelledby="check-q">
      <Soft className="about">
        {offered ? 'Next best check' : 'Your choice'} · {trait.name}
        {next?.words ? ` · ${next.words}` : ''}
      </Soft>
      <h2 id="check-q">{trait.ask}</h2>
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
            You said: <b>{was.words}</b> ({was.soundness})
            {was.fixes.map((f) => (
              <span key={f.spoiler}>
                {' '}
                It is shaky: {f.why}. {f.do}
              </span>
            ))}
            {was.soundness === 'conflicting' && ' Two readings differ; both count nothing until you look again and say how.'}
          </span>
          <Button onPress={() => onUndo(was.seq)}>Undo this answer</Button>
        </Was>
      )}
      {(trait.wait ?? 0) > 0 && <WaitLine trait={trait} wait={wait} busy={busy} onStart={() => onWait(true)} onEnd={() => onWait(false)} />}
      <LookChips timed={wait !== undefined} trait={trait} again={was !== undefined} look={look} onLook={setLook} />
      {trait.kind === 'measure' ? (
        <MeasureForm trait={trait} busy={busy} look={look} onAnswer={onAnswer} />
      ) : (
        <Tiles role="group" aria-labelledby="check-q">
          {tiles.map((s, i) => (
            <Tile key={s.id} trait={trait.id} state={s} number={i < 9 ? i + 1 : undefined} outcome={outcome(s.id)} on={many?.includes(s.id)} busy={busy} onTap={() => tap(s.id)} />
          ))}
        </Tiles>
      )}
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
        <OtherAnswers trait={trait} busy={busy} onAnswer={onAnswer} />
        {trait.absent && (
          <Button isDisabled={busy} onPress={() => onAnswer(absent(trait, timed()))}>
            I examined it whole, and it is absent
          </Button>
        )}
        {trait.kind !== 'measure' && (
          <Chip $on={many !== null} aria-pressed={many !== null} onPress={() => setMany(many ? null : [])}>
            More than one fits
          </Chip>
        )}
      </Row>
    </Card>
  );
}

import styled from 'styled-components';
import type { Trait } from '../api/client';
import { Chip } from '../theme/bits';
import { byTheGuide, type Look } from './answer';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  > span {
    color: var(--ink-soft);
    margin-right: 4px;
  }
  button {
    min-height: 44px;
    padding: 0 11px;
    font-size: 0.9rem;
  }
`;

type Props = { timed: boolean; trait: Trait; again: boolean; look: Look; onLook: (l: Look) => void };

/** How it was looked at: only what this trait's rules ask for, nothing preset. */
export function LookChips({ timed, trait, again, look, onLook }: Props) {
  const chip = (label: string, on: boolean, to: Partial<Look>) => (
    <Chip key={label} $on={on} aria-pressed={on} onPress={() => onLook({ ...look, ...to })}>
      {label}
    </Chip>
  );
  return (
    <>
      {(trait.count ?? 0) > 0 && (
        <Line role="group" aria-label="How many did you look at">
          <span>I looked at</span>
          {[1, 2, 3].map((n) =>
            chip(n === 3 ? '3 or more' : String(n), look.count === n, { count: look.count === n ? undefined : n }),
          )}
        </Line>
      )}
      {!timed && (trait.wait ?? 0) > 0 && (
        <Line role="group" aria-label="How long did you wait">
          <span>I waited</span>
          {chip('less', look.minutes === 1, { minutes: look.minutes === 1 ? undefined : 1 })}
          {chip(
            trait.wait! >= 60 ? `${trait.wait! / 60} hours or more` : `${trait.wait} minutes or more`,
            look.minutes === trait.wait,
            { minutes: look.minutes === trait.wait ? undefined : trait.wait },
          )}
        </Line>
      )}
      {trait.paper && (
        <Line role="group" aria-label="On which paper">
          <span>On paper</span>
          {(['half', 'white', 'dark'] as const).map((p) =>
            chip(p === 'half' ? 'half dark, half light' : p, look.paper === p, {
              paper: look.paper === p ? undefined : p,
            }),
          )}
        </Line>
      )}
      {trait.colour && (
        <Line role="group" aria-label="What spoils the colour">
          <span>Light or surface spoilt by</span>
          {(['poor', 'coloured', 'soil', 'rain', 'frost'] as const).map((c) =>
            chip(c === 'poor' ? 'poor light' : c === 'coloured' ? 'coloured light' : c, look.colour === c, {
              colour: look.colour === c ? undefined : c,
            }),
          )}
        </Line>
      )}
      {trait.smell && (
        <Line role="group" aria-label="What you smell it with">
          <span>Crushed with</span>
          {(['hands', 'gloves', 'blade'] as const).map((w) =>
            chip(w === 'hands' ? 'bare hands' : w, (look.with ?? 'hands') === w, {
              with: w === 'hands' ? undefined : w,
            }),
          )}
        </Line>
      )}
      <Line role="group" aria-label="About this look">
        {chip('not quite sure', look.unsure === true, { unsure: !look.unsure })}
        {trait.beforePick && chip('it is already picked', look.detached === true, { detached: !look.detached })}
      </Line>
      {trait.better.length > 0 && (
        <Line role="group" aria-label="Looked at as the guide says">
          <span>Looked at closely: {trait.better.slice(0, 2).join('; ')}</span>
          {chip('I did', look.method === byTheGuide, {
            method: look.method === byTheGuide ? undefined : byTheGuide,
          })}
        </Line>
      )}
      {again && (
        <Line role="group" aria-label="How this look differs from the one before">
          <span>A new look,</span>
          {(['another way', 'by somebody else', 'at another part of it'] as const).map((w) =>
            chip(w, look.method === w, { method: look.method === w ? undefined : w }),
          )}
        </Line>
      )}
    </>
  );
}

import { useState } from 'react';
import { useRevised } from '../api/revised';
import { Changed } from '../theme/Changed';
import { Guarded } from '../theme/Guarded';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { savePlace, type S } from '../api/client';
import { usePlace } from '../api/hooks';
import { Next, Page, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { Cues } from './Cues';
import { MapDesk } from './MapDesk';
import { Patches } from './Patches';
import { PlaceFields } from './PlaceFields';
import { WeatherFile } from './WeatherFile';
import { after } from '../api/queries';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: 28px;
  align-items: start;
  > div {
    display: grid;
    gap: 14px;
    min-width: 0;
  }
  @media (max-width: 900px) {
    grid-template-columns: 1fr;
  }
`;

/** One place: its map, its patches, its rules. */
export function PlacePage() {
  const { id = '' } = useParams();
  const { data, error } = usePlace(id);
  if (error)
    return (
      <Page>
        <h1>No such place</h1>
        <p>{error.message}</p>
        <p>
          <Link to="/places">To the places</Link>
        </p>
      </Page>
    );
  if (!data)
    return (
      <Page>
        <p role="status">Fetching the place…</p>
      </Page>
    );
  return <Place key={id} stored={data} />;
}

function Place({ stored }: { stored: S['Place'] }) {
  const {
    doc: p,
    setDoc: setP,
    save,
    now,
    mine,
    theirs,
  } = useRevised(`place ${stored.id}`, stored, savePlace, after.place);
  const [patch, setPatch] = useState(stored.patches?.[0]?.id);
  const problem = save.error;
  const change = (next: S['Place']) => {
    setP(next);
    save.mutate(next);
  };
  return (
    <Page style={{ maxWidth: 1240 }}>
      <h1>{p.name}</h1>
      <p>
        <Link to={`/year?place=${p.id}`}>The year here</Link> ·{' '}
        <Link to={`/walks/new?place=${p.id}`}>Plan a walk here</Link> · <Link to="/places">All places</Link>
      </p>
      {now ? <Changed mine={p} theirs={now} onMine={mine} onTheirs={theirs} /> : <Refused error={problem} />}
      <Two>
        <div>
          <Guarded what="the map">
            <MapDesk
              place={p}
              patch={p.patches?.find((x) => x.id === patch)}
              onPlace={change}
              onPoints={(points) =>
                change({ ...p, patches: p.patches?.map((x) => (x.id === patch ? { ...x, points } : x)) })
              }
            />
          </Guarded>
          <Guarded what="the patches">
            <Patches
              place={p}
              chosen={patch}
              onChoose={setPatch}
              onNow={change}
              onLater={setP}
              onStore={() => save.mutate(p)}
            />
          </Guarded>
          <Guarded what="the search cues">
            <Cues place={p} />
          </Guarded>
          <Guarded what="the weather">
            <WeatherFile place={p.id} />
          </Guarded>
        </div>
        <form
          style={{ display: 'grid', gap: 14 }}
          onSubmit={(e) => {
            e.preventDefault();
            save.mutate(p);
          }}
        >
          <PlaceFields place={p} onPlace={setP} />
          <Next type="submit" isDisabled={save.isPending}>
            Store the place
          </Next>
          <p role="status">{save.isSuccess ? 'Stored.' : ''}</p>
          <Soft>What you enter is only what the tool goes by. Local codes, owners and authorities come first.</Soft>
        </form>
      </Two>
    </Page>
  );
}

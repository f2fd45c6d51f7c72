import { useState } from 'react';
import styled from 'styled-components';
import { newKey, photoUrl, type View } from '../api/client';
import { useAddPhoto, useRemovePhoto } from '../api/hooks';
import { Button, Field, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { PhotoMeasure } from './PhotoMeasure';
import { partsOf } from './plate';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
  gap: 12px;
  li {
    display: grid;
    gap: 6px;
    align-content: start;
  }
  img {
    width: 100%;
    height: 130px;
    object-fit: cover;
    border: 1.5px solid var(--ink);
    border-radius: 6px;
  }
`;

type Props = { view: View; specimen: string; unit?: string; onTake?: (value: number, error: number) => void };

/** Pictures of the find: taken in without place and device, a record and never evidence; one can be measured in. */
export function Photos({ view, specimen, unit, onTake }: Props) {
  const add = useAddPhoto(view.id);
  const remove = useRemovePhoto(view.id);
  const [part, setPart] = useState('');
  const [open, setOpen] = useState<string>();
  const problem = add.error ?? remove.error;
  const parts = partsOf(view.facts.kingdom || 'plant');
  const name = (p: View['photos'][number]) =>
    `${parts.find((x) => x.part === p.part)?.label ?? 'The whole'}, specimen ${view.specimens.findIndex((s) => s.id === p.specimen) + 1}`;
  const chosen = view.photos.find((p) => p.id === open);
  if (chosen && onTake)
    return (
      <>
        <Button onPress={() => setOpen(undefined)}>Another picture</Button>
        <PhotoMeasure
          src={photoUrl(view.id, chosen.id)}
          alt={name(chosen)}
          width={chosen.width}
          height={chosen.height}
          unit={unit ?? 'cm'}
          onTake={onTake}
        />
      </>
    );
  return (
    <div style={{ display: 'grid', gap: 14 }}>
      <Soft>
        JPEG, PNG or WebP. Where, when and with what it was taken is removed before it is stored. A picture is a record;
        nothing is ever judged by it.
      </Soft>
      <Field>
        What it shows
        <select value={part} onChange={(e) => setPart(e.target.value)}>
          <option value="">the whole</option>
          {parts.map((p) => (
            <option key={p.part} value={p.part}>
              {p.label}
            </option>
          ))}
        </select>
      </Field>
      <Field>
        Add a picture of this specimen
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          disabled={add.isPending}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) add.mutate({ photo: newKey(), specimen, part, file });
          }}
        />
      </Field>
      <p role="status">{add.isPending ? 'Taking it in…' : add.isSuccess ? 'Stored.' : ''}</p>
      <Refused error={problem} />
      {view.photos.length === 0 && (
        <p>
          No picture yet. The first ones to take are those that can’t be had later: where it stands, how it is inserted,
          the base in the ground.
        </p>
      )}
      <List>
        {view.photos.map((p) => (
          <li key={p.id}>
            <img src={photoUrl(view.id, p.id)} alt={name(p)} loading="lazy" />
            <span>{name(p)}</span>
            {onTake && <Button onPress={() => setOpen(p.id)}>Measure in it</Button>}
            <Button
              aria-label={`Remove the picture: ${name(p)}`}
              isDisabled={remove.isPending}
              onPress={() => remove.mutate(p.id)}
            >
              Remove
            </Button>
          </li>
        ))}
      </List>
    </div>
  );
}

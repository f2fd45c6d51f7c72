import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { sum, type SumQuery } from '../api/client';
import { Chip, Chips, Field, Note, Page } from '../theme/bits';
import { Deed, Refused } from '../theme/deed';
import { key } from '../api/queries';

const kinds: { kind: SumQuery['kind']; label: string; fields: string[]; unit: string }[] = [
  {
    kind: 'scale',
    label: 'Scale a recipe',
    fields: ['Amount in the recipe', 'The recipe is for', 'You want it for'],
    unit: '',
  },
  { kind: 'share', label: 'Share of a formula', fields: ['Of how much', 'Per cent'], unit: '' },
  { kind: 'ratio', label: 'Weight to volume', fields: ['Plant material, g', '1 part to how many'], unit: 'ml' },
];

/** Plain arithmetic of recipes and formulas. It gives no dose. */
export function SumsPage() {
  const [at, setAt] = useState(0);
  const [put, setPut] = useState(['', '', '']);
  const k = kinds[at]!;
  const ready = k.fields.every((_, i) => put[i]);
  const query = { kind: k.kind, a: put[0]!, b: put[1]!, c: k.fields.length > 2 ? put[2] : undefined };
  const { data, error } = useQuery({
    queryKey: key('sum', query),
    queryFn: () => sum(query),
    enabled: ready,
    retry: false,
  });
  return (
    <Page>
      <h1>Recipe arithmetic</h1>
      <Note>
        Arithmetic of a recipe. It is no dose and no advice for anybody: what a person takes is for licensed practice to
        decide.
      </Note>
      <Chips role="group" aria-label="Which sum">
        {kinds.map((x, i) => (
          <Chip
            key={x.kind}
            $on={i === at}
            aria-pressed={i === at}
            onPress={() => {
              setAt(i);
              setPut(['', '', '']);
            }}
          >
            {x.label}
          </Chip>
        ))}
      </Chips>
      <Deed as="div">
        {k.fields.map((f, i) => (
          <Field key={f}>
            {f}
            <input
              inputMode="decimal"
              value={put[i]}
              onChange={(e) => setPut(put.map((p, n) => (n === i ? e.target.value : p)))}
            />
          </Field>
        ))}
      </Deed>
      {ready && data && (
        <p role="status" style={{ fontSize: '1.4rem' }}>
          <b>
            {data.value} {k.unit}
          </b>
          <br />
          <span style={{ fontSize: '1rem' }}>{data.working}</span>
        </p>
      )}
      {ready && <Refused error={error} />}
    </Page>
  );
}

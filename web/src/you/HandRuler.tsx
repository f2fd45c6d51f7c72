import { useState } from 'react';
import type { S } from '../api/client';
import { handParts, readLength } from '../bench/measure';
import { Field, Note, Soft } from '../theme/bits';

/** The person’s own hand as a ruler, measured once. What is left empty does not measure. */
export function HandRuler({ hand, onHand }: { hand?: S['Hand']; onHand: (h: S['Hand']) => void }) {
  const [text, setText] = useState<Record<string, string>>(() =>
    Object.fromEntries(handParts.map((p) => [p.id, hand?.[p.id] ? `${hand[p.id]} cm` : ''])),
  );
  const most = { palm: 20, finger: 15, span: 35 };
  return (
    <fieldset>
      <legend>Your hand as a ruler</legend>
      <Soft>Measured once, flat on a table. A length in palms, fingers or spans is then read to about a tenth.</Soft>
      <div className="three">
        {handParts.map((p) => {
          const read = readLength(text[p.id] ?? '', 'cm');
          const bad = text[p.id] !== '' && (!read || read.value <= 0 || read.value > most[p.id]);
          return (
            <Field key={p.id}>
              {p.word[0]!.toUpperCase() + p.word.slice(1)}: {p.about}
              <input
                value={text[p.id]}
                placeholder="cm or in"
                aria-invalid={bad}
                onChange={(e) => {
                  setText({ ...text, [p.id]: e.target.value });
                  const now = readLength(e.target.value, 'cm');
                  onHand({
                    ...hand,
                    [p.id]:
                      now && now.value > 0 && now.value <= most[p.id] ? Math.round(now.value * 10) / 10 : undefined,
                  });
                }}
              />
              {bad && <Note role="alert">A length up to {most[p.id]} cm, please.</Note>}
            </Field>
          );
        })}
      </div>
    </fieldset>
  );
}

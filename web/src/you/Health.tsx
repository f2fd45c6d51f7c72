import { useState } from 'react';
import type { S } from '../api/client';
import { Button, Chip, Chips, Field, Soft } from '../theme/bits';
import { flip, topics } from './profile';

type Props = { all: S['PersonFact'][]; health: string[]; profile: S['Profile']; onProfile: (p: S['Profile']) => void };

/** What is true of the person, topic by topic. It refuses, and never shows up anywhere else. */
export function Health({ all, health, profile: p, onProfile }: Props) {
  const [to, setTo] = useState('');
  const allergies = p.facts.filter((f) => f.startsWith('allergy:') && !all.some((a) => a.id === f));
  const addAllergy = () => {
    const fact = `allergy:${to.trim()}`;
    if (to.trim() && !p.facts.includes(fact)) onProfile({ ...p, facts: [...p.facts, fact] });
    setTo('');
  };
  return (
    <fieldset>
      <legend>Health</legend>
      <Soft>
        These answers stay in this database. They leave it only if you ask for that in so many words. Something can be
        refused to you that others may have; nobody is told why but you.
      </Soft>
      {health.map((t) => {
        const asked = p.answered.includes(t);
        return (
          <div className="group" key={t} role="group" aria-label={topics[t] ?? t}>
            <b>{topics[t] ?? t}</b>
            <Chips>
              {all
                .filter((f) => f.topic === t)
                .map((f) => (
                  <Chip
                    key={f.id}
                    $on={p.facts.includes(f.id)}
                    aria-pressed={p.facts.includes(f.id)}
                    onPress={() => onProfile({ ...p, facts: flip(p.facts, f.id) })}
                  >
                    {f.label}
                  </Chip>
                ))}
              {t === 'allergies' &&
                allergies.map((f) => (
                  <Chip key={f} $on aria-pressed onPress={() => onProfile({ ...p, facts: flip(p.facts, f) })}>
                    {f.slice(8)}
                  </Chip>
                ))}
              <Chip $on={asked} aria-pressed={asked} onPress={() => onProfile({ ...p, answered: flip(p.answered, t) })}>
                I have thought this through
              </Chip>
            </Chips>
            {t === 'allergies' && (
              <div className="line">
                <Field>
                  To a kind, a genus or a family
                  <input
                    value={to}
                    maxLength={80}
                    placeholder="Apiaceae"
                    onChange={(e) => setTo(e.target.value)}
                    onKeyDown={(e) => {
                      if (e.key === 'Enter') {
                        e.preventDefault();
                        addAllergy();
                      }
                    }}
                  />
                </Field>
                <Button isDisabled={!to.trim()} onPress={addAllergy}>
                  Add
                </Button>
              </div>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}

import styled from 'styled-components';
import { savePerson, type S } from '../api/client';
import { useGuide } from '../api/hooks';
import { useRevised } from '../api/revised';
import { Changed } from '../theme/Changed';
import { Chip, Chips, Field, Next, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { HandRuler } from './HandRuler';
import { Health } from './Health';
import { SignOffs } from './SignOffs';
import { after } from '../api/queries';

const Form = styled.form`
  display: grid;
  gap: 22px;
  max-width: 860px;
  border-left: 6px solid var(--bramble);
  padding-left: 20px;
  fieldset {
    border: 0;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 8px;
    min-width: 0;
  }
  legend {
    font-family: var(--head);
    font-weight: 700;
    font-size: 1.15rem;
    padding: 0;
    margin-bottom: 6px;
  }
  .group {
    display: grid;
    gap: 6px;
    border-top: 1px solid var(--line);
    padding: 8px 0;
  }
  .line {
    display: flex;
    gap: 8px;
    align-items: end;
  }
  .three {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 12px;
    align-items: end;
  }
  @media (max-width: 600px) {
    padding-left: 12px;
    .three {
      grid-template-columns: 1fr;
    }
  }
`;

/** What the tool knows of one person. */
export function ProfileForm({ person }: { person: S['Person'] }) {
  const { doc, setDoc, save, now, mine, theirs } = useRevised(
    `person ${person.id}`,
    person,
    (x) => savePerson({ ...x, id: person.id }),
    after.person,
  );
  const { name, profile: p } = doc;
  const setName = (to: string) => setDoc({ ...doc, name: to });
  const setP = (to: S['Profile']) => setDoc({ ...doc, profile: to });
  const guide = useGuide();
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        // What was taught by nobody does not count and is not stored.
        save.mutate({ ...doc, profile: { ...p, signOffs: p.signOffs.filter((x) => x.by.trim()) } });
      }}
    >
      <Field>
        Name
        <input value={name} maxLength={80} required onChange={(e) => setName(e.target.value)} />
      </Field>
      <fieldset>
        <legend>Eyes and nose</legend>
        <Chips>
          <Chip
            $on={p.colourDiffers}
            aria-pressed={p.colourDiffers}
            onPress={() => setP({ ...p, colourDiffers: !p.colourDiffers })}
          >
            I see colours differently
          </Chip>
          <Chip $on={p.smellWeak} aria-pressed={p.smellWeak} onPress={() => setP({ ...p, smellWeak: !p.smellWeak })}>
            I smell little, or have a cold
          </Chip>
        </Chips>
        <Soft>Then checks of form are offered instead.</Soft>
      </fieldset>
      <Health all={guide.data?.personFacts ?? []} health={guide.data?.health ?? []} profile={p} onProfile={setP} />
      <HandRuler hand={p.hand} onHand={(hand) => setP({ ...p, hand })} />
      <Field>
        What you have gathered so far, in your own words. It weighs nothing here.
        <input
          value={p.experience ?? ''}
          maxLength={300}
          onChange={(e) => setP({ ...p, experience: e.target.value })}
        />
      </Field>
      <SignOffs
        groups={guide.data?.hardGroups ?? []}
        signOffs={p.signOffs}
        onChange={(signOffs) => setP({ ...p, signOffs })}
      />
      {now ? (
        <Changed mine={{ name, ...p }} theirs={{ name: now.name, ...now.profile }} onMine={mine} onTheirs={theirs} />
      ) : (
        <Refused error={save.error} />
      )}
      <Next type="submit" isDisabled={save.isPending}>
        Store this
      </Next>
      <p role="status">{save.isSuccess ? 'Stored.' : ''}</p>
    </Form>
  );
}

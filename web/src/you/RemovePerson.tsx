import { useState } from 'react';
import { removePerson, type S } from '../api/client';
import { useKitchenChange } from '../api/hooks';
import { Refused } from '../theme/deed';
import { Button, Chips } from '../theme/bits';

/** Takes somebody out of this database, with what is known of their health; refused for whoever stands in the trace. */
export function RemovePerson({ person }: { person: S['Person'] }) {
  const [sure, setSure] = useState(false);
  const remove = useKitchenChange(removePerson);
  return (
    <>
      <Chips>
        {!sure ? (
          <Button onPress={() => setSure(true)}>Remove {person.name}…</Button>
        ) : (
          <>
            <Button
              isDisabled={remove.isPending}
              onPress={() => remove.mutate(person.id, { onSettled: () => setSure(false) })}
            >
              Remove {person.name} and the profile for good
            </Button>
            <Button onPress={() => setSure(false)}>Keep</Button>
          </>
        )}
      </Chips>
      <Refused error={remove.error} />
    </>
  );
}

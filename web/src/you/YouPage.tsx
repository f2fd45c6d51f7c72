import { usePeople } from '../api/hooks';
import { Note, Page } from '../theme/bits';
import { ProfileForm } from './ProfileForm';

export function YouPage() {
  const people = usePeople();
  return (
    <Page>
      <h1>You</h1>
      <p>What is known here decides which checks you are asked for, and what is refused to you whatever others may have. It stays in this database.</p>
      {people.error && <Note role="alert">{people.error.message}</Note>}
      {people.data?.map((p) => <ProfileForm key={p.id} person={p} />)}
    </Page>
  );
}

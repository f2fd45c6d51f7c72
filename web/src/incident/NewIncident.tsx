import { useState } from 'react';
import { Navigate, useSearchParams } from 'react-router';
import { newKey } from '../api/client';

/** Begins one: it gets its name here, so that nothing has to be asked of anybody. */
export function NewIncident() {
  const [params] = useSearchParams();
  const [id] = useState(() => `inc-${newKey().slice(0, 13)}`);
  const lot = params.get('lot');
  return <Navigate replace state={{ fresh: true }} to={`/incident/${id}${lot ? `?lot=${lot}` : ''}`} />;
}

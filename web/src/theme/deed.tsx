import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Problem } from '../api/client';
import { Note } from './bits';

/** Fields of one deed in a line, the button at its end. */
export const Deed = styled.form`
  display: flex;
  details > & {
    margin-top: 12px;
  }
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  label {
    max-width: 190px;
    &:has([type='datetime-local']) {
      max-width: 270px;
    }
  }
  label.wide {
    max-width: 420px;
    flex: 1 1 260px;
  }
  @media (max-width: 600px) {
    label {
      flex: 1 1 150px;
      max-width: none;
    }
  }
`;

export const Tick = styled.label`
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  input {
    width: 22px;
    height: 22px;
    flex: none;
  }
`;

/** Why something was refused, and what to do. */
export const Refused = ({ error }: { error: unknown }) => {
  const p = error as Problem | null;
  if (!p) return null;
  return (
    <Note role="alert">
      {p.message} {(p.fields ?? []).join('; ')}
    </Note>
  );
};

export const Part = ({ id, title, children }: { id: string; title: string; children: ReactNode }) => (
  <section
    aria-labelledby={id}
    style={{ display: 'grid', gap: 10, borderTop: '2px solid var(--line)', paddingTop: 14 }}
  >
    <h2 id={id}>{title}</h2>
    {children}
  </section>
);

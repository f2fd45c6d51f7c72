import { useState } from 'react';
import { keysOn, switchKeys } from '../bench/useKeys';
import { Soft } from '../theme/bits';
import { Tick } from '../theme/deed';

/** Single keys do things on the bench and when sorting; who speaks to the machine, or presses keys unawares, switches them off. */
export function KeysSwitch() {
  const [on, setOn] = useState(keysOn);
  return (
    <section
      aria-labelledby="keys-h"
      style={{ display: 'grid', gap: 6, borderTop: '2px solid var(--line)', paddingTop: 14 }}
    >
      <h2 id="keys-h">Keys on this machine</h2>
      <Tick>
        <input
          type="checkbox"
          checked={on}
          onChange={(e) => {
            switchKeys(e.target.checked);
            setOn(e.target.checked);
          }}
        />{' '}
        Single keys work as shortcuts
      </Tick>
      <Soft>Switched off, only buttons, Tab and Enter do anything. Everything can be reached without shortcuts.</Soft>
    </section>
  );
}

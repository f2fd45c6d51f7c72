/** The keys of the bench, and how its drawing is to be read. */
export function Keys() {
  const keys = [
    ['1 – 9', 'choose a drawing'],
    ['n', 'the offered next check'],
    ['c', 'the checklist'],
    ['k', 'the key'],
    ['l', 'the whole look'],
    ['u', 'undo the last answer'],
    ['d', 'dangers'],
    ['w', 'why'],
    ['o', 'what is open'],
    ['b', 'the basket'],
    ['p', 'before you pick'],
    ['s', 'specimens side by side'],
    ['h', 'hands, gloves and blade'],
    ['f', 'pictures'],
    ['r', 'look back'],
    ['/', 'search the guide'],
    ['?', 'this list'],
  ];
  return (
    <>
      <dl style={{ display: 'grid', gridTemplateColumns: '90px 1fr', gap: 8, margin: 0 }}>
        {keys.map(([k, what]) => (
          <div key={k} style={{ display: 'contents' }}>
            <dt>
              <b>{k}</b>
            </dt>
            <dd style={{ margin: 0 }}>{what}</dd>
          </div>
        ))}
      </dl>
      <p>What is absent has no key: it is a deliberate answer.</p>
      <h3>How the specimen is drawn</h3>
      <ul>
        <li>
          <b>Faint dots:</b> not looked at; the form is only a guess.
        </li>
        <li>
          <b>Thin line:</b> some of what gives the piece its form was read, the rest is a guess.
        </li>
        <li>
          <b>Broken line:</b> read, but shaky. An absence that is shaky takes nothing away: the part is still drawn.
        </li>
        <li>
          <b>Ink:</b> drawn as you saw it.
        </li>
        <li>
          <b>Not there:</b> examined and absent.
        </li>
      </ul>
    </>
  );
}

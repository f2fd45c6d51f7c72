/** The keys of the bench. */
export function Keys() {
  const keys = [['1 – 9', 'choose a drawing'], ['n', 'take the offered next check'], ['u', 'undo the last answer'], ['d', 'dangers'], ['w', 'why'], ['o', 'what is open'], ['/', 'search the guide'], ['?', 'this list']];
  return (
    <>
      <dl style={{ display: 'grid', gridTemplateColumns: '90px 1fr', gap: 8, margin: 0 }}>
        {keys.map(([k, what]) => (
          <div key={k} style={{ display: 'contents' }}>
            <dt><b>{k}</b></dt>
            <dd style={{ margin: 0 }}>{what}</dd>
          </div>
        ))}
      </dl>
      <p>What is absent has no key: it is a deliberate answer.</p>
    </>
  );
}

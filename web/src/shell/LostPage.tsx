import { NextLink, Page } from '../theme/bits';

export function LostPage() {
  return (
    <Page>
      <h1>Nothing grows here</h1>
      <p>There is no page at this address.</p>
      <p>
        <NextLink to="/">To your finds</NextLink>
      </p>
    </Page>
  );
}

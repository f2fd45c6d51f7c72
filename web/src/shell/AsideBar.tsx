import { Link, useLocation } from 'react-router';
import { useData } from '../api/hooks';
import { Note, Page } from '../theme/bits';

/** Says on every page that some records can’t be read; the page of the data lists them. */
export function AsideBar() {
  const { pathname } = useLocation();
  const check = useData(false).data?.check;
  if (!check || check.whole || pathname === '/data') return null;
  return (
    <Page style={{ paddingBottom: 0 }}>
      <Note role="status">
        <b>Not all that is stored can be read.</b> What can’t is set aside; everything else works. Make a backup now.{' '}
        <Link to="/data">Your data</Link>
      </Note>
    </Page>
  );
}

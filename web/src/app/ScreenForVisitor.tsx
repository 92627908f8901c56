import Link from '@mui/material/Link';
import { Link as RouterLink, Outlet, useLocation } from 'react-router';
import { AnswerLine } from '../parts/AnswerLine';
import { Empty } from '../parts/Panel';
import { useIsHelper } from '../data/door';
import { Title } from '../parts/Title';
import { screens, settingsScreen } from './screens';

/** The screen of the address; a helper, who may see Today, is told so at every other. */
export function ScreenForVisitor() {
  const { pathname } = useLocation();
  const isHelper = useIsHelper();
  const screen = [...screens, settingsScreen].find(({ path }) => path === `/${pathname.split('/')[1] ?? ''}`);
  if (!isHelper || pathname === '/')
    return (
      <>
        {screen && <Title of={screen.name} />}
        <Outlet />
      </>
    );
  return (
    <>
      <AnswerLine>This is the maker’s.</AnswerLine>
      <Empty
        title="What is to be done stands on Today."
        action={
          <Link component={RouterLink} to="/">
            To Today
          </Link>
        }
      />
    </>
  );
}

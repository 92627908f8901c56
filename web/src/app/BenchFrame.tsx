import { Suspense } from 'react';
import { Outlet } from 'react-router';
import { useDoorQuery } from '../data/door';
import { AnswerLine } from '../parts/AnswerLine';
import { SignIn } from './SignInLater';

/** Around a screen that has the whole of a tablet or phone for itself. */
export function BenchFrame() {
  const { data: door } = useDoorQuery();
  if (door?.isLocked && !door.visitor)
    return (
      <Suspense fallback={null}>
        <SignIn />
      </Suspense>
    );
  if (door?.visitor?.role === 'helper') return <AnswerLine>This is the maker’s.</AnswerLine>;
  return <Outlet />;
}

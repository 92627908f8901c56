import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { Suspense, useState } from 'react';
import { ScrollRestoration, useNavigation } from 'react-router';
import { BottomBar, Navigation } from './Navigation';
import { isExample } from '../parts/kitchenAt';
import { ExampleBar } from './ExampleBar';
import { ScreenForVisitor } from './ScreenForVisitor';
import { SignIn } from './SignInLater';
import { SeasonStrip } from './SeasonStrip';
import { Shortcuts, type Over } from './Shortcuts';
import { usePlanQuery } from '../data/plan';
import { useDoorQuery } from '../data/door';
import { Written } from './Written';

/** Navigation, season strip, and the screen in its place. */
export function Shell() {
  const narrow = useMediaQuery(useTheme().breakpoints.down('md'));
  const { data: plan } = usePlanQuery();
  const { data: door } = useDoorQuery();
  const [over, setOver] = useState<Over>(null);
  const isComing = useNavigation().state === 'loading';
  if (door?.isLocked && !door.visitor)
    return (
      <Suspense fallback={null}>
        <SignIn />
      </Suspense>
    );
  return (
    <Box sx={{ display: 'flex', minHeight: '100dvh' }}>
      <Box
        component="a"
        href="#screen"
        sx={{
          position: 'absolute',
          left: -9999,
          '&:focus': { left: 8, top: 8, zIndex: 2000, p: 1, bgcolor: 'background.paper' },
        }}
      >
        Skip to the screen
      </Box>
      {!narrow && (
        <Box sx={{ displayPrint: 'none' }}>
          <Navigation plan={plan} onOver={setOver} />
        </Box>
      )}
      <Box sx={{ flex: 1, minWidth: 0, pb: narrow ? 'calc(var(--foot, 62px) + 10px)' : 0 }}>
        <Box sx={{ displayPrint: 'none' }}>
          {isExample && <ExampleBar />}
          <Written>
            <SeasonStrip plan={plan} />
          </Written>
        </Box>
        <Box
          component="main"
          id="screen"
          tabIndex={-1}
          aria-busy={isComing}
          sx={{ p: { xs: 1.5, md: 2.75 }, pt: { xs: 1.5, md: 2.25 }, outline: 'none' }}
        >
          {isComing && <LinearProgress aria-label="The screen is coming" sx={{ mb: 1 }} />}
          <Written>
            <ScreenForVisitor />
          </Written>
        </Box>
      </Box>
      {narrow && (
        <Box sx={{ displayPrint: 'none' }}>
          <BottomBar onOver={setOver} />
        </Box>
      )}
      <Shortcuts over={over} onOver={setOver} />
      <ScrollRestoration />
    </Box>
  );
}

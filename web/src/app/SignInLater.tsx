import { lazy } from 'react';

/** Comes only where the door is locked. */
export const SignIn = lazy(async () => ({ default: (await import('../door/SignIn')).SignIn }));

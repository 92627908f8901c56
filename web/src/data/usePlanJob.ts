import type { PlanJob } from '@usual-pantry/core/programme';
import { useEffect, useRef } from 'react';
import { api } from './api';
import { planApi, usePlanJobQuery, useStopPlanMutation } from './plan';
import { useAppDispatch } from './store';

/** How often the page asks how far a long solve is. */
export const POLL_MS = 400;

/** How far the plan of the season is; when one is found, every figure is asked for again. @param isAllowed whether whoever looks may ask */
export function usePlanJob(isAllowed = true): { job: PlanJob | undefined; isPlanning: boolean; stop: () => void } {
  const dispatch = useAppDispatch();
  const [stop] = useStopPlanMutation();
  const known = planApi.endpoints.planJob.useQueryState();
  const { data: job } = usePlanJobQuery(undefined, {
    pollingInterval: known.data?.state === 'running' ? POLL_MS : 0,
    skip: !isAllowed,
  });
  const isRunning = job?.state === 'running';
  const was = useRef(false);
  useEffect(() => {
    if (was.current && !isRunning) dispatch(api.util.invalidateTags(['Orders']));
    was.current = isRunning;
  }, [isRunning, dispatch]);
  return { job, isPlanning: isRunning && job.kind === 'plan', stop: () => void stop() };
}

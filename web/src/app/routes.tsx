import type { ComponentType } from 'react';
import { createBrowserRouter, Outlet, type RouteObject } from 'react-router';
import { Today } from '../today/Today';
import { BenchFrame } from './BenchFrame';
import { chunks } from './chunks';
import { Lost } from './Lost';
import { Shell } from './Shell';
import { Written } from './Written';
import { PAGES_AT } from '../parts/kitchenAt';

/** A page of the bench: the whole screen, without the navigation. */
const atBench = (path: string, lazy: () => Promise<{ Component: ComponentType }>): RouteObject => ({
  path,
  element: (
    <Written>
      <BenchFrame />
    </Written>
  ),
  errorElement: <Lost />,
  HydrateFallback: () => null,
  children: [{ index: true, lazy }],
});

/** Every screen but the first comes when it is asked for. */
export const router = createBrowserRouter(
  [
    {
      path: 'pair',
      lazy: async () => ({ Component: (await import('../door/Pair')).Pair }),
      HydrateFallback: () => null,
    },
    atBench('kitchen/batch/:id', async () => ({ Component: (await import('../kitchen/BenchScreen')).BenchScreen })),
    atBench('kitchen/practice/:drill?', async () => ({ Component: (await import('../kitchen/Practice')).Practice })),
    {
      path: 'print',
      element: (
        <Written>
          <Outlet />
        </Written>
      ),
      errorElement: <Lost />,
      HydrateFallback: () => null,
      children: [
        { path: 'bench', lazy: async () => ({ Component: (await import('../print/BenchPaper')).BenchPaper }) },
        { path: 'shopping', lazy: async () => ({ Component: (await import('../print/ShoppingPaper')).ShoppingPaper }) },
        {
          path: 'hand-overs',
          lazy: async () => ({ Component: (await import('../print/HandOversPaper')).HandOversPaper }),
        },
        { path: 'orders/:id', lazy: async () => ({ Component: (await import('../print/PackingCard')).PackingCard }) },
        { path: 'recipes/:id', lazy: async () => ({ Component: (await import('../print/RecipePaper')).RecipePaper }) },
      ],
    },
    {
      element: <Shell />,
      errorElement: <Lost />,
      HydrateFallback: () => null,
      children: [
        { index: true, element: <Today /> },
        {
          path: 'orders/:id?/:view?',
          lazy: async () => ({ Component: (await chunks.orders()).Orders }),
        },
        {
          path: 'boxes/:id?',
          lazy: async () => ({ Component: (await chunks.boxes()).Boxes }),
        },
        {
          path: 'recipes/:id?/:view?',
          lazy: async () => ({ Component: (await chunks.recipes()).Recipes }),
        },
        {
          path: 'pieces/:id',
          lazy: async () => ({ Component: (await chunks.pieces()).PiecePage }),
        },
        {
          path: 'pantry/:id?',
          lazy: async () => ({ Component: (await chunks.pantry()).Pantry }),
        },
        {
          path: 'plan/:view?',
          lazy: async () => ({ Component: (await chunks.plan()).PlanScreen }),
        },
        {
          path: 'kitchen',
          lazy: async () => ({ Component: (await chunks.kitchen()).Kitchen }),
        },
        {
          path: 'kitchen/made/:id',
          lazy: async () => ({ Component: (await import('../kitchen/MadeBatch')).MadeBatch }),
        },
        {
          path: 'labels/:boxId?',
          lazy: async () => ({ Component: (await chunks.labels()).Labels }),
        },
        {
          path: 'money',
          lazy: async () => ({ Component: (await chunks.money()).Money }),
        },
        {
          path: 'settings',
          lazy: async () => ({ Component: (await chunks.settings()).Settings }),
        },
        {
          path: 'changes',
          lazy: async () => ({ Component: (await chunks.changes()).Changes }),
        },
        { path: 'contents/:lot', lazy: async () => ({ Component: (await import('../labels/LotPage')).LotPage }) },
        { path: 'manual', lazy: async () => ({ Component: (await import('../help/Manual')).Manual }) },
        { path: 'words', lazy: async () => ({ Component: (await import('./Words')).Words }) },
        { path: '*', element: <Lost /> },
      ],
    },
  ],
  PAGES_AT === '' ? {} : { basename: PAGES_AT },
);

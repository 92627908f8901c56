import { createBrowserRouter } from 'react-router';
import { Today } from '../today/Today';
import { Lost } from './Lost';
import { Shell } from './Shell';

/** Every screen but the first comes when it is asked for. */
export const router = createBrowserRouter([
  {
    path: 'pair',
    lazy: async () => ({ Component: (await import('../door/Pair')).Pair }),
    HydrateFallback: () => null,
  },
  {
    path: 'print',
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
        lazy: async () => ({ Component: (await import('../orders/Orders')).Orders }),
      },
      {
        path: 'boxes/:id?',
        lazy: async () => ({ Component: (await import('../boxes/Boxes')).Boxes }),
      },
      {
        path: 'recipes/:id?/:view?',
        lazy: async () => ({ Component: (await import('../recipes/Recipes')).Recipes }),
      },
      {
        path: 'pieces/:id',
        lazy: async () => ({ Component: (await import('../recipes/PiecePage')).PiecePage }),
      },
      {
        path: 'pantry/:id?',
        lazy: async () => ({ Component: (await import('../pantry/Pantry')).Pantry }),
      },
      {
        path: 'plan/:view?',
        lazy: async () => ({ Component: (await import('../plan/PlanScreen')).PlanScreen }),
      },
      {
        path: 'labels/:boxId?',
        lazy: async () => ({ Component: (await import('../labels/Labels')).Labels }),
      },
      {
        path: 'money',
        lazy: async () => ({ Component: (await import('../money/Money')).Money }),
      },
      {
        path: 'settings',
        lazy: async () => ({ Component: (await import('../settings/Settings')).Settings }),
      },
      {
        path: 'changes',
        lazy: async () => ({ Component: (await import('../history/Changes')).Changes }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);

import { createBrowserRouter } from 'react-router';
import { Shell } from './parts/shell.tsx';
import { Broken, Lost } from './parts/states.tsx';
import { Rack } from './screens/rack/rack.tsx';

/** Screens other than the first load when they are first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { index: true, element: <Rack /> },
      {
        path: 'designs/:id',
        lazy: async () => ({ Component: (await import('./screens/bench/bench.tsx')).Bench }),
      },
      {
        path: 'designs/:id/rig',
        lazy: async () => ({ Component: (await import('./screens/rig/rig.tsx')).RigScreen }),
      },
      {
        path: 'designs/:id/water',
        lazy: async () => ({ Component: (await import('./screens/tank/tank.tsx')).Tank }),
      },
      {
        path: 'designs/:id/ladder',
        lazy: async () => ({ Component: (await import('./screens/ladder/ladder.tsx')).Ladder }),
      },
      {
        path: 'designs/:id/uses',
        lazy: async () => ({ Component: (await import('./screens/uses/uses.tsx')).Uses }),
      },
      {
        path: 'designs/:id/mould',
        lazy: async () => ({ Component: (await import('./screens/mould/mould.tsx')).MouldScreen }),
      },
      {
        path: 'take-in',
        lazy: async () => ({ Component: (await import('./screens/take-in/take-in.tsx')).TakeIn }),
      },
      {
        path: 'batches',
        lazy: async () => ({ Component: (await import('./screens/batches/batches.tsx')).Batches }),
      },
      {
        path: 'batches/:id',
        lazy: async () => ({ Component: (await import('./screens/batches/batches.tsx')).Batches }),
      },
      {
        path: 'range',
        lazy: async () => ({ Component: (await import('./screens/range/range.tsx')).RangeScreen }),
      },
      {
        path: 'trials',
        lazy: async () => ({ Component: (await import('./screens/trials/trials.tsx')).Trials }),
      },
      {
        path: 'trials/:id',
        lazy: async () => ({ Component: (await import('./screens/trials/trials.tsx')).Trials }),
      },
      {
        path: 'rules',
        lazy: async () => ({ Component: (await import('./screens/rules/rules.tsx')).Rules }),
      },
      {
        path: 'sayings',
        lazy: async () => ({ Component: (await import('./screens/sayings/sayings.tsx')).Sayings }),
      },
      {
        path: 'compare',
        lazy: async () => ({ Component: (await import('./screens/compare/compare.tsx')).Compare }),
      },
      {
        path: 'briefs',
        lazy: async () => ({ Component: (await import('./screens/briefs/briefs.tsx')).Briefs }),
      },
      {
        path: 'briefs/:id',
        lazy: async () => ({ Component: (await import('./screens/briefs/briefs.tsx')).Briefs }),
      },
      {
        path: 'stores',
        lazy: async () => ({ Component: (await import('./screens/stores/stores.tsx')).StoresScreen }),
      },
      {
        path: 'backups',
        lazy: async () => ({ Component: (await import('./screens/backups/backups.tsx')).Backups }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);

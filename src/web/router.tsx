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
      { index: true, element: <Rack />, handle: { title: 'Rack' } },
      {
        path: 'designs/:id',
        handle: { title: 'Bench' },
        lazy: async () => ({ Component: (await import('./screens/bench/bench.tsx')).Bench }),
      },
      {
        path: 'designs/:id/rig',
        handle: { title: 'Rig' },
        lazy: async () => ({ Component: (await import('./screens/rig/rig.tsx')).RigScreen }),
      },
      {
        path: 'designs/:id/water',
        handle: { title: 'Tank' },
        lazy: async () => ({ Component: (await import('./screens/tank/tank.tsx')).Tank }),
      },
      {
        path: 'designs/:id/ladder',
        handle: { title: 'Ladder' },
        lazy: async () => ({ Component: (await import('./screens/ladder/ladder.tsx')).Ladder }),
      },
      {
        path: 'designs/:id/uses',
        handle: { title: 'Uses' },
        lazy: async () => ({ Component: (await import('./screens/uses/uses.tsx')).Uses }),
      },
      {
        path: 'designs/:id/mould',
        handle: { title: 'Mould' },
        lazy: async () => ({ Component: (await import('./screens/mould/mould.tsx')).MouldScreen }),
      },
      {
        path: 'take-in',
        handle: { title: 'Measure a head' },
        lazy: async () => ({ Component: (await import('./screens/take-in/take-in.tsx')).TakeIn }),
      },
      {
        path: 'help',
        handle: { title: 'Help' },
        lazy: async () => ({ Component: (await import('./screens/help/help-screen.tsx')).HelpScreen }),
      },
      {
        path: 'archive',
        handle: { title: 'Archive' },
        lazy: async () => ({ Component: (await import('./screens/archive/archive.tsx')).Archive }),
      },
      {
        path: 'import-heads',
        handle: { title: 'Import heads' },
        lazy: async () => ({
          Component: (await import('./screens/heads-table/heads-table.tsx')).HeadsTableScreen,
        }),
      },
      {
        path: 'batches',
        handle: { title: 'Batches' },
        lazy: async () => ({ Component: (await import('./screens/batches/batches.tsx')).Batches }),
      },
      {
        path: 'batches/:id',
        handle: { title: 'Batches' },
        lazy: async () => ({ Component: (await import('./screens/batches/batches.tsx')).Batches }),
      },
      {
        path: 'range',
        handle: { title: 'Range' },
        lazy: async () => ({ Component: (await import('./screens/range/range.tsx')).RangeScreen }),
      },
      {
        path: 'trials',
        handle: { title: 'Trials' },
        lazy: async () => ({ Component: (await import('./screens/trials/trials.tsx')).Trials }),
      },
      {
        path: 'trials/:id',
        handle: { title: 'Trials' },
        lazy: async () => ({ Component: (await import('./screens/trials/trials.tsx')).Trials }),
      },
      {
        path: 'rules',
        handle: { title: 'Rules' },
        lazy: async () => ({ Component: (await import('./screens/rules/rules.tsx')).Rules }),
      },
      {
        path: 'sayings',
        handle: { title: 'Sayings' },
        lazy: async () => ({ Component: (await import('./screens/sayings/sayings.tsx')).Sayings }),
      },
      {
        path: 'compare',
        handle: { title: 'Side by side' },
        lazy: async () => ({ Component: (await import('./screens/compare/compare.tsx')).Compare }),
      },
      {
        path: 'briefs',
        handle: { title: 'Briefs' },
        lazy: async () => ({ Component: (await import('./screens/briefs/briefs.tsx')).Briefs }),
      },
      {
        path: 'briefs/:id',
        handle: { title: 'Briefs' },
        lazy: async () => ({ Component: (await import('./screens/briefs/briefs.tsx')).Briefs }),
      },
      {
        path: 'stores',
        handle: { title: 'Stores' },
        lazy: async () => ({ Component: (await import('./screens/stores/stores.tsx')).StoresScreen }),
      },
      {
        path: 'backups',
        handle: { title: 'Backups' },
        lazy: async () => ({ Component: (await import('./screens/backups/backups.tsx')).Backups }),
      },
      {
        path: 'people',
        handle: { title: 'People' },
        lazy: async () => ({ Component: (await import('./screens/people/people.tsx')).People }),
      },
      {
        path: 'join',
        handle: { title: 'Join' },
        lazy: async () => ({ Component: (await import('./screens/people/join.tsx')).Join }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);

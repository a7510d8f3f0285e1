import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, RouterProvider } from 'react-router';

import { BenchPage } from '../features/bench';
import { BookPage } from '../features/book';
import { Broken } from './Broken';
import { FrontDoor } from './FrontDoor';
import { Waiting } from './Waiting';
import { Frame } from './Frame';
import { Moved } from './Moved';
import { NotFound } from './NotFound';
import { MOVED } from './places';
import { makeQueryClient } from './queryClient';
import { room } from './room';

const queryClient = makeQueryClient();
const Notices = lazy(async () => ({ default: (await import('./Notices')).Notices }));

// The bench opens first; the other rooms come when they are entered.
const notebook = () => import('../features/notebook');
const shelf = () => import('../features/shelf');
const tree = () => import('../features/tree');
const paste = () => import('../features/paste');
const card = () => import('../features/card');
const today = () => import('../features/today');
const lots = () => import('../features/lots');
const stillroom = () => import('../features/stillroom');
const larder = () => import('../features/larder');
const originals = () => import('../features/originals');
const service = () => import('../features/service');
const tongue = () => import('../features/tongue');
const carry = () => import('../features/carry');

const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <Broken />,
    HydrateFallback: () => <Waiting error={null} />,
    children: [
      { path: '/', element: <FrontDoor /> },
      { path: '/bench/:drinkId', element: <BenchPage /> },
      { path: '/bench/:drinkId/trials/:trialNumber', element: <BenchPage /> },
      { path: '/recipes', element: <BookPage /> },
      { path: '/recipes/family-tree', lazy: room(tree, ({ TreePage }) => TreePage) },
      { path: '/recipes/menu-sheet', lazy: room(card, ({ ListPage }) => ListPage) },
      { path: '/recipes/import', lazy: room(carry, ({ ImportPage }) => ImportPage) },
      { path: '/paste', lazy: room(paste, ({ PastePage }) => PastePage) },
      { path: '/card/:drinkId', lazy: room(card, ({ CardPage }) => CardPage) },
      { path: '/specs/:drinkId', lazy: room(notebook, ({ SpecsPage }) => SpecsPage) },
      { path: '/ideas', lazy: room(originals, ({ OriginalsPage }) => OriginalsPage) },
      { path: '/ideas/menu', lazy: room(originals, ({ MenuPage }) => MenuPage) },
      { path: '/ideas/pairings', lazy: room(originals, ({ KinshipPage }) => KinshipPage) },
      { path: '/ingredients', lazy: room(larder, ({ LarderPage }) => LarderPage) },
      { path: '/ingredients/all/:slug', lazy: room(larder, ({ LarderPage }) => LarderPage) },
      { path: '/ingredients/stock', lazy: room(shelf, ({ ShelfPage }) => ShelfPage) },
      { path: '/ingredients/open', lazy: room(lots, ({ LotsPage }) => LotsPage) },
      { path: '/ingredients/open/:lotId', lazy: room(lots, ({ LotPage }) => LotPage) },
      { path: '/ingredients/open/:lotId/label', lazy: room(lots, ({ LabelPage }) => LabelPage) },
      { path: '/ingredients/prep', lazy: room(stillroom, ({ StillroomPage }) => StillroomPage) },
      { path: '/ingredients/prep/:slug', lazy: room(stillroom, ({ PreparationPage }) => PreparationPage) },
      { path: '/trials/:drinkId', lazy: room(notebook, ({ TrialsPage }) => TrialsPage) },
      { path: '/taste/:drinkId', lazy: room(notebook, ({ TastePage }) => TastePage) },
      { path: '/tasting', lazy: room(notebook, ({ SessionsPage }) => SessionsPage) },
      { path: '/tasting/next', lazy: room(notebook, ({ NextPage }) => NextPage) },
      { path: '/tasting/palates', lazy: room(notebook, ({ PalatesPage }) => PalatesPage) },
      { path: '/tasting/training', lazy: room(tongue, ({ TonguePage }) => TonguePage) },
      { path: '/tasting/training/session/:sittingId', lazy: room(tongue, ({ SittingPage }) => SittingPage) },
      { path: '/tasting/training/question/:exerciseId', lazy: room(tongue, ({ ExercisePage }) => ExercisePage) },
      { path: '/service', lazy: room(today, ({ TodayPage }) => TodayPage) },
      { path: '/service/batches', lazy: room(service, ({ BatchesPage }) => BatchesPage) },
      { path: '/service/batches/:batchId', lazy: room(service, ({ KeptBatchPage }) => KeptBatchPage) },
      { path: '/service/batches/:batchId/label', lazy: room(service, ({ BottleLabelPage }) => BottleLabelPage) },
      { path: '/service/batch/:drinkId', lazy: room(service, ({ BatchPage }) => BatchPage) },
      { path: '/service/event-plan', lazy: room(service, ({ TonightPage }) => TonightPage) },
      ...MOVED.map(([path, to]) => ({ path, element: <Moved to={to} /> })),
      { path: '*', element: <NotFound /> },
    ],
  },
]);

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <Suspense fallback={null}>
        <Notices />
      </Suspense>
      <RouterProvider router={router} />
    </QueryClientProvider>
  );
}

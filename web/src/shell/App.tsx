import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, RouterProvider } from 'react-router';

import { BenchPage } from '../features/bench';
import { BookPage } from '../features/book';
import { Broken } from './Broken';
import { FrontDoor } from './FrontDoor';
import { Waiting } from './Waiting';
import { NotFound } from './NotFound';
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
    errorElement: <Broken />,
    HydrateFallback: () => <Waiting error={null} />,
    children: [
      { path: '/', element: <FrontDoor /> },
      { path: '/book', element: <BookPage /> },
      { path: '/today', lazy: room(today, ({ TodayPage }) => TodayPage) },
      { path: '/lots', lazy: room(lots, ({ LotsPage }) => LotsPage) },
      { path: '/lots/:lotId', lazy: room(lots, ({ LotPage }) => LotPage) },
      { path: '/lots/:lotId/label', lazy: room(lots, ({ LabelPage }) => LabelPage) },
      { path: '/stillroom', lazy: room(stillroom, ({ StillroomPage }) => StillroomPage) },
      { path: '/stillroom/:slug', lazy: room(stillroom, ({ PreparationPage }) => PreparationPage) },
      { path: '/larder', lazy: room(larder, ({ LarderPage }) => LarderPage) },
      { path: '/larder/:slug', lazy: room(larder, ({ LarderPage }) => LarderPage) },
      { path: '/shelf', lazy: room(shelf, ({ ShelfPage }) => ShelfPage) },
      { path: '/bench/:drinkId', element: <BenchPage /> },
      { path: '/bench/:drinkId/trials/:trialNumber', element: <BenchPage /> },
      { path: '/trials/:drinkId', lazy: room(notebook, ({ TrialsPage }) => TrialsPage) },
      { path: '/taste/:drinkId', lazy: room(notebook, ({ TastePage }) => TastePage) },
      { path: '/specs/:drinkId', lazy: room(notebook, ({ SpecsPage }) => SpecsPage) },
      { path: '/palates', lazy: room(notebook, ({ PalatesPage }) => PalatesPage) },
      { path: '/paste', lazy: room(paste, ({ PastePage }) => PastePage) },
      { path: '/card/:drinkId', lazy: room(card, ({ CardPage }) => CardPage) },
      { path: '/list', lazy: room(card, ({ ListPage }) => ListPage) },
      { path: '/import', lazy: room(carry, ({ ImportPage }) => ImportPage) },
      { path: '/originals', lazy: room(originals, ({ OriginalsPage }) => OriginalsPage) },
      { path: '/originals/list', lazy: room(originals, ({ MenuPage }) => MenuPage) },
      { path: '/originals/kinship', lazy: room(originals, ({ KinshipPage }) => KinshipPage) },
      { path: '/batches', lazy: room(service, ({ BatchesPage }) => BatchesPage) },
      { path: '/batches/:batchId', lazy: room(service, ({ KeptBatchPage }) => KeptBatchPage) },
      { path: '/batches/:batchId/label', lazy: room(service, ({ BottleLabelPage }) => BottleLabelPage) },
      { path: '/batch/:drinkId', lazy: room(service, ({ BatchPage }) => BatchPage) },
      { path: '/tonight', lazy: room(service, ({ TonightPage }) => TonightPage) },
      { path: '/tongue', lazy: room(tongue, ({ TonguePage }) => TonguePage) },
      { path: '/tongue/sitting/:sittingId', lazy: room(tongue, ({ SittingPage }) => SittingPage) },
      { path: '/tongue/exercise/:exerciseId', lazy: room(tongue, ({ ExercisePage }) => ExercisePage) },
      { path: '/tree', lazy: room(tree, ({ TreePage }) => TreePage) },
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

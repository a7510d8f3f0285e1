import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, RouterProvider } from 'react-router';

import { BenchPage } from '@/features/bench';
import { RecipesPage } from '@/features/recipes';
import { RouteError } from './RouteError';
import { HomeRedirect } from './HomeRedirect';
import { LoadingOrError, MOVED_PATHS } from '@/ui';
import { Layout } from './Layout';
import { MovedRedirect } from './MovedRedirect';
import { NotFound } from './NotFound';
import { makeQueryClient } from './queryClient';
import { lazyPage } from './lazyPage';

const queryClient = makeQueryClient();
const Notices = lazy(async () => ({ default: (await import('./Notices')).Notices }));

// The bench opens first; the other rooms come when they are entered.
const trials = () => import('@/features/trials');
const stock = () => import('@/features/stock');
const tree = () => import('@/features/tree');
const importText = () => import('@/features/import-text');
const card = () => import('@/features/card');
const menu = () => import('@/features/menu');
const lots = () => import('@/features/lots');
const preparations = () => import('@/features/preparations');
const larder = () => import('@/features/larder');
const originals = () => import('@/features/originals');
const event = () => import('@/features/event');
const batches = () => import('@/features/batches');
const sensory = () => import('@/features/sensory');
const importFiles = () => import('@/features/import');

const router = createBrowserRouter([
  {
    element: <Layout />,
    errorElement: <RouteError />,
    HydrateFallback: () => <LoadingOrError error={null} />,
    children: [
      { path: '/', element: <HomeRedirect /> },
      { path: '/bench/:drinkId', element: <BenchPage /> },
      { path: '/bench/:drinkId/trials/:trialNumber', element: <BenchPage /> },
      { path: '/recipes', element: <RecipesPage /> },
      { path: '/recipes/family-tree', lazy: lazyPage(tree, ({ TreePage }) => TreePage) },
      { path: '/recipes/menu-sheet', lazy: lazyPage(card, ({ MenuSheetPage }) => MenuSheetPage) },
      { path: '/recipes/import', lazy: lazyPage(importFiles, ({ ImportPage }) => ImportPage) },
      { path: '/paste', lazy: lazyPage(importText, ({ ImportTextPage }) => ImportTextPage) },
      { path: '/card/:drinkId', lazy: lazyPage(card, ({ CardPage }) => CardPage) },
      { path: '/specs/:drinkId', lazy: lazyPage(trials, ({ SpecsPage }) => SpecsPage) },
      { path: '/ideas', lazy: lazyPage(originals, ({ OriginalsPage }) => OriginalsPage) },
      { path: '/ideas/menu', lazy: lazyPage(originals, ({ MenuPage }) => MenuPage) },
      { path: '/ideas/pairings', lazy: lazyPage(originals, ({ PairingsPage }) => PairingsPage) },
      { path: '/ingredients', lazy: lazyPage(larder, ({ LarderPage }) => LarderPage) },
      { path: '/ingredients/all/:slug', lazy: lazyPage(larder, ({ LarderPage }) => LarderPage) },
      { path: '/ingredients/stock', lazy: lazyPage(stock, ({ StockPage }) => StockPage) },
      { path: '/ingredients/open', lazy: lazyPage(lots, ({ LotsPage }) => LotsPage) },
      { path: '/ingredients/open/:lotId', lazy: lazyPage(lots, ({ LotPage }) => LotPage) },
      { path: '/ingredients/open/:lotId/label', lazy: lazyPage(lots, ({ LabelPage }) => LabelPage) },
      { path: '/ingredients/prep', lazy: lazyPage(preparations, ({ PreparationsPage }) => PreparationsPage) },
      { path: '/ingredients/prep/:slug', lazy: lazyPage(preparations, ({ PreparationPage }) => PreparationPage) },
      { path: '/trials/:drinkId', lazy: lazyPage(trials, ({ TrialsPage }) => TrialsPage) },
      { path: '/taste/:drinkId', lazy: lazyPage(trials, ({ TastingPage }) => TastingPage) },
      { path: '/tasting', lazy: lazyPage(trials, ({ SessionsPage }) => SessionsPage) },
      { path: '/tasting/next', lazy: lazyPage(trials, ({ NextTrialsPage }) => NextTrialsPage) },
      { path: '/tasting/palates', lazy: lazyPage(trials, ({ PalatesPage }) => PalatesPage) },
      { path: '/tasting/training', lazy: lazyPage(sensory, ({ TrainingPage }) => TrainingPage) },
      { path: '/tasting/training/session/:sittingId', lazy: lazyPage(sensory, ({ SessionPage }) => SessionPage) },
      { path: '/tasting/training/question/:exerciseId', lazy: lazyPage(sensory, ({ ExercisePage }) => ExercisePage) },
      { path: '/service', lazy: lazyPage(menu, ({ TodayPage }) => TodayPage) },
      { path: '/service/batches', lazy: lazyPage(batches, ({ BatchesPage }) => BatchesPage) },
      { path: '/service/batches/:batchId', lazy: lazyPage(batches, ({ SavedBatchPage }) => SavedBatchPage) },
      { path: '/service/batches/:batchId/label', lazy: lazyPage(batches, ({ BottleLabelPage }) => BottleLabelPage) },
      { path: '/service/batch/:drinkId', lazy: lazyPage(batches, ({ BatchPage }) => BatchPage) },
      { path: '/service/event-plan', lazy: lazyPage(event, ({ EventPlanPage }) => EventPlanPage) },
      ...MOVED_PATHS.map(([path, to]) => ({ path, element: <MovedRedirect to={to} /> })),
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

import { QueryClientProvider } from '@tanstack/react-query';
import type { ComponentType } from 'react';
import { BrowserRouter, Route, Routes } from 'react-router';

import { BenchPage } from '@/features/bench';
import { useIsIdle } from '@/hooks';
import { LoadingOrError, lazyComponent, MOVED_PATHS } from '@/ui';
import { ErrorBoundary } from './ErrorBoundary';
import { HomeRedirect } from './HomeRedirect';
import { Layout } from './Layout';
import { MovedRedirect } from './MovedRedirect';
import { NotFound } from './NotFound';
import { makeQueryClient } from './queryClient';

const queryClient = makeQueryClient();
const Notices = lazyComponent(async () => (await import('./Notices')).Notices);

// The bench opens first; the scripts of other pages come when they are opened.
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
const recipes = () => import('@/features/recipes');
const page = (load: () => Promise<ComponentType>) => lazyComponent(load, <LoadingOrError error={null} />);

const LarderPage = page(async () => (await larder()).LarderPage);

const PAGES: [string, ComponentType][] = [
  ['/', HomeRedirect],
  ['/bench/:drinkId', BenchPage],
  ['/bench/:drinkId/trials/:trialNumber', BenchPage],
  ['/recipes', page(async () => (await recipes()).RecipesPage)],
  ['/recipes/family-tree', page(async () => (await tree()).TreePage)],
  ['/recipes/menu-sheet', page(async () => (await card()).MenuSheetPage)],
  ['/recipes/import', page(async () => (await importFiles()).ImportPage)],
  ['/paste', page(async () => (await importText()).ImportTextPage)],
  ['/card/:drinkId', page(async () => (await card()).CardPage)],
  ['/specs/:drinkId', page(async () => (await trials()).SpecsPage)],
  ['/ideas', page(async () => (await originals()).OriginalsPage)],
  ['/ideas/menu', page(async () => (await originals()).MenuPage)],
  ['/ideas/pairings', page(async () => (await originals()).PairingsPage)],
  ['/ingredients', LarderPage],
  ['/ingredients/all/:slug', LarderPage],
  ['/ingredients/stock', page(async () => (await stock()).StockPage)],
  ['/ingredients/open', page(async () => (await lots()).LotsPage)],
  ['/ingredients/open/:lotId', page(async () => (await lots()).LotPage)],
  ['/ingredients/open/:lotId/label', page(async () => (await lots()).LabelPage)],
  ['/ingredients/prep', page(async () => (await preparations()).PreparationsPage)],
  ['/ingredients/prep/:slug', page(async () => (await preparations()).PreparationPage)],
  ['/trials/:drinkId', page(async () => (await trials()).TrialsPage)],
  ['/taste/:drinkId', page(async () => (await trials()).TastingPage)],
  ['/tasting', page(async () => (await trials()).SessionsPage)],
  ['/tasting/next', page(async () => (await trials()).NextTrialsPage)],
  ['/tasting/palates', page(async () => (await trials()).PalatesPage)],
  ['/tasting/training', page(async () => (await sensory()).TrainingPage)],
  ['/tasting/training/session/:sittingId', page(async () => (await sensory()).SessionPage)],
  ['/tasting/training/question/:exerciseId', page(async () => (await sensory()).ExercisePage)],
  ['/service', page(async () => (await menu()).TodayPage)],
  ['/service/batches', page(async () => (await batches()).BatchesPage)],
  ['/service/batches/:batchId', page(async () => (await batches()).SavedBatchPage)],
  ['/service/batches/:batchId/label', page(async () => (await batches()).BottleLabelPage)],
  ['/service/batch/:drinkId', page(async () => (await batches()).BatchPage)],
  ['/service/event-plan', page(async () => (await event()).EventPlanPage)],
];

export function App() {
  const isIdle = useIsIdle();
  return (
    <QueryClientProvider client={queryClient}>
      {isIdle && <Notices />}
      <BrowserRouter>
        <ErrorBoundary>
          <Routes>
            <Route element={<Layout />}>
              {PAGES.map(([path, Page]) => (
                <Route key={path} path={path} element={<Page />} />
              ))}
              {MOVED_PATHS.map(([path, to]) => (
                <Route key={path} path={path} element={<MovedRedirect to={to} />} />
              ))}
              <Route path="*" element={<NotFound />} />
            </Route>
          </Routes>
        </ErrorBoundary>
      </BrowserRouter>
    </QueryClientProvider>
  );
}

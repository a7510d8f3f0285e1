import { QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, RouterProvider } from 'react-router';

import { BenchPage } from '../features/bench';
import { BookPage } from '../features/book';
import { Broken } from './Broken';
import { FrontDoor } from './FrontDoor';
import { Waiting } from './Waiting';
import { NotFound } from './NotFound';
import { makeQueryClient } from './queryClient';

const queryClient = makeQueryClient();

// The bench opens first; the other rooms come when they are entered.
const notebook = () => import('../features/notebook');

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    HydrateFallback: () => <Waiting error={null} />,
    children: [
      { path: '/', element: <FrontDoor /> },
      { path: '/book', element: <BookPage /> },
      { path: '/shelf', lazy: async () => ({ Component: (await import('../features/shelf')).ShelfPage }) },
      { path: '/bench/:drinkId', element: <BenchPage /> },
      { path: '/bench/:drinkId/trials/:trialNumber', element: <BenchPage /> },
      { path: '/trials/:drinkId', lazy: async () => ({ Component: (await notebook()).TrialsPage }) },
      { path: '/taste/:drinkId', lazy: async () => ({ Component: (await notebook()).TastePage }) },
      { path: '/specs/:drinkId', lazy: async () => ({ Component: (await notebook()).SpecsPage }) },
      { path: '/palates', lazy: async () => ({ Component: (await notebook()).PalatesPage }) },
      { path: '/tree', lazy: async () => ({ Component: (await import('../features/tree')).TreePage }) },
      { path: '*', element: <NotFound /> },
    ],
  },
]);

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  );
}

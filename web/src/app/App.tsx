import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, RouterProvider } from 'react-router';

import { BenchPage } from '../features/bench';
import { BookPage } from '../features/book';
import { PalatesPage, SpecsPage, TastePage, TrialsPage } from '../features/notebook';
import { ShelfPage } from '../features/shelf';
import { TreePage } from '../features/tree';
import { Broken } from './Broken';
import { FrontDoor } from './FrontDoor';
import { NotFound } from './NotFound';

const queryClient = new QueryClient({
  // The server is on this machine: a failure is an answer, not a hiccup of the network.
  defaultOptions: {
    queries: { retry: false, refetchOnWindowFocus: false, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    children: [
      { path: '/', element: <FrontDoor /> },
      { path: '/book', element: <BookPage /> },
      { path: '/shelf', element: <ShelfPage /> },
      { path: '/bench/:drinkId', element: <BenchPage /> },
      { path: '/bench/:drinkId/trials/:trialNumber', element: <BenchPage /> },
      { path: '/trials/:drinkId', element: <TrialsPage /> },
      { path: '/taste/:drinkId', element: <TastePage /> },
      { path: '/specs/:drinkId', element: <SpecsPage /> },
      { path: '/palates', element: <PalatesPage /> },
      { path: '/tree', element: <TreePage /> },
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

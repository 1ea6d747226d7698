import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { queryClient } from '../client/index.ts';
import { theme } from './theme.ts';

const Shelf = lazy(() => import('../shelf/index.ts'));
const Workshop = lazy(() => import('./Workshop.tsx'));
const SheetPage = lazy(() => import('./SheetPage.tsx'));

const router = createBrowserRouter([
  { path: '/', element: <Shelf /> },
  {
    path: '/g/:gadgetId',
    element: <Workshop />,
    children: [
      { index: true, element: <Navigate to="flow" replace /> },
      { path: ':sheetId', element: <SheetPage /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
  return (
    <MantineProvider theme={theme} defaultColorScheme="auto">
      <QueryClientProvider client={queryClient}>
        <Suspense fallback={null}>
          <RouterProvider router={router} />
        </Suspense>
      </QueryClientProvider>
    </MantineProvider>
  );
}

import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { queryClient } from '../client/index.ts';
import { theme } from './theme.ts';
import { onDemand } from '../shared/onDemand.tsx';

const Shelf = onDemand(() => import('../shelf/index.ts'));
const Workshop = onDemand(() => import('./Workshop.tsx'));
const SheetPage = onDemand(() => import('./SheetPage.tsx'));

export function App() {
  return (
    <MantineProvider theme={theme} defaultColorScheme="auto">
      <QueryClientProvider client={queryClient}>
        <Suspense fallback={null}>
          <BrowserRouter>
            <Routes>
              <Route path="/" element={<Shelf />} />
              <Route path="/g/:gadgetId" element={<Workshop />}>
                <Route index element={<Navigate to="flow" replace />} />
                <Route path=":sheetId" element={<SheetPage />} />
              </Route>
              <Route path="*" element={<Navigate to="/" replace />} />
            </Routes>
          </BrowserRouter>
        </Suspense>
      </QueryClientProvider>
    </MantineProvider>
  );
}

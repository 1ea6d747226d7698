import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { queryClient } from '../client/index.ts';
import { theme } from './theme.ts';
import { pages } from './wanted.ts';
import { onDemand } from '../shared/onDemand.tsx';

const Shelf = onDemand(pages.shelf);
const Workshop = onDemand(pages.workshop);
const SheetPage = onDemand(pages.sheetPage);

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

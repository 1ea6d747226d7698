import { QueryClient, useQuery } from '@tanstack/react-query';
import { api, ApiProblem } from './api.ts';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // What the server refuses it will refuse again; only silence is worth another try.
      retry: (count, error) => !(error instanceof ApiProblem) && count < 3,
      refetchOnWindowFocus: true,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

export const keys = {
  gadgets: (bin: boolean) => ['gadgets', bin ? 'bin' : 'shelf'],
  revisions: (id: string) => ['revisions', id],
  trials: (id: string) => ['trials', id],
};

export const useGadgets = (bin: boolean) =>
  useQuery({ queryKey: keys.gadgets(bin), queryFn: () => api.gadgets(bin) });
export const useRevisions = (id: string) =>
  useQuery({ queryKey: keys.revisions(id), queryFn: () => api.revisions(id) });
export const useTrials = (id: string) =>
  useQuery({ queryKey: keys.trials(id), queryFn: () => api.trials(id) });

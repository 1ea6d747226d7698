import { QueryClient, useQuery } from '@tanstack/react-query';
import { api, ApiProblem, ServerAway, type ShelfGadget } from './api.ts';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // What the server refuses it will refuse again; only silence is worth another try.
      retry: (count, error) => !(error instanceof ApiProblem) && count < 4,
      // Soon, then less often; never before the server wants to be asked.
      retryDelay: (count, error) =>
        Math.max(error instanceof ServerAway ? error.retryMs : 0, 1_000 * 2 ** count),
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
  kept: (id: string) => ['kept', id],
  drawer: ['drawer'],
};

/** Between two looks while something of the shelf is being worked out. */
const lookMs = 1_500;

const isOld = ({ card, revision }: ShelfGadget) => card?.revision !== revision;
export const useGadgets = (bin: boolean) =>
  useQuery({
    queryKey: keys.gadgets(bin),
    queryFn: () => api.shelf(bin),
    refetchInterval: ({ state }) => (state.data?.some(isOld) ? lookMs : false),
  });
/** What the picture of a gadget is drawn from. @param revision of which that is; null: none is there */
export const usePortrait = (id: string, revision: number | null, wanted: boolean) =>
  useQuery({
    queryKey: ['portrait', id, revision],
    queryFn: () => api.portrait(id),
    enabled: wanted && revision !== null,
    staleTime: Infinity,
  });
export const useRevisions = (id: string) =>
  useQuery({ queryKey: keys.revisions(id), queryFn: () => api.revisions(id) });
export const useKept = (id: string, enabled: boolean) =>
  useQuery({ queryKey: keys.kept(id), queryFn: () => api.kept(id), enabled });
export const useTrials = (id: string) =>
  useQuery({ queryKey: keys.trials(id), queryFn: () => api.trials(id) });
export const useDrawer = () => useQuery({ queryKey: keys.drawer, queryFn: api.drawer });

import { notifyManager, QueryClient } from '@tanstack/react-query';
import { NotConnected } from '../api/call.js';

// An answer is shown at once and not after whatever else the browser has to do.
notifyManager.setScheduler(queueMicrotask);

/** What the server owns. A lost connection is tried a few times before it is told. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => error instanceof NotConnected && count < 2,
      retryDelay: 600,
      refetchOnWindowFocus: false,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

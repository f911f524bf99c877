import { notifyManager, QueryClient } from '@tanstack/react-query';
import { NotConnected } from '../api/call.js';

// An answer is shown at once and not after whatever else the browser has to do.
notifyManager.setScheduler(queueMicrotask);

/** The cache of what the server keeps. A lost connection is retried a few times before it is reported. */
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

import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { z } from 'zod';
import { queryClient } from './app/queryClient.js';
import { router } from './app/routes.js';
import { fetchSentencesSoon } from './text/told.js';
import './theme/theme.css';

// The content security policy forbids making code from text, which Zod would otherwise try.
z.config({ jitless: true });

fetchSentencesSoon();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);

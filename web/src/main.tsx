import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { queryClient } from './app/queryClient.js';
import { Pages } from './app/routes.js';
import { fetchSentencesSoon } from './text/told.js';
import './theme/theme.css';

fetchSentencesSoon();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <BrowserRouter>
        <Pages />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);

import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { askWhetherOutdated } from './api/call.js';
import { queryClient } from './app/queryClient.js';
import { Pages } from './app/routes.js';
import { fetchSentencesSoon } from './text/told.js';
import './theme/theme.css';

fetchSentencesSoon();

// A part of the application that is not there any more, since the server was updated: everything is loaded anew. What is
// not sent yet rests on the device.
addEventListener('vite:preloadError', () => {
  void askWhetherOutdated().then((isOutdated) => isOutdated && location.reload());
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <BrowserRouter>
        <Pages />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);

import '@bogen/core/mathematics';
import './text/enAlone.js';
import type { AloneLesson } from '@bogen/contract';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { HashRouter } from 'react-router';
import { queryClient } from './app/queryClient.js';
import { translateNow } from './text/text.js';
import { fetchSentencesSoon } from './text/told.js';
import './theme/theme.css';
import { AloneReader, standAlone } from './alone/AloneReader.js';
import { HandIn } from './alone/HandIn.js';
import { openKeeping } from './alone/keeping.js';

/** The lesson that the file holds, beside this script. */
function lessonInFile(): AloneLesson | undefined {
  try {
    return JSON.parse(document.getElementById('lesson')?.textContent ?? '') as AloneLesson;
  } catch {
    return undefined;
  }
}

async function open(): Promise<void> {
  const page = document.getElementById('root')!;
  const lesson = lessonInFile();
  if (!lesson) {
    page.textContent = translateNow()('alone.broken');
    return;
  }
  fetchSentencesSoon();
  const keeping = await openKeeping(lesson.reading.edition.id);
  standAlone(lesson, keeping);
  createRoot(page).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <HashRouter>
          <AloneReader lesson={lesson.reading.lesson} alone={<HandIn lesson={lesson} keeping={keeping} />} />
        </HashRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}

void open();

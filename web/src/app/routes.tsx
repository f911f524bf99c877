import { Suspense, useLayoutEffect } from 'react';
import { Route, Routes, useLocation, useNavigationType } from 'react-router';
import { isOutdated } from '../api/call.js';
import { Loading } from '../ui/States.js';
import { Home } from './Home.js';
import { page } from './page.js';
import { PageBoundary } from './PageBoundary.js';

/**
 * Every page is a chunk of its own; a reader loads nothing of the writer. Pages that students have nothing to do with are
 * listed apart, so that not even their names are part of a reader's first load.
 */
const pages = {
  '/join': page(async () => (await import('../session/JoinPage.js')).JoinPage),
  '/bench/:figure?': page(async () => (await import('../bench/BenchPage.js')).BenchPage),
  '/class': page(async () => (await import('../reader/ClassPage.js')).ClassPage),
  '/read/:lesson/:sheet?': page(async () => (await import('../reader/ReaderPage.js')).ReaderPage),
  '*': page(async () => (await import('./InstructorPages.js')).InstructorPages),
};

/** The page that the address names. A page that is new begins at its top; going back, the browser keeps its place. */
export function Pages() {
  const { pathname } = useLocation();
  const way = useNavigationType();
  useLayoutEffect(() => {
    // What is not sent yet rests on the device, so that loading anew loses nothing.
    if (isOutdated()) location.reload();
    else if (way !== 'POP') window.scrollTo(0, 0);
  }, [pathname, way]);
  return (
    <PageBoundary place={pathname}>
      <Suspense fallback={<Loading />}>
        <Routes>
          <Route path="/" element={<Home />} />
          {Object.entries(pages).map(([path, Page]) => (
            <Route key={path} path={path} element={<Page />} />
          ))}
        </Routes>
      </Suspense>
    </PageBoundary>
  );
}

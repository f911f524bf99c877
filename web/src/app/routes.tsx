import { Suspense, useLayoutEffect } from 'react';
import { Route, Routes, useLocation, useNavigationType } from 'react-router';
import { Loading, NotFound } from '../ui/States.js';
import { Home } from './Home.js';
import { page } from './page.js';
import { PageBoundary } from './PageBoundary.js';

/** Every page is a chunk of its own; a reader loads nothing of the writer. */
const pages = {
  '/join': page(async () => (await import('../session/JoinPage.js')).JoinPage),
  '/sign-in': page(async () => (await import('../session/SignInPage.js')).SignInPage),
  '/bench/:figure?': page(async () => (await import('../bench/BenchPage.js')).BenchPage),
  '/glossary/:course': page(async () => (await import('../glossary/GlossaryPage.js')).GlossaryPage),
  '/shelf': page(async () => (await import('../shelf/ShelfPage.js')).ShelfPage),
  '/class': page(async () => (await import('../reader/ClassPage.js')).ClassPage),
  '/read/:lesson/:sheet?': page(async () => (await import('../reader/ReaderPage.js')).ReaderPage),
  '/write/:lesson/:sheet?': page(async () => (await import('../writer/WriterPage.js')).WriterPage),
  '/present/:lesson/:sheet?': page(async () => (await import('../present/PresentPage.js')).PresentPage),
  '/present-reading/:lesson/:sheet?': page(
    async () => (await import('../present/PresentReadingPage.js')).PresentReadingPage,
  ),
  '/present-notes/:lesson': page(async () => (await import('../present/NotesPage.js')).NotesPage),
  '/preview/:lesson/:sheet?': page(async () => (await import('../writer/PreviewPage.js')).PreviewPage),
  '/desk/:class': page(async () => (await import('../desk/DeskPage.js')).DeskPage),
  '/desk/:class/:work': page(async () => (await import('../desk/StudentWorkPage.js')).StudentWorkPage),
};

/** The page that the address names. A page that is new begins at its top; going back, the browser keeps its place. */
export function Pages() {
  const { pathname } = useLocation();
  const way = useNavigationType();
  useLayoutEffect(() => {
    if (way !== 'POP') window.scrollTo(0, 0);
  }, [pathname, way]);
  return (
    <PageBoundary place={pathname}>
      <Suspense fallback={<Loading />}>
        <Routes>
          <Route path="/" element={<Home />} />
          {Object.entries(pages).map(([path, Page]) => (
            <Route key={path} path={path} element={<Page />} />
          ))}
          <Route path="*" element={<NotFound />} />
        </Routes>
      </Suspense>
    </PageBoundary>
  );
}

import { createBrowserRouter, Outlet, ScrollRestoration } from 'react-router';
import { Loading, NotFound, RouteFailure } from '../ui/States.js';
import { Home } from './Home.js';

function Shell() {
  return (
    <>
      <Outlet />
      <ScrollRestoration />
    </>
  );
}

/** Every page is a chunk of its own; a reader loads nothing of the writer. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <RouteFailure />,
    HydrateFallback: Loading,
    children: [
      { path: '/', element: <Home /> },
      { path: '/join', lazy: async () => ({ Component: (await import('../session/JoinPage.js')).JoinPage }) },
      {
        path: '/sign-in',
        lazy: async () => ({ Component: (await import('../session/SignInPage.js')).SignInPage }),
      },
      {
        path: '/shelf',
        lazy: async () => ({ Component: (await import('../shelf/ShelfPage.js')).ShelfPage }),
      },
      {
        path: '/class',
        lazy: async () => ({ Component: (await import('../reader/ClassPage.js')).ClassPage }),
      },
      {
        path: '/read/:lesson/:sheet?',
        lazy: async () => ({ Component: (await import('../reader/ReaderPage.js')).ReaderPage }),
      },
      {
        path: '/write/:lesson/:sheet?',
        lazy: async () => ({ Component: (await import('../writer/WriterPage.js')).WriterPage }),
      },
      {
        path: '/preview/:lesson/:sheet?',
        lazy: async () => ({ Component: (await import('../writer/PreviewPage.js')).PreviewPage }),
      },
      {
        path: '/desk/:class',
        lazy: async () => ({ Component: (await import('../desk/DeskPage.js')).DeskPage }),
      },
      {
        path: '/desk/:class/:work',
        lazy: async () => ({ Component: (await import('../desk/StudentWorkPage.js')).StudentWorkPage }),
      },
      { path: '*', element: <NotFound /> },
    ],
  },
]);

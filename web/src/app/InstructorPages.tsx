import '@bogen/core/mathematics';
import { Route, Routes } from 'react-router';
import { NotFound } from '../ui/States.js';
import { page } from './page.js';

/** The pages of instructors and administrators, of whoever becomes one, and what they show within other pages. */
const pages = {
  '/sign-in': page(async () => (await import('../session/SignInPage.js')).SignInPage),
  '/first': page(async () => (await import('../session/FirstAccountPage.js')).FirstAccountPage),
  '/link': page(async () => (await import('../session/LinkPage.js')).LinkPage),
  '/account': page(async () => (await import('../account/AccountPage.js')).AccountPage),
  '/people': page(async () => (await import('../people/PeoplePage.js')).PeoplePage),
  '/people/log': page(async () => (await import('../people/AuditPage.js')).AuditPage),
  '/glossary/:course': page(async () => (await import('../glossary/GlossaryPage.js')).GlossaryPage),
  '/shelf': page(async () => (await import('../shelf/ShelfPage.js')).ShelfPage),
  '/write/:lesson/:sheet?': page(async () => (await import('../writer/WriterPage.js')).WriterPage),
  '/present/:lesson/:sheet?': page(async () => (await import('../present/PresentPage.js')).PresentPage),
  '/present-reading/:lesson/:sheet?': page(
    async () => (await import('../present/PresentReadingPage.js')).PresentReadingPage,
  ),
  '/present-notes/:lesson': page(async () => (await import('../present/NotesPage.js')).NotesPage),
  '/handout/:lesson': page(async () => (await import('../writer/HandoutPage.js')).HandoutPage),
  '/embed/:embedding': page(async () => {
    // Before anything of the page asks what was kept.
    (await import('../alone/storage.js')).keepInMemoryWhereRefused();
    return (await import('../alone/EmbedPage.js')).EmbedPage;
  }),
  '/preview/:lesson/:sheet?': page(async () => (await import('../writer/PreviewPage.js')).PreviewPage),
  '/desk/:class': page(async () => (await import('../desk/DeskPage.js')).DeskPage),
  '/desk/:class/:work': page(async () => (await import('../desk/StudentWorkPage.js')).StudentWorkPage),
};

/** The page that the address names, of those that students have nothing to do with. */
export function InstructorPages() {
  return (
    <Routes>
      {Object.entries(pages).map(([path, Page]) => (
        <Route key={path} path={path} element={<Page />} />
      ))}
      <Route path="*" element={<NotFound />} />
    </Routes>
  );
}

/**
 * The pages whose first loads are watched: with each the source files that its first picture needs, and how many kB of
 * compressed JavaScript it may take. One without a limit is here so that its modules are kept apart from those of others.
 */
export const firstLoads = {
  reader: { pages: ['src/reader/ReaderPage.tsx'], limit: 225 },
  shelf: { pages: ['src/app/InstructorPages.tsx', 'src/shelf/ShelfPage.tsx'], limit: 340 },
  writer: { pages: ['src/app/InstructorPages.tsx', 'src/writer/WriterPage.tsx'], limit: 480 },
  class: { pages: ['src/reader/ClassPage.tsx'] },
  signIn: { pages: ['src/app/InstructorPages.tsx', 'src/session/SignInPage.tsx'] },
  bench: { pages: ['src/bench/BenchPage.tsx'] },
};

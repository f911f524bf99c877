/**
 * Where the requests go that a reader's pages make: all that a caller needs to know at run time. It stands apart
 * from the schemas, which are many times larger, and from what only instructors ask for: a reader's first load
 * can do without both.
 */
export const everyonesPaths = {
  session: { method: 'get', path: '/session' },
  signOut: { method: 'post', path: '/sign-out' },
  join: { method: 'post', path: '/join' },
  comeBack: { method: 'post', path: '/come-back' },
  newReturnKey: { method: 'post', path: '/return-key' },
  entry: { method: 'get', path: '/entry' },
  ownData: { method: 'get', path: '/account/data' },
  eraseOwnData: { method: 'post', path: '/account/erasure' },
  classHome: { method: 'get', path: '/class' },
  readLesson: { method: 'get', path: '/class/lessons/:lesson' },
  openWork: { method: 'put', path: '/editions/:edition/sheets/:sheet/stages/:stage/work' },
  appendToWork: { method: 'post', path: '/work/:work/steps' },
  checkTask: { method: 'post', path: '/editions/:edition/sheets/:sheet/tasks/:task/check' },
  embedded: { method: 'get', path: '/embedded/:embedding' },
  terms: { method: 'get', path: '/courses/:course/terms' },
  bench: { method: 'get', path: '/bench' },
  addToBench: { method: 'post', path: '/bench' },
  benchFigure: { method: 'get', path: '/bench/:figure' },
  changeBenchFigure: { method: 'put', path: '/bench/:figure' },
  addPicture: { method: 'post', path: '/pictures' },
} as const;

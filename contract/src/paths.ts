/**
 * Where each request of the HTTP interface goes: all that a caller needs to know at run time. It stands apart
 * from the schemas, which are many times larger and which a reader's first load can do without.
 */
export const paths = {
  health: { method: 'get', path: '/health' },
  ready: { method: 'get', path: '/ready' },
  session: { method: 'get', path: '/session' },
  signIn: { method: 'post', path: '/sign-in' },
  signOut: { method: 'post', path: '/sign-out' },
  join: { method: 'post', path: '/join' },
  comeBack: { method: 'post', path: '/come-back' },
  newReturnKey: { method: 'post', path: '/return-key' },
  shelf: { method: 'get', path: '/shelf' },
  createCourse: { method: 'post', path: '/courses' },
  createLesson: { method: 'post', path: '/courses/:course/lessons' },
  createClass: { method: 'post', path: '/courses/:course/classes' },
  draft: { method: 'get', path: '/lessons/:lesson/draft' },
  appendToDraft: { method: 'post', path: '/lessons/:lesson/steps' },
  publish: { method: 'post', path: '/lessons/:lesson/editions' },
  classHome: { method: 'get', path: '/class' },
  readLesson: { method: 'get', path: '/class/lessons/:lesson' },
  openWork: { method: 'put', path: '/editions/:edition/sheets/:sheet/stages/:stage/work' },
  appendToWork: { method: 'post', path: '/work/:work/steps' },
  checkTask: { method: 'post', path: '/editions/:edition/sheets/:sheet/tasks/:task/check' },
  desk: { method: 'get', path: '/classes/:class/desk' },
  studentWork: { method: 'get', path: '/classes/:class/work/:work' },
  addPicture: { method: 'post', path: '/pictures' },
} as const;

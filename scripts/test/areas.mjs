/**
 * Which end-to-end files drive which folders, so that `npm test -- --changed` runs those that a change touches. A folder
 * that stands here more deeply counts before the one it lies in; what is not listed is driven by everything.
 * @type {Readonly<Record<string, readonly string[]>>}
 */
export const areas = {
  'core/src/curve': ['figure'],
  'core/src/describe': ['figure'],
  'core/src/figure': ['figure'],
  'core/src/format': ['exchange'],
  'core/src/history': ['history', 'connection'],
  'core/src/lesson': ['tasks', 'stages'],
  'core/src/migration': ['exchange'],
  'core/src/notation': ['notation'],
  'core/src/text': ['prose'],
  'core/src/told': ['screens'],
  'contract/src': ['doors', 'student'],
  demo: ['course'],
  deploy: ['serve'],
  'server/src/account': ['doors', 'people'],
  'server/src/audit': ['people'],
  'server/src/bench': ['bench'],
  'server/src/class': ['instructor'],
  'server/src/config': ['serve'],
  'server/src/course': ['shelf'],
  'server/src/data': ['people'],
  'server/src/db': ['connection', 'serve'],
  'server/src/demo': ['doors'],
  'server/src/figure': ['student'],
  'server/src/forget': ['shelf'],
  'server/src/glossary': ['glossary'],
  'server/src/http': ['faults', 'serve', 'embed'],
  'server/src/lesson': ['instructor', 'history'],
  'server/src/mail': ['people'],
  'server/src/name': ['doors'],
  'server/src/picture': ['draw'],
  'server/src/pool': ['tasks'],
  'server/src/shelf': ['shelf'],
  'server/src/stream': ['connection', 'history'],
  'server/src/student': ['people'],
  'server/src/watch': ['serve'],
  'server/src/work': ['student', 'connection'],
  'web/src/account': ['people'],
  'web/src/alone': ['embed', 'course'],
  'web/src/api': ['connection', 'update'],
  'web/src/app': ['screens', 'update'],
  'web/src/bench': ['bench'],
  'web/src/desk': ['instructor'],
  'web/src/editing': ['figure'],
  'web/src/editing/apart': ['demonstrations'],
  'web/src/editing/change': ['build'],
  'web/src/editing/draw': ['draw'],
  'web/src/editing/exchange': ['exchange'],
  'web/src/editing/freedoms': ['freedoms'],
  'web/src/editing/joints': ['build'],
  'web/src/editing/lists': ['demonstrations'],
  'web/src/editing/unfold': ['demonstrations'],
  'web/src/figure': ['figure'],
  'web/src/glossary': ['glossary'],
  'web/src/handout': ['handout'],
  'web/src/live': ['prose'],
  'web/src/people': ['people'],
  'web/src/present': ['present'],
  'web/src/rail': ['figure', 'student'],
  'web/src/reader': ['student', 'freedoms'],
  'web/src/saving': ['connection', 'faults'],
  'web/src/session': ['doors', 'screens'],
  'web/src/sheet': ['prose'],
  'web/src/shelf': ['shelf'],
  'web/src/stage': ['stages'],
  'web/src/task': ['tasks'],
  'web/src/text': ['notation', 'screens'],
  'web/src/theme': ['screens'],
  'web/src/thumbnail': ['shelf'],
  'web/src/ui': ['screens'],
  'web/src/worker': ['figure'],
  'web/src/writer': ['instructor', 'prose'],
  'web/src/writer/starts': ['starts'],
  'web/src/writer/tasks': ['tasks'],
};

/** Files that no folder needs more than another: the course and all of it made by hand are for whole runs. */
export const forWholeRuns = ['byHand', 'course'];

/**
 * The end-to-end files for a list of changed paths.
 * @returns their names without ending, or nothing where the change may touch all of them
 */
export function specsFor(paths) {
  const specs = new Set();
  for (const path of paths) {
    const own = /^e2e\/tests\/(\w+)\.spec\.ts$/.exec(path)?.[1];
    if (own) {
      specs.add(own);
      continue;
    }
    // Neither documents nor unit tests are driven in a browser.
    if (path.endsWith('.md') || path.startsWith('docs/') || /^(core|server|web)\/(test|bench)\//.test(path))
      continue;
    const area = Object.keys(areas)
      .filter((folder) => path.startsWith(`${folder}/`))
      .sort((a, b) => b.length - a.length)[0];
    if (!area) return undefined;
    for (const spec of areas[area]) specs.add(spec);
  }
  return [...specs].sort();
}

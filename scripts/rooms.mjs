import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { root } from './packages.mjs';

/**
 * Folders do not import each other in circles, at any depth: whoever knows a room need not know who uses it. Types
 * count, since a room that names another's types is about it. The rule of the import checker knows circles of
 * files only.
 */
const packages = ['core/src', 'contract/src', 'server/src', 'web/src'];

/** The source files below a folder. */
function filesBelow(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name));
}

/** The files that a file imports from its own package. */
function importsOf(file) {
  const text = readFileSync(file, 'utf8').replace(/\/\*[\s\S]*?\*\/|^\s*\/\/.*$/gm, '');
  return [...text.matchAll(/(?:from|import\(|import)\s*'(\.[^']+)'/g)].map(([, path]) =>
    resolve(dirname(file), path).replace(/\.js$/, ''),
  );
}

/** Every circle of folders that lie beside each other, with one import for each of its steps. */
export function circles() {
  const found = [];
  for (const name of packages) {
    const base = join(root, name);
    const levels = new Map();
    for (const file of filesBelow(base)) {
      for (const target of importsOf(file)) {
        const [from, to] = [relative(base, file).split('/'), relative(base, target).split('/')];
        let depth = 0;
        while (from[depth] === to[depth] && depth < from.length - 1) depth++;
        // Both have to be folders below the place where their ways part.
        if (depth >= from.length - 1 || depth >= to.length - 1) continue;
        const parent = from.slice(0, depth).join('/');
        const graph = levels.get(parent) ?? new Map();
        levels.set(parent, graph);
        const targets = graph.get(from[depth]) ?? new Map();
        graph.set(from[depth], targets);
        if (!targets.has(to[depth])) targets.set(to[depth], `${from.join('/')} imports ${to.join('/')}`);
      }
    }
    for (const [parent, graph] of levels)
      found.push(...circlesOf(graph).map((steps) => ({ place: join(name, parent), steps })));
  }
  return found;
}

function circlesOf(graph) {
  const found = [];
  const state = new Map();
  const visit = (room, way) => {
    if (state.get(room) === 'done') return;
    if (state.get(room) === 'open') {
      const circle = [...way.slice(way.indexOf(room)), room];
      found.push(circle.slice(1).map((next, index) => graph.get(circle[index]).get(next)));
      return;
    }
    state.set(room, 'open');
    for (const next of graph.get(room)?.keys() ?? []) visit(next, [...way, room]);
    state.set(room, 'done');
  };
  for (const room of graph.keys()) visit(room, []);
  return found;
}

if (process.argv[1] === import.meta.filename) {
  const all = circles();
  for (const { place, steps } of all)
    console.log(`A circle of folders in ${place}:\n  ${steps.join('\n  ')}`);
  if (all.length > 0) process.exitCode = 1;
}

import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { root } from './packages.mjs';

/**
 * Nothing imports in circles, at any depth: of the files and folders that lie beside each other, whoever knows another is
 * not known by it. Types count, since a file that names another's types is about it.
 */
const packages = ['core/src', 'contract/src', 'server/src', 'web/src', 'demo/src'];

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
    named(resolve(dirname(file), path)),
  );
}

/** A file by one name, whether it is imported or there, that is not the name of a folder. */
const named = (file) => file.replace(/\.(js|tsx)$/, '.ts');

/** Every circle of files and folders that lie beside each other below a folder, with one import for each of its steps. */
export function circlesBelow(base) {
  const levels = new Map();
  for (const file of filesBelow(base)) {
    for (const target of importsOf(file)) {
      const [from, to] = [named(file), target].map((path) => relative(base, path).split('/'));
      let depth = 0;
      while (from[depth] === to[depth] && depth < from.length - 1) depth++;
      const parent = from.slice(0, depth).join('/');
      const graph = levels.get(parent) ?? new Map();
      levels.set(parent, graph);
      const targets = graph.get(from[depth]) ?? new Map();
      graph.set(from[depth], targets);
      if (!targets.has(to[depth])) targets.set(to[depth], `${from.join('/')} imports ${to.join('/')}`);
    }
  }
  return [...levels].flatMap(([parent, graph]) => circlesOf(graph).map((steps) => ({ parent, steps })));
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
  for (const name of packages) {
    for (const { parent, steps } of circlesBelow(join(root, name))) {
      console.log(`A circle of imports in ${join(name, parent)}:\n  ${steps.join('\n  ')}`);
      process.exitCode = 1;
    }
  }
}

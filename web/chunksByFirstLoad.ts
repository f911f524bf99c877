import { build, type Plugin, type Rolldown } from 'vite';
import { firstLoads } from './firstLoads.mjs';

const entry = 'entry';

/** The modules that are run when a page is first loaded, of the chunks that a build would make by itself. */
function modulesOfLoads(chunks: readonly Rolldown.OutputChunk[]): Map<string, Set<string>> {
  const byFile = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
  const loadedWith = (pages: readonly string[]): Set<string> => {
    const files = new Set<string>();
    const visit = (file: string): void => {
      const chunk = byFile.get(file);
      if (!chunk || files.has(file)) return;
      files.add(file);
      chunk.imports.forEach(visit);
    };
    for (const page of pages) {
      const chunk = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith(`/${page}`));
      if (!chunk) throw new Error(`No chunk begins with ${page}, which web/firstLoads.mjs names.`);
      visit(chunk.fileName);
    }
    return new Set([...files].flatMap((file) => byFile.get(file)!.moduleIds));
  };
  return new Map([
    [entry, loadedWith(['index.html'])],
    ...Object.entries(firstLoads).map(([name, { pages }]) => [name, loadedWith(pages)] as const),
  ]);
}

/**
 * Puts the modules that the same first loads need into one chunk. By itself the bundler cuts by every page and part that
 * is loaded later, which makes fifty small files of a reader's first load: a seventh more, since each is compressed alone.
 * Which modules a load needs is known only once what nobody uses is gone, so the application is built twice.
 */
export function chunksByFirstLoad(): Plugin {
  return {
    name: 'chunks-by-first-load',
    apply: 'build',
    async config({ root, mode, plugins }) {
      const others = (plugins ?? []).flat(Infinity as 1).filter((plugin) => !isThis(plugin));
      const built = await build({
        configFile: false,
        root,
        mode,
        plugins: others,
        logLevel: 'error',
        build: { write: false, minify: false, target: 'es2022', reportCompressedSize: false },
      });
      const { output } = built as Rolldown.RolldownOutput;
      const loads = modulesOfLoads(output.filter((part) => part.type === 'chunk'));
      const needing = new Map<string, string>();
      for (const [name, modules] of loads) {
        for (const id of modules) {
          // What every page needs is one chunk, and each page's own file stays the beginning of one.
          if (name !== entry && loads.get(entry)!.has(id)) continue;
          if (begins(id)) continue;
          needing.set(id, [needing.get(id), name].filter(Boolean).join('-'));
        }
      }
      const groups = [...new Set(needing.values())].map((name) => ({
        name,
        test: (id: string) => needing.get(id) === name,
      }));
      return {
        build: {
          rolldownOptions: { output: { codeSplitting: { includeDependenciesRecursively: false, groups } } },
        },
      };
    },
  };
}

/** The files that a page, or the application, begins with. */
const beginnings = ['index.html', 'src/main.tsx', ...Object.values(firstLoads).flatMap(({ pages }) => pages)];
const begins = (id: string): boolean => beginnings.some((file) => id.endsWith(`/${file}`));

const isThis = (plugin: unknown): boolean =>
  typeof plugin === 'object' && plugin !== null && 'name' in plugin && plugin.name === 'chunks-by-first-load';

import { isShown, shownKeys, type FigureDocument } from '@bogen/core/figure';
import { figureOfStage, type Sheet } from '@bogen/core/lesson';

/** What a sheet is, whatever its ids are, and without what is a matter of the window in which it was made. */
export function essence(sheet: Sheet): unknown {
  const { prose, figure, stages, tasks, title } = sheet;
  const names = new Map<string, string>([
    ...figure.items.map(({ id, name }): [string, string] => [id, `item ${name}`]),
    ...stages.map(({ id }, index): [string, string] => [id, `stage ${index + 1}`]),
  ]);
  const plain = (value: unknown): unknown => {
    if (typeof value === 'string') return names.get(value) ?? value;
    if (typeof value === 'number') return Number(value.toFixed(9));
    if (Array.isArray(value)) return value.map(plain);
    if (typeof value !== 'object' || value === null) return value;
    // No hand draws the same stroke twice.
    if ('kind' in value && value.kind === 'stroke') return { ...value, points: [] };
    return Object.fromEntries(
      Object.entries(value)
        .filter(
          ([key, part]) =>
            part !== undefined &&
            part !== null &&
            !unessential.has(key) &&
            // Ink is what a line is drawn in where nothing is said.
            !(key === 'color' && part === 'ink'),
        )
        .map(([key, part]) => [key, isText(key) ? part : plain(part)]),
    );
  };
  return {
    title,
    prose: withoutEmptyEnd(plain(prose) as { content?: unknown[] }),
    figure: {
      ...(plain(withoutWindow(figure)) as object),
      // Things have no order in what readers may do with them.
      readersMay: (plain(figure.readersMay ?? []) as unknown[])
        .map((one) => JSON.stringify(Object.entries(one as object).sort()))
        .sort(),
      loose: Object.fromEntries(
        Object.entries(figure.loose)
          // Points that were made loose and fixed again are as if nothing had been said of them.
          .filter(([, { controlPoints, editPoints }]) => controlPoints.length + editPoints.length > 0)
          .map(([id, points]) => [names.get(id), points]),
      ),
    },
    // What each shows, in however many steps.
    stages: stages.map(({ id, caption, notes }) => ({
      caption,
      notes: notes ?? '',
      items: plain(figureOfStage(sheet, id).items),
    })),
    tasks: plain(tasks),
  };
}

/** A word that is written is none of the ids that it may be equal to. */
const isText = (key: string): boolean =>
  [
    'kind',
    'text',
    'latex',
    'caption',
    'prompt',
    'reason',
    'tracks',
    'name',
    'parametrisation',
    'shown',
    'keys',
  ].includes(key);

/** Ids, digits of words, how large what is drawn by hand may be, how much a picture is faded, and what hints light up. */
const unessential = new Set(['id', 'digits', 'scale', 'fade', 'lights', 'picture']);

function withoutWindow(document: FigureDocument): object {
  const { view, loose: _, readersMay: __, ...figure } = document;
  const shown = shownKeys.filter((key) => isShown(document, key));
  return { ...figure, shown, grid: view.grid };
}

/** The editor keeps an empty paragraph after what is no paragraph, to go on there. */
function withoutEmptyEnd(prose: { content?: unknown[] }): object {
  const content = [...(prose.content ?? [])];
  while (JSON.stringify(content.at(-1)) === '{"type":"paragraph"}') content.pop();
  return { ...prose, content };
}

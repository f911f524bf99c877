import type { Curve, Point } from '@bogen/core/curve';
import {
  emptyFigure,
  type FigureCommand,
  type FigureDocument,
  type FigureItem,
  type Measure,
} from '@bogen/core/figure';
import {
  firstStageId,
  type Prose,
  type ProseNode,
  type Stage,
  type Task,
  type TaskOf,
} from '@bogen/core/lesson';
import type { StartTexts } from '../../text/en/starts.js';

/** A ready-made sheet besides its words, to change from there. */
export interface Start {
  readonly figure: FigureDocument;
  /** What is done from each stage to the next. */
  readonly steps: readonly (readonly FigureCommand[])[];
  /** The live values that the paragraphs name. */
  readonly live: Readonly<Record<string, Measure>>;
  /** What is asked, and on which of the stages, counted from 0; that which shows the solution, where one does. */
  readonly asks?: {
    readonly stage: number;
    readonly solution?: number;
    readonly conditions: TaskOf<'shape'>['conditions'];
  };
}

/** A figure of some items, the first curve of them on the rail. */
export function figureOf(items: readonly FigureItem[], more: Partial<FigureDocument> = {}): FigureDocument {
  const onRail = items.find(({ kind }) => kind !== 'point');
  return {
    ...emptyFigure(),
    items,
    rail: { item: onRail?.id ?? null, tracks: ['knots', 'basis', 'curvature'] },
    ...more,
  };
}

export const curveItem = (id: string, name: string, curve: Curve): FigureItem => ({
  id,
  name,
  kind: 'curve',
  curve,
});

export const placeItem = (id: string, name: string, at: Point): FigureItem => ({
  id,
  name,
  kind: 'point',
  at,
});

export const allLoose = (count: number): readonly number[] => Array.from({ length: count }, (_, k) => k);

/** The sheet of a start in words. @param newId makes an id each time */
export function sheetOfStart({ figure, steps, live, asks }: Start, texts: StartTexts, newId: () => string) {
  const stages: Stage[] = [
    { id: firstStageId, caption: texts.captions[0] ?? '', commands: [] },
    ...steps.map((commands, index) => ({ id: newId(), caption: texts.captions[index + 1] ?? '', commands })),
  ];
  const tasks: Task[] = asks
    ? [
        {
          kind: 'shape',
          id: newId(),
          stage: stages[asks.stage]!.id,
          prompt: texts.prompt ?? '',
          hints: (texts.hints ?? []).map((text) => ({ text })),
          conditions: asks.conditions,
          ...(asks.solution === undefined ? {} : { solution: stages[asks.solution]!.id }),
        },
      ]
    : [];
  return { id: newId(), title: texts.title, prose: proseOf(texts.paragraphs, live), figure, stages, tasks };
}

function proseOf(paragraphs: readonly string[], live: Start['live']): Prose {
  const content = paragraphs.map((text): ProseNode => ({ type: 'paragraph', content: inline(text, live) }));
  return { type: 'doc', content: content.length > 0 ? content : [{ type: 'paragraph' }] };
}

function inline(text: string, live: Start['live']): ProseNode[] {
  return text.split(/(\$[^$]+\$|\*[^*]+\*|\{\w+\})/).flatMap((part): ProseNode[] => {
    if (part === '') return [];
    const inner = part.slice(1, -1);
    if (part.startsWith('$')) return [{ type: 'inlineMath', attrs: { latex: inner } }];
    if (part.startsWith('*')) return [{ type: 'text', text: inner, marks: [{ type: 'bold' }] }];
    const measure = part.startsWith('{') ? live[inner] : undefined;
    if (measure) return [{ type: 'liveValue', attrs: { measure, digits: 2 } }];
    return [{ type: 'text', text: part }];
  });
}

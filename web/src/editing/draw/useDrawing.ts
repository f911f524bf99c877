import type { Told } from '@bogen/core/lesson';
import {
  CurveError,
  mirrorCurve,
  mirrorThrough,
  type Curve,
  type NodeKind,
  type Point,
} from '@bogen/core/curve';
import { curveOfShape, type FigureItem, type SetPlace, type SingleFigureCommand } from '@bogen/core/figure';
import { useEffect, useMemo } from 'react';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { useStateOf } from '../../ui/useStateOf.js';
import { referenceNames } from './referenceNames.js';
import type { Snapped } from './snap.js';
import { useStrokeFit, type FittedStroke } from './useStrokeFit.js';
import {
  draftOf,
  firstOptions,
  chosenOf,
  mirrorAxis,
  tools,
  type Draft,
  type DraftItem,
  type DrawOptions,
  type ToolName,
  withHovered,
} from './tools.js';

/** A drawing in progress: which tool, what has been set, and what it would come to. */
export interface Drawing {
  readonly tool: ToolName | null;
  readonly options: DrawOptions;
  readonly places: readonly SetPlace[];
  readonly draft: Draft;
  /** Why the draft comes to no curve, in a sentence. */
  readonly problem: Told | null;
  /** Why nothing would come of it with a place where the pointer is. */
  readonly warning: Told | null;
  readonly begin: (tool: ToolName) => void;
  /** Goes on with another tool on the same places. */
  readonly goOnWith: (tool: ToolName) => void;
  readonly cancel: () => void;
  readonly setOptions: (change: Partial<DrawOptions>) => void;
  readonly place: (at: Point, pulled?: Point) => void;
  /** A place that is being typed, and what is wrong with it. */
  readonly typed: Typed;
  readonly type: (text: string, problem?: string) => void;
  readonly placeMany: (points: readonly Point[]) => void;
  readonly removeLast: () => void;
  readonly finish: () => void;
  /** Where the pointer is, for the preview. */
  readonly hover: (snapped: Snapped | null, pulled?: Point) => void;
  readonly hovered: Snapped | null;
  /** Whether it is asked how the curve is to close. */
  readonly asksClosing: boolean;
  readonly askClosing: () => void;
  readonly answerClosing: (way: ClosingAnswer) => void;
  /** A freehand stroke with its fit. */
  readonly stroke: FittedStroke | null;
}

interface Typed {
  readonly text: string;
  readonly problem: string;
}
const nothingTyped: Typed = { text: '', problem: '' };

export type ClosingAnswer = 'smooth' | 'corner' | 'meet' | 'goOn';

/** The ways in which what a tool draws can close. */
export function closingWays(tool: ToolName): readonly ClosingAnswer[] {
  return tools[tool].closes === 'smooth' ? ['smooth', 'meet', 'goOn'] : ['corner', 'goOn'];
}

const noPlaces: readonly SetPlace[] = [];

/** The state of drawing on one figure. What is drawn becomes part of the document in one step. */
export function useDrawing(scene: FigureScene): Drawing {
  const { t } = useTranslation();
  const [tool, setTool] = useStateOf<ToolName | null>(scene, null);
  const [options, setAll] = useStateOf(scene, firstOptions);
  const [places, setPlaces] = useStateOf<readonly SetPlace[]>(scene, noPlaces);
  const [hovered, setHovered] = useStateOf<{ snapped: Snapped; pulled?: Point } | null>(scene, null);

  const [asksClosing, setAsksClosing] = useStateOf(scene, false);
  const [typed, setTyped] = useStateOf(scene, nothingTyped);

  // With the pointer's place as if it were set, as far as the tool takes another one.
  const room = tool !== null && places.length < tools[tool].most;
  const shown = useMemo(
    () =>
      hovered && room && !tools[tool].freehand
        ? withHovered(places, hovered.snapped.at, hovered.pulled)
        : places,
    [hovered, room, places, tool],
  );
  const preview = useMemo(() => come(tool, shown, options), [tool, shown, options]);
  const kept = useMemo(() => come(tool, places, options), [tool, places, options]);

  const chosen = useMemo(() => (tool === null ? {} : chosenOf(tool, options)), [tool, options]);
  const { nodeKind, tolerance, degree } = chosen as {
    readonly nodeKind?: NodeKind;
    readonly tolerance?: number;
    readonly degree?: number;
  };
  const isFreehand = tool !== null && tools[tool].freehand === true;
  const drawn = useMemo(
    () => (isFreehand && places.length > 1 ? places.map(({ at }) => at) : null),
    [isFreehand, places],
  );
  const { fitted: stroke, problem: strokeProblem } = useStrokeFit(drawn, tolerance ?? 1, degree ?? 3);
  const curve = isFreehand ? stroke?.curve : preview.curve;
  const axis = useMemo(
    () => (tool !== null && tools[tool].mirrors ? mirrorAxis(options) : undefined),
    [tool, options],
  );

  useEffect(() => {
    scene.previews.show(
      'drawing',
      tool === null
        ? null
        : {
            ...(curve ? { curve } : {}),
            axis,
            image: axis && curve ? mirrorCurve(curve, mirrorThrough(...axis)) : undefined,
            ...(drawn ? { stroke: drawn } : {}),
            places: isFreehand ? [] : shown.map(({ at }) => at),
            pulls: shown.flatMap(({ at, pulled, kind = nodeKind }): [Point, Point][] => {
              if (!pulled) return [];
              const other = kind === 'corner' ? at : at.map((value, axis) => 2 * value - pulled[axis]!);
              return [[other, pulled]];
            }),
            polygon: tools[tool].polygon === true,
          },
    );
  }, [scene, tool, shown, curve, axis, drawn, isFreehand, nodeKind]);
  useEffect(() => () => scene.previews.show('drawing', null), [scene]);

  const reset = (): void => {
    setAsksClosing(false);
    setTyped(nothingTyped);
    setPlaces([]);
    setHovered(null);
  };
  const add = (item: DraftItem): void => {
    const { document } = scene;
    const ids = new Set<string>();
    const named = (base: string): string => {
      const taken = new Set(document.items.map(({ name }) => name));
      if (!taken.has(base)) return base;
      let number = 2;
      while (taken.has(`${base} ${number}`)) number++;
      return `${base} ${number}`;
    };
    const fresh = (): string => {
      const id = freshId(document, ids);
      ids.add(id);
      return id;
    };
    const at = document.items.length;
    if (item.kind === 'points') {
      const letters = referenceNames(document.items);
      const commands = item.at.map((place, index): SingleFigureCommand => ({
        name: 'addItem',
        item: { id: fresh(), name: letters(), kind: 'point', at: place },
        at: at + index,
      }));
      scene.host.do({ name: 'batch', commands });
      return;
    }
    const id = fresh();
    const made: FigureItem = { id, name: named(t(`draw.names.${tool!}`)), ...item };
    const loose = item.kind === 'curve' ? item.curve.points.map((_, index) => index) : [];
    const commands: SingleFigureCommand[] = [
      { name: 'addItem', item: made, at },
      { name: 'setRail', rail: { ...document.rail, item: id } },
    ];
    if (loose.length > 0) commands.push({ name: 'setLoose', item: id, of: 'controlPoints', indices: loose });
    if (axis) {
      // The image is linked: it follows what was drawn.
      const image: FigureItem = {
        id: fresh(),
        name: t('draw.imageName', { name: made.name }),
        kind: 'built',
        operation: { name: 'mirror', source: id, axis },
      };
      commands.splice(1, 0, { name: 'addItem', item: image, at: at + 1 });
    }
    scene.host.do({ name: 'batch', commands });
  };
  const finishWith = (all: readonly SetPlace[], chosen: DrawOptions): boolean => {
    const end = come(tool, all, chosen);
    if (end.draft.status !== 'whole' || end.problem) return false;
    add(end.draft.item);
    reset();
    return true;
  };

  return {
    tool,
    options,
    places,
    draft: kept.draft,
    problem: kept.problem ?? strokeProblem,
    warning: preview.problem,
    stroke,
    asksClosing,
    askClosing: () => setAsksClosing(true),
    answerClosing: (way) => {
      setAsksClosing(false);
      if (way === 'smooth' || way === 'corner') finishWith(places, { ...options, closed: true });
      else if (way === 'meet') finishWith([...places, { at: places[0]!.at }], { ...options, closed: false });
    },
    hovered: hovered?.snapped ?? null,
    goOnWith: setTool,
    begin: (next) => {
      setTool(next);
      reset();
    },
    cancel: () => {
      // The first Escape forgets what was set, the second puts the tool away.
      if (places.length > 0) reset();
      else setTool(null);
    },
    setOptions: (change) => setAll((before) => ({ ...before, ...change })),
    typed,
    type: (text, problem = '') => setTyped({ text, problem }),
    place: (at, pulled) => {
      if (tool === null) return;
      setTyped(nothingTyped);
      const last = places.at(-1)?.at;
      // Twice on one place is no second point.
      if (last && last[0] === at[0] && last[1] === at[1]) return;
      // Each node keeps the kind that was chosen when it was set.
      const all: SetPlace[] = [...places, { at, ...(pulled ? { pulled, kind: nodeKind } : {}) }];
      if (all.length >= tools[tool].most && finishWith(all, options)) return;
      setPlaces(all);
    },
    // A stroke waits for its tolerance; it is done when it is finished.
    placeMany: (points) => setPlaces(points.map((at) => ({ at }))),
    removeLast: () => setPlaces(isFreehand ? [] : places.slice(0, -1)),
    finish: () => {
      if (finishWith(places, options)) return;
    },
    hover: (snapped, pulled) => setHovered(snapped && { snapped, ...(pulled ? { pulled } : {}) }),
  };
}

/** What places come to, as a curve where they do, and why not where they don't. */
function come(
  tool: ToolName | null,
  places: readonly SetPlace[],
  options: DrawOptions,
): { draft: Draft; curve: Curve | undefined; problem: Told | null } {
  if (tool === null) return { draft: { status: 'empty' }, curve: undefined, problem: null };
  try {
    const draft = draftOf(tool, places, options);
    // A freehand stroke is fitted beside the page.
    const item = draft.status === 'empty' || tools[tool].freehand ? undefined : draft.item;
    const curve =
      item?.kind === 'curve' ? item.curve : item?.kind === 'shape' ? curveOfShape(item.shape) : undefined;
    return { draft, curve, problem: null };
  } catch (error) {
    if (!(error instanceof CurveError)) throw error;
    return { draft: draftOf(tool, places, options), curve: undefined, problem: error.told };
  }
}

import { useTold } from '../../text/told.js';
import { isShown, itemOf, type PointKind } from '@bogen/core/figure';
import { Suspense, useMemo, type ReactNode } from 'react';
import { useTranslation } from '../../text/text.js';
import { Deferred } from '../../ui/Deferred.js';
import { lazyPart } from '../../ui/lazyPart.js';
import { useStateOf } from '../../ui/useStateOf.js';
import { Facts, factsOf, railItem } from './Facts.js';
import { FigurePane } from './FigurePane.js';
import { panesOf, wholePane, type Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import { mayDraw } from '../scene/may.js';
import type { FigureScene } from '../scene/scene.js';
import { useLongPress } from '../handles/useLongPress.js';
import { useParts } from '../scene/useScene.js';
import { ZoomButtons } from './zoom.js';

const LiftedPane = lazyPart(async () => (await import('../lifted/LiftedPane.js')).LiftedPane);

interface FigureViewProps {
  readonly scene: FigureScene;
  /** Where points are made loose or fixed instead of moved. */
  readonly onToggle?: ((item: string, of: PointKind, index: number) => void) | undefined;
  /** How much larger than usual marks and type are, for instance on a projector. */
  readonly markScale?: number | undefined;
  /** What lies over the drawing, for instance while something is drawn. */
  readonly layer?: ((projection: Projection) => ReactNode) | undefined;
  /** What lies over every pane, such as marks that can be pressed. */
  readonly over?: ((projection: Projection, pane: Pane) => ReactNode) | undefined;
  /** The menu of the second button, around the drawing. */
  readonly menu?: ((drawing: ReactNode) => ReactNode) | undefined;
  /** What stands on its upper edge. */
  readonly bar?: ReactNode;
}

/** The live drawing of a sheet, in one pane or in two of the same view side by side. */
export function FigureView({ scene, onToggle, markScale, layer, over, menu, bar }: FigureViewProps) {
  const { t } = useTranslation();
  const tell = useTold();
  useParts(scene.structured, scene.selected, scene.viewed);
  const [said, say] = useStateOf(scene, '');
  const longPress = useLongPress();
  const { document, evaluation } = scene;
  const pair = JSON.stringify(document.looks?.sideBySide ?? null);
  const ids = document.items.map(({ id, kind }) => `${id} ${kind}`).join();
  // While something is drawn there is one sheet to draw on.
  const drawing = layer !== undefined;
  const panes = useMemo(
    () => (drawing ? [wholePane] : panesOf(scene.document)),

    [drawing, scene, pair, ids],
  );
  const railCurve = scene.railCurve;
  const isLifted =
    !drawing &&
    railCurve?.points[0]?.length === 2 &&
    isShown(document, 'lifted', itemOf(document, document.rail.item ?? ''));
  const failures = document.items.flatMap((item) => {
    const result = evaluation.items.get(item.id);
    return result?.status === 'failed' ? [{ name: item.name, reason: tell(result.reason) }] : [];
  });
  const body = (
    <div className="flex min-h-0 flex-1 divide-x divide-line" {...longPress}>
      {panes.map((pane) => (
        <FigurePane
          key={pane.key}
          scene={scene}
          pane={pane}
          onToggle={onToggle}
          onSay={say}
          markScale={markScale}
          over={drawing ? undefined : over}
        >
          {layer}
        </FigurePane>
      ))}
      {isLifted && (
        <Suspense>
          <LiftedPane key={`lifted ${scene.number}`} scene={scene} />
        </Suspense>
      )}
    </div>
  );
  return (
    <div
      role="group"
      aria-label={t('figure.label', {
        facts: railCurve
          ? factsOf(railCurve, railItem(scene), t)
              .flat()
              .map(({ text }) => text)
              .join(', ')
          : t('figure.empty'),
      })}
      aria-busy={scene.arrival !== 'here'}
      className="relative flex min-h-0 flex-1 flex-col overflow-hidden bg-sheet"
      data-figure
    >
      {menu ? menu(body) : body}
      {document.items.length === 0 && !drawing && (
        <p className="pointer-events-none absolute inset-0 grid place-items-center px-8 text-center font-serif text-soft">
          {mayDraw(scene.host) ? t('figure.emptyToDraw') : t('figure.empty')}
        </p>
      )}
      {failures.length > 0 && (
        <div
          role="alert"
          className="absolute top-2 left-4 max-w-[70%] rounded-md border border-bad bg-sheet px-3 py-1.5 text-[13px]"
        >
          <ul>
            {failures.map((failure) => (
              <li key={failure.name}>{t('figure.failedItem', failure)}</li>
            ))}
          </ul>
        </div>
      )}
      {bar}
      {scene.arrival !== 'awaited' && panes.length === 1 && (
        <Deferred key={scene.number}>
          <Facts scene={scene} />
        </Deferred>
      )}
      <ZoomButtons scene={scene} />
      <p role="status" aria-live="polite" className="sr-only">
        {said}
      </p>
    </div>
  );
}

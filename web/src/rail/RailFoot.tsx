import { domainOf } from '@bogen/core/curve';
import { Minus, Plus } from 'lucide-react';
import { lazy, Suspense, useLayoutEffect, useRef, type FormEvent } from 'react';
import { mayArrangeRail } from '../figure/scene/may.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { notation } from '../text/notation.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { ReaderAway, readExpression } from '../ui/expression.js';
import { zoomedWindow } from './axis.js';
import { mayMoveKnots } from './knotMarks.js';

const KnotField = lazy(() => import('./KnotField.js'));
const TracksPopup = lazy(() => import('./TracksPopup.js'));

/** Below the plots: which there are, the zoom along the parameter, and the cursor as a number. */
export function RailFoot({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const curve = scene.railCurve;
  const parameterWindow = scene.axis.window;
  if (!curve) return null;
  const zoom = (factor: number): void =>
    scene.axis.setWindow(zoomedWindow(curve, parameterWindow, factor, scene.cursor));
  const button = 'inline-flex h-6 items-center rounded px-1.5 hover:bg-tint disabled:opacity-45';
  return (
    <div
      className="flex h-7 shrink-0 items-center gap-1 border-t border-line px-3 text-[12px]"
      data-rail-foot
    >
      {mayArrangeRail(scene.host, scene.document) && (
        <Suspense fallback={null}>
          <TracksPopup scene={scene} className={`${button} font-medium`} />
        </Suspense>
      )}
      <span className="flex-1" />
      {mayMoveKnots(scene) && (
        <Suspense fallback={null}>
          <KnotField scene={scene} />
        </Suspense>
      )}
      <CursorField scene={scene} />
      {parameterWindow && (
        <button type="button" className={button} onClick={() => scene.axis.setWindow(null)}>
          {t('rail.whole')}
        </button>
      )}
      <button
        type="button"
        className={button}
        disabled={!parameterWindow}
        aria-label={t('rail.zoomOut')}
        title={t('rail.zoomOut')}
        onClick={() => zoom(0.5)}
      >
        <Minus aria-hidden size={13} />
      </button>
      <button
        type="button"
        className={button}
        aria-label={t('rail.zoomIn')}
        title={t('rail.zoomIn')}
        onClick={() => zoom(2)}
      >
        <Plus aria-hidden size={13} />
      </button>
    </div>
  );
}

/** The cursor's parameter, to read and to type. */
function CursorField({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const field = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    let shown = '';
    return scene.addPainter(() => {
      const input = field.current;
      if (!input || document.activeElement === input) return;
      const text = shownNumber(scene.cursor, 2);
      // The page is laid out anew even for the value that was there.
      if (text !== shown) input.value = shown = text;
    });
  }, [scene]);
  const set = (event: FormEvent): void => {
    event.preventDefault();
    const curve = scene.railCurve;
    const input = field.current!;
    const away = (error: unknown): void => {
      if (!(error instanceof ReaderAway)) throw error;
      input.setCustomValidity(t('ui.readerAway'));
      input.reportValidity();
    };
    readExpression(input.value.replace('−', '-')).then((u) => {
      const [start, end] = curve ? domainOf(curve.knots, curve.degree) : [0, 0];
      const fits = u !== undefined && u >= start && u <= end;
      input.setCustomValidity(fits ? '' : t('rail.outside', { start, end }));
      input.reportValidity();
      if (fits) scene.axis.moveCursor(u);
    }, away);
  };
  return (
    <form onSubmit={set} className="flex items-center gap-1">
      <label className="flex items-center gap-1">
        <span className="font-serif italic">{notation().parameter}</span>
        <input
          ref={field}
          aria-label={t('rail.cursorAt')}
          onBlur={(event) => (event.currentTarget.value = shownNumber(scene.cursor, 2))}
          onInput={(event) => event.currentTarget.setCustomValidity('')}
          className="h-5.5 w-[72px] rounded border border-line bg-sheet px-1 text-right font-mono text-[11.5px] focus:border-strong"
          data-cursor-field
        />
      </label>
    </form>
  );
}

import type { FigureDocument } from '@bogen/core/figure';
import { svg } from '@bogen/core/format';
import { useEffect, useMemo, useRef } from 'react';
import { evaluationOf } from '../figure/geometry/geometry.js';
import { notation } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { barLength, onPaper, type OnPaper } from './paperScale.js';

interface Drawing extends OnPaper {
  readonly element: Element;
  /** The bar, in millimetres of the drawing. */
  readonly bar: number;
}

/** Curves that are no cubics are drawn this near, in millimetres of the drawing: nobody sees it on paper. */
const tolerance = 0.005;

/** A figure as lines in black on paper, or nothing where nothing of it can be drawn. */
function drawingOf(
  document: FigureDocument,
  place: { readonly width: number; readonly height: number },
): Drawing | null {
  if (!document.items.some(({ hidden }) => !hidden)) return null;
  const drawn = (scale: number, marks = true): { element: Element; width: number; height: number } => {
    const { text } = svg.write(
      { document, evaluation: evaluationOf(document), time: '', notation: notation() },
      { style: 'print', marks, tolerance, scale },
    );
    const { documentElement: element } = new DOMParser().parseFromString(text, 'image/svg+xml');
    const sizeOf = (name: string): number => parseFloat(element.getAttribute(name) ?? '') || 1;
    return { element, width: sizeOf('width'), height: sizeOf('height') };
  };
  const { ratio } = onPaper(drawn(1, false), place);
  // With control points and names it may have to be made smaller.
  const { ratio: again } = onPaper(drawn(1 / ratio), place);
  const fitting = Math.max(ratio, ratio * again);
  const { element, width } = drawn(1 / fitting);
  return { ratio: fitting, element, bar: barLength(width * fitting) };
}

interface DrawnFigureProps {
  readonly document: FigureDocument;
  readonly width: number;
  readonly height: number;
  readonly caption?: string;
}

/** A figure on a page of at most this width and height in millimetres, with its scale. */
export function DrawnFigure({ document, width, height, caption }: DrawnFigureProps) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDivElement>(null);
  const drawing = useMemo(() => drawingOf(document, { width, height }), [document, width, height]);
  useEffect(() => {
    if (drawing) ref.current?.replaceChildren(window.document.importNode(drawing.element, true));
  }, [drawing]);
  if (!drawing) return null;
  return (
    <figure className="handout-figure">
      <div ref={ref} data-drawn />
      <figcaption>
        {caption && <span>{caption}</span>}
        <ScaleBar length={drawing.bar} ratio={drawing.ratio} />
        <span>
          {drawing.ratio === 1
            ? t('handout.trueSize')
            : drawing.ratio > 1
              ? t('handout.scale', { ratio: Number(drawing.ratio.toFixed(2)) })
              : t('handout.enlarged', { ratio: Number((1 / drawing.ratio).toFixed(2)) })}
        </span>
      </figcaption>
    </figure>
  );
}

/** A bar of a length of the drawing, as long as the drawing's scale makes it on paper. */
export function ScaleBar({ length, ratio }: { readonly length: number; readonly ratio: number }) {
  const { t } = useTranslation();
  const shown = length / ratio;
  return (
    <span className="handout-bar">
      <svg width={`${shown + 0.5}mm`} height="2.5mm" viewBox={`-0.25 -1.25 ${shown + 0.5} 2.5`} aria-hidden>
        <path d={`M0 -1V1M0 0H${shown}M${shown} -1V1`} fill="none" stroke="#000" strokeWidth="0.25" />
      </svg>{' '}
      {t('handout.bar', { length })}
    </span>
  );
}

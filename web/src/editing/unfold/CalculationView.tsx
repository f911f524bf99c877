import { curveIndex, type CalculationLine } from '@bogen/core/figure';
import { aboutCurve } from '@bogen/core/lesson';
import clsx from 'clsx';
import { TextCursorInput } from 'lucide-react';
import { useEffect, useSyncExternalStore } from 'react';
import { letterOf } from '../../figure/scene/names.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useFormulaTaker } from '../../live/formulaTaker.js';
import { Formula } from '../../sheet/Formula.js';
import { useTranslation } from '../../text/text.js';

interface CalculationViewProps {
  readonly scene: FigureScene;
  /** The item whose control points the lines name. */
  readonly item: string;
  readonly lines: readonly CalculationLine[];
}

/** As many lines as a calculation writes out at most; with that many some may be left out. */
const bound = 60;

/**
 * A calculation line by line, typeset with its numbers. A line that is pointed at lights up its points in the figure;
 * a control point that is pointed at there marks the lines that use it.
 */
export function CalculationView({ scene, item, lines }: CalculationViewProps) {
  const { t } = useTranslation();
  const { pointed } = scene;
  const take = useFormulaTaker((state) => state.take);
  const picked = useSyncExternalStore(pointed.subscribe, () => pointed.picked);
  useEffect(() => () => pointed.setHighlight(null), [pointed]);
  if (lines.length === 0) return <p className="text-[13px] text-soft">{t('calculation.nothing')}</p>;
  const index = picked?.item === item && picked.of === 'controlPoints' ? picked.index : null;
  const letter = letterOf(scene.document, item, 'controlPoints');
  const curve = curveIndex(scene.document, item);
  const show = (line: CalculationLine): void =>
    pointed.setHighlight({ places: line.places, lines: line.legs });
  return (
    <ol
      className="flex max-h-[46vh] flex-col gap-1 overflow-y-auto rounded-md border border-line p-1.5"
      onPointerLeave={() => pointed.setHighlight(null)}
      data-calculation
    >
      {lines.map((line, k) => (
        <li
          key={k}
          // A line is reached by the keys too, to light up what it is about.
          tabIndex={0}
          className={clsx(
            'rounded px-1.5 py-1 hover:bg-tint focus-visible:ring-3 focus-visible:ring-accent/40',
            index !== null && line.points.includes(index) && 'bg-accent/10',
          )}
          onPointerEnter={() => show(line)}
          onFocus={() => show(line)}
          onBlur={() => pointed.setHighlight(null)}
          data-step={line.step}
        >
          <p className="text-[12px] text-soft">
            {t(`calculation.steps.${line.step}`, { ...line.values, letter })}
          </p>
          <div className="group relative overflow-x-auto text-[13px]">
            {take && (
              <button
                type="button"
                aria-label={t('calculation.intoText')}
                title={t('calculation.intoText')}
                className="absolute top-0 right-0 z-10 inline-flex size-6 items-center justify-center rounded bg-sheet text-soft hover:bg-tint hover:text-ink"
                onClick={() => take(aboutCurve(line.tex, curve))}
              >
                <TextCursorInput aria-hidden size={14} />
              </button>
            )}
            <Formula latex={aboutCurve(line.tex, curve)} block />
          </div>
        </li>
      ))}
      {lines.length >= bound && (
        <li className="px-1.5 text-[12px] text-soft">{t('calculation.bounded', { count: lines.length })}</li>
      )}
    </ol>
  );
}

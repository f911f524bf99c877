import { gripKey, type Grip } from '@bogen/core/figure';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { FigureScene } from '../scene/scene.js';
import type { Question } from '../scene/sceneParts.js';
import type { Projection } from '../geometry/projection.js';
import { useTranslation } from '../../text/text.js';
import { gripName } from './gripName.js';

interface ChooserProps {
  readonly scene: FigureScene;
  readonly question: Question;
  readonly projection: Projection;
}

/** Asks which of several points on one place is meant; the one that is chosen then lies above the others. */
export function Chooser({ scene, question, projection }: ChooserProps) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => ref.current?.querySelector('button')?.focus(), [question]);
  const choose = (grip: Grip): void => {
    scene.selected.ask(null);
    scene.selected.raise(grip);
    // When the handle has come to lie above the others, it has the focus.
    requestAnimationFrame(() => {
      const [pane] = document.querySelectorAll(`[data-pane="${CSS.escape(question.pane)}"]`);
      pane?.querySelector<SVGGElement>(`[data-grip="${CSS.escape(gripKey(grip))}"]`)?.focus();
    });
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const buttons = [...ref.current!.querySelectorAll('button')];
    const now = buttons.indexOf(document.activeElement as HTMLButtonElement);
    if (event.key === 'Escape') scene.selected.ask(null);
    else if (event.key === 'ArrowDown') buttons[(now + 1) % buttons.length]?.focus();
    else if (event.key === 'ArrowUp') buttons.at(now - 1)?.focus();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const [x, y] = question.at;
  return (
    <div
      ref={ref}
      role="dialog"
      aria-label={t('grips.which')}
      data-chooser
      onKeyDown={onKeyDown}
      className="absolute z-20 flex max-h-60 min-w-40 flex-col overflow-y-auto rounded-lg border border-strong bg-sheet p-1.5 shadow-lg"
      style={{
        ...(x > projection.width / 2 ? { right: projection.width - x + 14 } : { left: Math.max(4, x + 14) }),
        ...(y > projection.height / 2
          ? { bottom: projection.height - y + 10 }
          : { top: Math.max(4, y + 10) }),
      }}
    >
      <p className="px-2 pb-1 text-[12px] text-soft">{t('grips.which')}</p>
      {question.grips.map((grip) => (
        <button
          key={gripKey(grip)}
          type="button"
          className="rounded px-2 py-1 text-left text-[13px] hover:bg-tint"
          onClick={() => choose(grip)}
        >
          {gripName(scene.document, grip, t)}
        </button>
      ))}
    </div>
  );
}

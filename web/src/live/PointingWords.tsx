import type { Target } from '@bogen/core/figure';
import type { ReactNode } from 'react';
import { useFigureOfText } from './FigureOfText.js';

interface PointingWordsProps {
  readonly targets: readonly Target[];
  readonly children: ReactNode;
}

/** Words that mean something of the figure: it lights up while they are pointed at or focused. */
export function PointingWords({ targets, children }: PointingWordsProps) {
  const scene = useFigureOfText();
  const light = (): void => {
    if (!scene) return;
    import('./lit.js').then(
      ({ highlightOf }) => scene.pointed.setHighlight(highlightOf(targets, scene)),
      () => undefined,
    );
  };
  const end = (): void => scene?.pointed.setHighlight(null);
  return (
    <span
      // Reached by keyboard too, since it shows something there.
      tabIndex={0}
      className="cursor-help underline decoration-accent decoration-dotted decoration-2 underline-offset-4"
      onPointerEnter={light}
      onPointerLeave={end}
      onFocus={light}
      onBlur={end}
      data-pointing
    >
      {children}
    </span>
  );
}

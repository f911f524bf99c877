import type { Hint } from '@bogen/core/lesson';
import { useEffect, useState, type ReactNode } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { highlightOf } from '../live/lit.js';
import { PointingWords } from '../live/PointingWords.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';

interface HintsProps {
  readonly hints: readonly Hint[];
  readonly scene: FigureScene;
  /** What follows the hints, with the button that gives the next. */
  readonly children: (button: ReactNode) => ReactNode;
}

/** The hints that were asked for; the newest lights up what it is about, until the figure changes. */
export function Hints({ hints, scene, children }: HintsProps) {
  const { t } = useTranslation();
  const [count, setCount] = useState(0);
  const newest = count > 0 ? hints[count - 1] : undefined;
  useEffect(() => {
    if (!newest?.lights) return undefined;
    const put = highlightOf(newest.lights, scene);
    scene.pointed.setHighlight(put);
    const end = (): void => {
      // Something else may be pointed at by now.
      if (scene.pointed.highlight === put) scene.pointed.setHighlight(null);
    };
    const { document } = scene;
    const stop = scene.drawn.subscribe(() => scene.document !== document && end());
    return () => {
      stop();
      end();
    };
  }, [newest, scene]);
  return (
    <>
      {hints.slice(0, count).map((hint, index) => (
        <p key={index} className="mt-2 border-l-2 border-line pl-3 font-serif text-[14px] italic" data-hint>
          {hint.lights ? <PointingWords targets={hint.lights}>{hint.text}</PointingWords> : hint.text}
        </p>
      ))}
      {children(
        count < hints.length && (
          <Button onClick={() => setCount(count + 1)}>
            {t(count === 0 ? 'sheet.hint' : 'sheet.nextHint')}
          </Button>
        ),
      )}
    </>
  );
}

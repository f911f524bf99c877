import { distinctKnots } from '@bogen/core/curve';
import { factNames, type FactName, type Measure } from '@bogen/core/figure';
import { useEffect, useState, type PointerEvent } from 'react';
import { createPortal } from 'react-dom';
import type { FigureScene } from '../../figure/scene/scene.js';
import { railAxis } from '../../rail/axis.js';
import { contentsOf } from '../../rail/contents.js';
import { tracks } from '../../rail/tracks.js';

interface PickOnScreenProps {
  readonly scene: FigureScene;
  /** What a measure is called, and what it comes to. */
  readonly text: (measure: Measure) => string;
  readonly onTake: (measure: Measure) => void;
}

/** Where a value can be taken: the plots of the rail, and the facts below the figure. */
const places = ['[data-rail]', '[data-facts]'] as const;

/** What a knot's mark is caught by, in pixels to each side. */
const nearKnot = 13;

/**
 * Lies over the rail and the facts while a value for the text is chosen: what is pointed at is named beside the pointer, and
 * taken by a press. The keyboard has the list.
 */
export function PickOnScreen({ scene, text, onTake }: PickOnScreenProps) {
  const [boxes, setBoxes] = useState<readonly DOMRect[]>([]);
  const [pointed, setPointed] = useState<{ measure: Measure; x: number; y: number } | null>(null);
  useEffect(() => {
    const measure = (): void =>
      setBoxes(
        places.flatMap((place) => {
          const element = document.querySelector(place);
          return element ? [element.getBoundingClientRect()] : [];
        }),
      );
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, [scene]);
  const find = ({ clientX: x, clientY: y }: PointerEvent): Measure | undefined => measureAt(scene, x, y);
  return createPortal(
    <>
      {boxes.map((box, index) => (
        <div
          key={index}
          aria-hidden
          data-pick-on-screen={index === 0 ? 'rail' : 'facts'}
          className="pointer-events-auto fixed z-20 cursor-crosshair rounded outline-2 -outline-offset-2 outline-accent/60"
          style={{ left: box.left, top: box.top, width: box.width, height: box.height }}
          onPointerMove={(event) => {
            const measure = find(event);
            setPointed(measure ? { measure, x: event.clientX, y: event.clientY } : null);
          }}
          onPointerLeave={() => setPointed(null)}
          // A press belongs to the list that is open, and takes no focus from it.
          onMouseDown={(event) => event.preventDefault()}
          onClick={(event) => {
            const measure = measureAt(scene, event.clientX, event.clientY);
            if (measure) onTake(measure);
          }}
        />
      ))}
      {pointed && (
        <div
          className="pointer-events-none fixed z-30 rounded bg-ink px-1.5 py-0.5 text-[12px] whitespace-nowrap text-sheet"
          style={
            pointed.x > window.innerWidth / 2
              ? { right: window.innerWidth - pointed.x + 10, top: pointed.y - 26 }
              : { left: pointed.x + 10, top: pointed.y - 26 }
          }
          data-picked-measure
        >
          {text(pointed.measure)}
        </div>
      )}
    </>,
    document.body,
  );
}

/** The measure that a place of the screen shows. */
function measureAt(scene: FigureScene, x: number, y: number): Measure | undefined {
  const item = scene.document.rail.item;
  const contents = contentsOf(scene);
  if (item === null || !contents) return undefined;
  const fact = elementAt('[data-fact]', x, y)?.getAttribute('data-fact');
  if (fact === 'smoothness') return { of: 'smoothness', item };
  if (fact)
    return factNames.includes(fact as FactName) ? { of: 'fact', item, fact: fact as FactName } : undefined;
  const weight = elementAt('[data-weight]', x, y)?.getAttribute('data-weight');
  if (weight) return { of: 'weight', item, index: Number(weight) };
  const track = elementAt('[data-track]', x, y);
  if (!track) return undefined;
  const box = track.getBoundingClientRect();
  const { curve } = contents;
  const axis = railAxis(curve, box.width, scene.axis.window);
  switch (track.getAttribute('data-track')) {
    case 'knots': {
      const near = distinctKnots(curve.knots, curve.degree).find(
        ({ value }) => Math.abs(axis(value) - (x - box.left)) <= nearKnot,
      );
      return near ? { of: 'knot', item, index: curve.knots.indexOf(near.value) } : { of: 'cursor', item };
    }
    case 'basis': {
      const index = tracks.basis.pickAt?.(
        { ...contents, axis, width: box.width, height: box.height },
        x - box.left,
        y - box.top,
      );
      return typeof index === 'number' ? { of: 'basis', item, index } : undefined;
    }
    case 'curvature':
      return { of: 'curvature', item };
    case 'length':
      return { of: 'fact', item, fact: 'length' };
    default:
      return undefined;
  }
}

/** The element of these that a place lies in, the smallest where several do. */
function elementAt(selector: string, x: number, y: number): Element | undefined {
  const area = (element: Element): number => {
    const { width, height } = element.getBoundingClientRect();
    return width * height;
  };
  return [...document.querySelectorAll(selector)]
    .filter((element) => {
      const { left, right, top, bottom } = element.getBoundingClientRect();
      return x >= left && x <= right && y >= top && y <= bottom;
    })
    .sort((a, b) => area(a) - area(b))[0];
}

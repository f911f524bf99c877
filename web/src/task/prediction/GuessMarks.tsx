import { pointAt, spansOf, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, evaluateFigure, type FigureDocument } from '@bogen/core/figure';
import {
  lineOf,
  mostDrawn,
  type Guess,
  type GuessOf,
  type Question,
  type QuestionOf,
} from '@bogen/core/lesson';
import { useRef, useState, type PointerEvent } from 'react';
import { editPointsOf } from '../../figure/geometry/geometry.js';
import type { Projection } from '../../figure/geometry/projection.js';
import { places as placeSpace, roundPlace } from '../../figure/hold/place.js';
import { useHold } from '../../figure/hold/useHold.js';
import { pointName } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { fewPlaces, withSpan } from './GuessField.js';

interface GuessMarksProps {
  readonly projection: Projection;
  readonly pane: Pane;
  readonly scene: FigureScene;
  /** The figure before the change. */
  readonly start: FigureDocument;
  readonly questions: readonly Question[];
  readonly guesses: readonly (Guess | null)[];
  /** What came true, once the change is shown. */
  readonly truths: readonly (Guess | null)[];
  /** The question whose line is being drawn. */
  readonly drawing: number | null;
  readonly onGuess: (index: number, guess: Guess) => void;
  readonly onDrawn: () => void;
}

/** The marks over the figure: what is expected, in colour and broken, and what came true, in ink. */
export function GuessMarks(props: GuessMarksProps) {
  const { projection, pane, scene, start, questions, guesses, truths, drawing, onGuess, onDrawn } = props;
  const { width, height } = projection;
  return (
    <svg
      className="pointer-events-none absolute top-0 left-0"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      data-guess-marks
    >
      {questions.map((question, index) => {
        const [guess, truth] = [guesses[index] ?? null, truths[index] ?? null];
        const curve = curveOf(evaluateFigure(start), question.item);
        if (!curve || !pane.shows(question.item)) return null;
        const common = { projection, scene, start, curve, onGuess: (next: Guess) => onGuess(index, next) };
        if (question.of === 'spans')
          return (
            <SpanMarks
              key={index}
              {...common}
              guess={ofKind(guess, 'spans')}
              truth={ofKind(truth, 'spans')}
            />
          );
        if (question.of === 'place')
          return (
            <PlaceMark
              key={index}
              {...common}
              question={question}
              guess={ofKind(guess, 'place')}
              truth={ofKind(truth, 'place')}
            />
          );
        if (question.of === 'drawn')
          return (
            <LineMarks
              key={index}
              {...common}
              question={question}
              guess={ofKind(guess, 'drawn')}
              truth={ofKind(truth, 'drawn')}
              isDrawing={drawing === index}
              onDrawn={onDrawn}
            />
          );
        return null;
      })}
    </svg>
  );
}

const ofKind = <Kind extends Guess['of']>(guess: Guess | null, kind: Kind): GuessOf<Kind> | null =>
  guess?.of === kind ? (guess as GuessOf<Kind>) : null;

interface MarkProps {
  readonly projection: Projection;
  readonly scene: FigureScene;
  readonly start: FigureDocument;
  readonly curve: Curve;
  readonly onGuess: (guess: Guess) => void;
}

/** The path of places on the screen. */
function pathOf(places: readonly Point[], projection: Projection): string {
  return places
    .map((place, index) => {
      const [x, y] = projection.toScreen(place);
      return `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join('');
}

const along = (curve: Curve, start: number, end: number): Point[] =>
  Array.from({ length: 25 }, (_, k) =>
    pointAt(curve, k === 24 ? end : start + ((end - start) * k) / 24, k === 24 ? 'left' : 'right'),
  );

function SpanMarks({
  projection,
  curve,
  guess,
  truth,
  onGuess,
}: MarkProps & { guess: GuessOf<'spans'> | null; truth: GuessOf<'spans'> | null }) {
  return (
    <g>
      {spansOf(curve.knots, curve.degree).map(({ start, end }, index) => {
        const path = pathOf(along(curve, start, end), projection);
        const isGuessed = guess?.spans.includes(index) ?? false;
        return (
          <g key={index} data-span-mark={index} data-guessed={isGuessed}>
            {isGuessed && (
              <path d={path} fill="none" stroke="var(--accent)" strokeWidth={9} strokeOpacity={0.35} />
            )}
            {truth?.spans.includes(index) && (
              <path d={path} fill="none" stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="2 4" />
            )}
            <path
              d={path}
              fill="none"
              stroke="transparent"
              strokeWidth={18}
              className="pointer-events-auto cursor-pointer"
              onPointerDown={(event) => event.stopPropagation()}
              onClick={() => onGuess(withSpan(guess, index))}
            />
          </g>
        );
      })}
    </g>
  );
}

function PlaceMark({
  projection,
  scene,
  start,
  curve,
  question,
  guess,
  truth,
  onGuess,
}: MarkProps & {
  question: QuestionOf<'place'>;
  guess: GuessOf<'place'> | null;
  truth: GuessOf<'place'> | null;
}) {
  const { t } = useTranslation();
  const from =
    question.point === 'controlPoints'
      ? curve.points[question.index]
      : editPointsOf(curve)[question.index]?.point;
  if (!from) return null;
  const point = pointName(start, question.item, question.point, question.index);
  const at = guess?.at ?? from;
  const [fromX, fromY] = projection.toScreen(from);
  const [x, y] = projection.toScreen(at);
  const went = truth && projection.toScreen(truth.at);
  return (
    <g>
      <line x1={fromX} y1={fromY} x2={x} y2={y} stroke="var(--accent)" strokeDasharray="5 4" />
      {went && (
        <g data-truth="place">
          <line x1={x} y1={y} x2={went[0]} y2={went[1]} stroke="var(--ink)" />
          <path
            d={`M${went[0] - 7} ${went[1]}h14M${went[0]} ${went[1] - 7}v14`}
            stroke="var(--ink)"
            strokeWidth={2}
          />
        </g>
      )}
      <HeldMark
        projection={projection}
        scene={scene}
        at={at}
        label={t('answer.placeAt', { point, x: shownNumber(at[0]!), y: shownNumber(at[1]!) })}
        onMove={(to) => onGuess({ of: 'place', at: to })}
      />
    </g>
  );
}

function LineMarks({
  projection,
  scene,
  curve,
  question,
  guess,
  truth,
  isDrawing,
  onGuess,
  onDrawn,
}: MarkProps & {
  question: QuestionOf<'drawn'>;
  guess: GuessOf<'drawn'> | null;
  truth: GuessOf<'drawn'> | null;
  isDrawing: boolean;
  onDrawn: () => void;
}) {
  const { t } = useTranslation();
  const [stroke, setStroke] = useState<readonly Point[] | null>(null);
  const drawn = useRef<Point[]>([]);
  const places = stroke ?? guess?.places ?? [];
  const was = question.line === 'comb' ? lineOf(curve, 'comb', question.scale) : undefined;
  const placeOf = (event: PointerEvent<SVGRectElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    const { markScale } = projection;
    const [x, y] = [(event.clientX - box.left) / markScale, (event.clientY - box.top) / markScale];
    return projection.toDrawing(x, y).map(roundPlace);
  };
  const end = (): void => {
    const line = thinned(drawn.current);
    drawn.current = [];
    setStroke(null);
    onDrawn();
    if (line.length > 1) onGuess({ of: 'drawn', places: line });
  };
  return (
    <g>
      {was && <path d={pathOf(was, projection)} fill="none" stroke="var(--strong)" strokeDasharray="1 4" />}
      {places.length > 1 && (
        <path
          d={pathOf(places, projection)}
          fill="none"
          stroke="var(--accent)"
          strokeWidth={2}
          strokeDasharray="7 4"
          data-guess="drawn"
        />
      )}
      {truth && (
        <path
          d={pathOf(truth.places, projection)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
          data-truth="drawn"
        />
      )}
      {guess && guess.places.length <= fewPlaces && !isDrawing
        ? guess.places.map((at, index) => (
            <HeldMark
              key={index}
              projection={projection}
              scene={scene}
              at={at}
              small
              label={t('answer.drawnPoint', { number: index + 1, count: guess.places.length })}
              onMove={(to) => onGuess({ of: 'drawn', places: guess.places.with(index, to) })}
            />
          ))
        : null}
      {isDrawing && (
        <rect
          width={projection.width}
          height={projection.height}
          fill="transparent"
          className="pointer-events-auto cursor-crosshair touch-none"
          data-drawing
          onPointerDown={(event) => {
            if (event.button !== 0) return;
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            drawn.current = [placeOf(event)];
            setStroke(drawn.current);
          }}
          onPointerMove={(event) => {
            if (drawn.current.length === 0) return;
            drawn.current.push(placeOf(event));
            // What is drawn without end is thinned as it grows.
            if (drawn.current.length > 4 * mostDrawn) drawn.current = thinned(drawn.current);
            setStroke([...drawn.current]);
          }}
          onPointerUp={() => drawn.current.length > 0 && end()}
          onPointerCancel={() => {
            drawn.current = [];
            setStroke(null);
          }}
        />
      )}
    </g>
  );
}

/** As many places as a drawing may have, spread over all of them; the first and the last stay. */
function thinned(places: readonly Point[]): Point[] {
  if (places.length <= mostDrawn) return [...places];
  return Array.from(
    { length: mostDrawn },
    (_, k) => places[Math.round((k * (places.length - 1)) / (mostDrawn - 1))]!,
  );
}

/** A mark that is dragged, or moved with the arrows. */
function HeldMark({
  projection,
  scene,
  at,
  label,
  small = false,
  onMove,
}: {
  projection: Projection;
  scene: FigureScene;
  at: Point;
  label: string;
  small?: boolean;
  onMove: (to: Point) => void;
}) {
  const [held, setHeld] = useState<Point | null>(null);
  const {
    isHeld: _,
    letGo: __,
    ...taking
  } = useHold<Point>(() => ({
    space: placeSpace(projection, scene.view.grid),
    value: () => at,
    take: () => ({
      preview: setHeld,
      commit: (to) => {
        setHeld(null);
        onMove(to);
      },
      cancel: () => setHeld(null),
    }),
  }));
  const [x, y] = projection.toScreen(held ?? at);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      transform={`translate(${x.toFixed(2)} ${y.toFixed(2)})`}
      className="mark pointer-events-auto cursor-grab touch-none"
      data-guess-mark
      {...taking}
    >
      <circle className="grip" r={13} fill="transparent" />
      <circle
        r={small ? 5 : 8}
        fill="var(--sheet)"
        fillOpacity={0.6}
        stroke="var(--accent)"
        strokeWidth={2}
        strokeDasharray="4 2.5"
      />
    </g>
  );
}

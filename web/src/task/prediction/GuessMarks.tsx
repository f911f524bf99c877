import { pointAt, spansOf, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, evaluateFigure, type FigureDocument } from '@bogen/core/figure';
import { type Guess, type GuessOf, type Question, type QuestionOf } from '@bogen/core/lesson';
import { editPointsOf } from '../../figure/geometry/geometry.js';
import type { Projection } from '../../figure/geometry/projection.js';
import { pointName } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { withSpan } from './GuessField.js';
import { pathOf, HeldMark, type MarkProps } from './HeldMark.js';
import { LineMarks } from './LineMarks.js';

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

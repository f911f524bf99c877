import { spansOf } from '@bogen/core/curve';
import { curveOf, evaluateFigure, type FigureDocument } from '@bogen/core/figure';
import { lineOf, type Guess, type GuessOf, type Question, type QuestionOf } from '@bogen/core/lesson';
import { useId } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { highlightOf } from '../../live/lit.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { AnswerField } from '../../ui/AnswerField.js';
import { Button } from '../../ui/Button.js';
import { shownCount, spanText } from './questionText.js';

interface GuessFieldProps {
  readonly question: Question;
  readonly guess: Guess | null;
  readonly start: FigureDocument;
  readonly scene: FigureScene;
  readonly isDrawing: boolean;
  readonly onDraw: (on: boolean) => void;
  readonly onGuess: (guess: Guess) => void;
}

/** Where one thing that is expected is said, or where it says how it is marked in the figure. */
export function GuessField(props: GuessFieldProps) {
  const { question, guess, start, scene, isDrawing, onDraw, onGuess } = props;
  const { t } = useTranslation();
  const group = useId();
  const more = shownCount(question, 0);
  switch (question.of) {
    case 'spans':
      return (
        <Spans
          question={question}
          guess={guess?.of === 'spans' ? guess : null}
          start={start}
          scene={scene}
          onGuess={onGuess}
        />
      );
    case 'place':
      return (
        <p className="text-[12.5px] text-soft">
          {guess?.of === 'place'
            ? t('answer.placed', { x: shownNumber(guess.at[0]!), y: shownNumber(guess.at[1]!) })
            : t('answer.placeHelp')}
        </p>
      );
    case 'drawn':
      return (
        <div className="flex flex-wrap items-center gap-2">
          <Button pressed={isDrawing} onClick={() => onDraw(!isDrawing)}>
            {t(guess ? 'answer.drawAgain' : 'answer.draw')}
          </Button>
          <Button
            quiet
            onClick={() => {
              const places = fewOf(question, start);
              if (places) onGuess({ of: 'drawn', places });
            }}
          >
            {t('answer.fromLine')}
          </Button>
          <span role="status" className="text-[12.5px] text-soft">
            {isDrawing ? t('answer.drawing') : guess ? t('answer.drawnCount') : t('answer.drawnHelp')}
          </span>
        </div>
      );
    case 'count':
      return (
        <AnswerField
          label={t('answer.howMany')}
          value={guess?.of === 'count' ? guess.value + more : undefined}
          onChange={(typed) => {
            const value = typed - more;
            if (Number.isInteger(value) && value >= 0 && value <= 1_000_000) onGuess({ of: 'count', value });
          }}
        />
      );
    case 'joint':
      return (
        <span className="flex gap-4">
          {[true, false].map((holds) => (
            <label key={String(holds)} className="flex items-center gap-1.5">
              <input
                type="radio"
                name={group}
                className="accent-accent"
                checked={guess?.of === 'joint' && guess.holds === holds}
                onChange={() => onGuess({ of: 'joint', holds })}
              />
              {t(holds ? 'answer.yes' : 'answer.no')}
            </label>
          ))}
        </span>
      );
  }
}

function Spans({
  question,
  guess,
  start,
  scene,
  onGuess,
}: {
  question: QuestionOf<'spans'>;
  guess: GuessOf<'spans'> | null;
  start: FigureDocument;
  scene: FigureScene;
  onGuess: (guess: Guess) => void;
}) {
  const { t } = useTranslation();
  const curve = curveOf(evaluateFigure(start), question.item);
  const count = curve ? spansOf(curve.knots, curve.degree).length : 0;
  const light = (index: number): void =>
    scene.pointed.setHighlight(highlightOf([{ of: 'span', item: question.item, index }], scene));
  const end = (): void => scene.pointed.setHighlight(null);
  return (
    <div className="flex max-h-44 flex-wrap items-center gap-1.5 overflow-y-auto">
      {Array.from({ length: count }, (_, index) => (
        <Button
          key={index}
          pressed={guess?.spans.includes(index) ?? false}
          className="font-mono text-[12px]! font-normal!"
          onPointerEnter={() => light(index)}
          onPointerLeave={end}
          onFocus={() => light(index)}
          onBlur={end}
          onClick={() => onGuess(withSpan(guess, index))}
        >
          {spanText(start, question.item, index, t)}
        </Button>
      ))}
      <Button
        pressed={guess?.spans.length === 0}
        className="text-[12px]! font-normal!"
        onClick={() => onGuess({ of: 'spans', spans: [] })}
      >
        {t('answer.noSpans')}
      </Button>
      <span className="text-[12.5px] text-soft">{t('answer.spansHelp')}</span>
    </div>
  );
}

/** A guess with one span more, or without it where it has it. */
export function withSpan(guess: GuessOf<'spans'> | null, index: number): GuessOf<'spans'> {
  const spans = guess?.spans ?? [];
  const next = spans.includes(index) ? spans.filter((other) => other !== index) : [...spans, index];
  return { of: 'spans', spans: next.toSorted((a, b) => a - b) };
}

/** How many places a line has that is set place by place. */
export const fewPlaces = 9;

/** A few places of a line as it is before the change, to begin with. */
function fewOf({ item, line, scale }: QuestionOf<'drawn'>, start: FigureDocument) {
  const curve = curveOf(evaluateFigure(start), item);
  const places = curve && lineOf(curve, line, scale);
  if (!places || places.length <= fewPlaces) return places;
  return Array.from(
    { length: fewPlaces },
    (_, k) => places[Math.round((k * (places.length - 1)) / (fewPlaces - 1))]!,
  );
}

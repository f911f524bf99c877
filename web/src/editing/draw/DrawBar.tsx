import type { ComponentType } from 'react';
import { useTold } from '../../text/told.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { DescribedField } from '../fields/DescribedField.js';
import { SliderField } from '../../ui/SliderField.js';
import { shownNumber } from '../../text/number.js';
import { PlaceField } from './PlaceField.js';
import { chosenOf, tools, waysOf } from './tools.js';
import type { Drawing } from './useDrawing.js';

/** What is to be done next, or why nothing comes of it, on the figure's upper edge. */
export function DrawLead({ drawing }: { drawing: Drawing }) {
  const { t } = useTranslation();
  const tell = useTold();
  const { tool, draft, places } = drawing;
  if (!tool) return null;
  const wrong = drawing.problem ?? drawing.warning;
  const problem = drawing.typed.problem || (wrong && tell(wrong));
  const lead = problem
    ? problem
    : draft.status === 'short'
      ? t('draw.missing', { count: draft.missing })
      : draft.status === 'empty'
        ? t(`draw.leads.${tool}`)
        : places.length < tools[tool].most
          ? t(readyText(drawing), { count: places.length })
          : '';
  return (
    <p
      role="status"
      className={`pointer-events-none absolute top-2 left-4 rounded bg-sheet px-1.5 text-[13px] ${problem ? 'text-bad' : 'text-soft'}`}
      data-draw-lead
    >
      {lead}
    </p>
  );
}

const readyText = ({ tool, stroke }: Drawing): 'draw.strokeReady' | 'draw.pointsReady' | 'draw.ready' =>
  stroke ? 'draw.strokeReady' : tool === 'points' ? 'draw.pointsReady' : 'draw.ready';

/** Options for which a description alone is too little. */
const own: Readonly<
  Record<
    string,
    ComponentType<{ readonly value: unknown; readonly onChange: (value: unknown) => void }> | undefined
  >
> = { tolerance: ToleranceSlider };

/** The tolerance of a freehand stroke, which is seen at once. */
function ToleranceSlider({ value, onChange }: { value: unknown; onChange: (value: unknown) => void }) {
  const { t } = useTranslation();
  return (
    <div className="w-56">
      <SliderField
        label={t('draw.options.tolerance')}
        value={Number(value)}
        least={0.05}
        most={20}
        logarithmic
        shown={(size) => `${shownNumber(size)} mm`}
        onPreview={onChange}
        onChange={onChange}
      />
    </div>
  );
}

/** The row above the figure while something is drawn: what is drawn, its options, and how it ends. */
export function DrawBar({ drawing }: { drawing: Drawing }) {
  const { t } = useTranslation();
  const { tool, options, draft, problem, places } = drawing;
  if (!tool) return null;
  const { options: fields, mirrors, freehand } = tools[tool];
  const chosen = chosenOf(tool, options);
  const firstOf = t as unknown as (keys: readonly string[]) => string;
  const ways = waysOf(tool);
  return (
    <div className="flex min-w-0 flex-1 flex-wrap items-center gap-1.5 py-1" data-draw-bar>
      <strong className="text-[13px]">{t(`draw.tools.${tool}`)}</strong>
      {ways.length > 1 && (
        <Choice
          label={t('draw.givenBy')}
          value={tool}
          choices={ways}
          name={(way) => firstOf([`draw.given.${way}`])}
          onChange={drawing.goOnWith}
        />
      )}
      {Object.entries(fields).map(([key, field]) => {
        const Own = own[key];
        const set = (value: unknown): void => drawing.setOptions({ [key]: value });
        return Own ? (
          <Own key={key} value={chosen[key]} onChange={set} />
        ) : (
          <DescribedField
            key={key}
            // As it is called while drawing, where that is not what the finished shape calls it.
            label={firstOf([`draw.options.${key}`, `details.fields.${tool}.${key}`])}
            field={field}
            value={chosen[key]}
            onChange={set}
            wordFor={(word) => firstOf([`draw.words.${word}`, `details.choices.${word}`])}
          />
        );
      })}
      {mirrors && (
        <Choice
          label={t('draw.mirror')}
          value={options.mirror}
          choices={['none', 'vertical', 'horizontal'] as const}
          name={(value) => t(`draw.mirrors.${value}`)}
          onChange={(mirror) => drawing.setOptions({ mirror })}
        />
      )}
      {mirrors && options.mirror !== 'none' && (
        <ExpressionField
          label={t('draw.mirrorAt')}
          value={options.mirrorAt}
          onChange={(mirrorAt) => drawing.setOptions({ mirrorAt })}
        />
      )}
      {!freehand && (
        <PlaceField
          drawing={drawing}
          onDone={() => document.querySelector<HTMLElement>('[data-draw-layer]')?.focus()}
        />
      )}
      {/* They stay together where the row is full. */}
      <span className="ml-auto flex items-center gap-1.5">
        <Button
          quiet
          disabled={places.length === 0}
          onClick={drawing.removeLast}
          title={t('draw.removeLastHelp')}
        >
          {t('draw.removeLast')}
        </Button>
        <Button primary disabled={draft.status !== 'whole' || problem !== null} onClick={drawing.finish}>
          {t('draw.finish')}
        </Button>
        {/* As wide with either text, so that the row does not break anew, and the figure move, with the first place. */}
        <Button onClick={drawing.cancel} className="min-w-[104px] justify-center">
          {places.length > 0 ? t('draw.forget') : t('draw.away')}
        </Button>
      </span>
    </div>
  );
}

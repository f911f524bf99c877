import { useTold } from '../../text/told.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { aboveZero, insideUnit } from '../../ui/limits.js';
import { WholeField } from '../../ui/WholeField.js';
import { SliderField } from '../../ui/SliderField.js';
import { shownNumber } from '../../text/number.js';
import { PlaceField } from './PlaceField.js';
import { tools, type DrawOptions } from './tools.js';
import type { Drawing } from './useDrawing.js';

/** What is to be done next, or why nothing comes of it, on the figure's upper edge. */
export function DrawLead({ drawing }: { drawing: Drawing }) {
  const { t } = useTranslation();
  const tell = useTold();
  const { tool, options, draft, places } = drawing;
  if (!tool) return null;
  const wrong = drawing.problem ?? drawing.warning;
  const problem = drawing.typed.problem || (wrong && tell(wrong));
  const lead = problem
    ? problem
    : draft.status === 'short'
      ? t('draw.missing', { count: draft.missing })
      : draft.status === 'empty'
        ? t(`draw.leads.${tool}`)
        : places.length < tools[tool].most(options)
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

/** The row above the figure while something is drawn: what is drawn, its options, and how it ends. */
export function DrawBar({ drawing }: { drawing: Drawing }) {
  const { t } = useTranslation();
  const { tool, options, draft, problem, places } = drawing;
  if (!tool) return null;
  // Of an arc between two ends only what belongs to the way in which it is given.
  const isOther = (key: keyof DrawOptions): boolean =>
    tools[tool].uses.includes('arcBy') &&
    (options.arcBy === 'bulge' ? ['radius', 'side', 'large'] : ['bulge']).includes(key);
  const uses = (key: keyof DrawOptions): boolean => tools[tool].uses.includes(key) && !isOther(key);
  return (
    <div className="flex min-w-0 flex-1 flex-wrap items-center gap-1.5 py-1" data-draw-bar>
      <strong className="text-[13px]">{t(`draw.tools.${tool}`)}</strong>
      {uses('degree') && (
        <WholeField
          label={t('draw.degree')}
          is="degree"
          value={options.degree}
          least={1}
          most={9}
          onChange={(degree) => drawing.setOptions({ degree })}
        />
      )}
      {uses('parametrisation') && (
        <Choice
          label={t('draw.parametrisation')}
          value={options.parametrisation}
          choices={['uniform', 'chord', 'centripetal'] as const}
          name={(value) => t(`details.choices.${value}`)}
          onChange={(parametrisation) => drawing.setOptions({ parametrisation })}
        />
      )}
      {uses('layout') && (
        <Choice
          label={t('draw.layout')}
          value={options.layout}
          choices={
            tool === 'circle'
              ? (['quadratic9', 'quadratic7', 'cubic7', 'quintic6', 'periodic', 'cubics'] as const)
              : (['quadratic9', 'quadratic7', 'cubic7', 'quintic6'] as const)
          }
          name={(value) => t(`draw.layouts.${value}`)}
          onChange={(layout) => drawing.setOptions({ layout })}
        />
      )}
      {uses('sides') && (
        <WholeField
          label={t('draw.sides')}
          value={options.sides}
          least={3}
          most={200}
          onChange={(sides) => drawing.setOptions({ sides })}
        />
      )}
      {uses('arcBy') && (
        <Choice
          label={t('draw.arcBy')}
          value={options.arcBy}
          choices={['radius', 'bulge'] as const}
          name={(value) => t(`draw.arcsBy.${value}`)}
          onChange={(arcBy) => drawing.setOptions({ arcBy })}
        />
      )}
      {uses('bulge') && (
        <ExpressionField
          label={t('draw.bulge')}
          value={options.bulge}
          onChange={(bulge) => bulge !== 0 && drawing.setOptions({ bulge })}
        />
      )}
      {uses('radius') && (
        <ExpressionField
          label={t('draw.radius')}
          value={options.radius}
          limits={aboveZero}
          onChange={(radius) => drawing.setOptions({ radius })}
        />
      )}
      {uses('side') && (
        <Choice
          label={t('draw.side')}
          value={options.side}
          choices={['left', 'right'] as const}
          name={(value) => t(`details.choices.${value}`)}
          onChange={(side) => drawing.setOptions({ side })}
        />
      )}
      {uses('large') && (
        <Check
          label={t('draw.large')}
          value={options.large}
          onChange={(large) => drawing.setOptions({ large })}
        />
      )}
      {uses('held') && (
        <Choice
          label={t('draw.held')}
          value={options.held}
          choices={['shoulder', 'tangentIntersection'] as const}
          name={(value) => t(`details.choices.${value}`)}
          onChange={(held) => drawing.setOptions({ held })}
        />
      )}
      {uses('rho') && (
        <ExpressionField
          label="ρ"
          value={options.rho}
          limits={insideUnit}
          onChange={(rho) => drawing.setOptions({ rho })}
        />
      )}
      {uses('tolerance') && (
        <div className="w-56">
          <SliderField
            label={t('draw.tolerance')}
            value={options.tolerance}
            least={0.05}
            most={20}
            logarithmic
            shown={(value) => `${shownNumber(value)} mm`}
            onPreview={(tolerance) => drawing.setOptions({ tolerance })}
            onChange={(tolerance) => drawing.setOptions({ tolerance })}
          />
        </div>
      )}
      {uses('nodeKind') && (
        <Choice
          label={t('draw.nodeKind')}
          value={options.nodeKind}
          choices={['equal', 'aligned', 'corner'] as const}
          name={(value) => t(`details.nodeKinds.${value}`)}
          onChange={(nodeKind) => drawing.setOptions({ nodeKind })}
        />
      )}
      {uses('closed') && (
        <Check
          label={t('draw.closed')}
          value={options.closed}
          onChange={(closed) => drawing.setOptions({ closed })}
        />
      )}
      {uses('mirror') && (
        <Choice
          label={t('draw.mirror')}
          value={options.mirror}
          choices={['none', 'vertical', 'horizontal'] as const}
          name={(value) => t(`draw.mirrors.${value}`)}
          onChange={(mirror) => drawing.setOptions({ mirror })}
        />
      )}
      {uses('mirror') && options.mirror !== 'none' && (
        <ExpressionField
          label={t('draw.mirrorAt')}
          value={options.mirrorAt}
          onChange={(mirrorAt) => drawing.setOptions({ mirrorAt })}
        />
      )}
      {!tools[tool].freehand && (
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

import {
  isCurveItem,
  isShown,
  itemOf,
  looksOf,
  shownOfItems,
  type FigureCommand,
  type FigureItem,
  type Looks,
  type Shown,
} from '@bogen/core/figure';
import type { ReactNode } from 'react';
import { facetsWithin } from '../../figure/paint/drawLooks.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { shownNumber, shownScientific } from '../../text/number.js';
import { patched } from '../../figure/scene/patched.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { Key } from '../../ui/Key.js';
import { aboveZero } from '../../ui/limits.js';
import { Panel } from '../../ui/Panel.js';
import { SliderField } from '../../ui/SliderField.js';
import { shownGroups, shownKeys } from './shownKeys.js';

interface LookPanelProps {
  readonly scene: FigureScene;
  readonly onClose: () => void;
  readonly onConstruction: () => void;
}

/** What is shown, in one place: for the figure, for the one curve, and how it is drawn. */
export function LookPanel({ scene, onClose, onConstruction }: LookPanelProps) {
  const { t } = useTranslation();
  useParts(scene.structured);
  const { document, host } = scene;
  const item = itemOf(document, document.rail.item ?? '');
  const looks = looksOf(document);
  const gridOf = (grid: number): FigureCommand => ({ name: 'setView', view: { ...document.view, grid } });
  const setLooks = (change: Looks): void => host.do({ name: 'setLooks', looks: change });
  const previewLooks = (change: Looks): void => host.preview({ name: 'setLooks', looks: change });
  const slider = (
    key: 'combScale' | 'combDensity' | 'facetTolerance',
    least: number,
    most: number,
    unit: string,
  ) => (
    <SliderField
      label={t(`look.${key}`)}
      value={looks[key]}
      least={least}
      most={most}
      logarithmic
      shown={(value) =>
        `${unit === 'mm' ? '' : unit}${value < 0.1 ? shownNumber(value, 1) : shownNumber(value)}${unit === 'mm' ? ' mm' : ''}`
      }
      onPreview={(value) => previewLooks({ [key]: value })}
      onChange={(value) => {
        host.preview(null);
        setLooks({ [key]: value });
      }}
    />
  );
  const below: Partial<Record<keyof Shown, ReactNode>> = {
    comb: (
      <>
        {slider('combScale', 0.1, 10, '× ')}
        {slider('combDensity', 0.1, 4, '× ')}
      </>
    ),
    facets: (
      <>
        {slider('facetTolerance', 0.005, 20, 'mm')}
        <FacetCount scene={scene} />
      </>
    ),
    construction: (
      <div className="flex flex-wrap items-center gap-2">
        <Choice
          label={t('construction.by')}
          value={looks.construction}
          choices={['deBoor', 'deCasteljau'] as const}
          name={(value) => t(`construction.ways.${value}`)}
          onChange={(construction) => setLooks({ construction })}
        />
        <Button onClick={onConstruction}>{t('construction.numbers')}</Button>
      </div>
    ),
  };
  return (
    <Panel open onClose={onClose} title={t('look.title')} lead={t('look.lead')}>
      {(['curves', 'cursor', 'beside'] as const).map((group) => (
        <section key={group} data-look-group={group}>
          <h3 className="mb-1 flex text-[12px] text-soft">
            <span className="flex-1">{t(`look.groups.${group}`)}</span>
            {group === 'curves' && item && <span>{t('look.onlyHere', { item: item.name })}</span>}
          </h3>
          <ul>
            {shownGroups[group].map((key) => (
              <li key={key} className="min-h-7 py-0.5">
                <div className="flex items-center gap-2">
                  <span className="flex-1">
                    <Check
                      label={t(`writer.shown.${key}`)}
                      value={isShown(document, key)}
                      onChange={(value) => host.do({ name: 'setShown', shown: { [key]: value } })}
                    />
                  </span>
                  <Key>{shownKeys[key]}</Key>
                  {group === 'curves' && item && isCurveItem(item) && shownOfItems.includes(key) && (
                    <OfItem scene={scene} item={item} look={key} />
                  )}
                </div>
                {isShown(document, key, item) && below[key] && (
                  <div className="flex flex-col gap-1 py-1 pl-5">{below[key]}</div>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
      <section>
        <h3 className="mb-1 text-[12px] text-soft">{t('look.groups.basis')}</h3>
        <Check
          label={t('look.basisSum')}
          value={looks.basisSum}
          onChange={(basisSum) => setLooks({ basisSum })}
        />
        <Check
          label={t('look.polynomialBasis')}
          value={looks.polynomialBasis}
          onChange={(polynomialBasis) => setLooks({ polynomialBasis })}
        />
      </section>
      {host.may(gridOf(document.view.grid)) && (
        <section>
          <h3 className="mb-1 text-[12px] text-soft">{t('look.groups.sheet')}</h3>
          <ExpressionField
            label={t('look.grid')}
            value={document.view.grid}
            limits={aboveZero}
            onChange={(grid) => host.do(gridOf(grid))}
          />
        </section>
      )}
    </Panel>
  );
}

const choices = ['figure', 'yes', 'no'] as const;

/** Whether the one curve goes with the figure or differs from it. */
function OfItem({ scene, item, look }: { scene: FigureScene; item: FigureItem; look: keyof Shown }) {
  const { t } = useTranslation();
  const own = item.shown?.[look];
  const set = (value: (typeof choices)[number]): void => {
    const { [look]: _, ...others } = item.shown ?? {};
    const shown: Partial<Shown> = value === 'figure' ? others : { ...others, [look]: value === 'yes' };
    scene.host.do(patched(item, { shown: Object.keys(shown).length > 0 ? shown : undefined }));
  };
  return (
    <select
      aria-label={t('look.ofItem', { look: t(`writer.shown.${look}`), item: item.name })}
      value={own === undefined ? 'figure' : own ? 'yes' : 'no'}
      onChange={(event) => set(event.target.value as (typeof choices)[number])}
      className="h-6 rounded border border-line bg-sheet px-1 text-[12px]"
    >
      {choices.map((choice) => (
        <option key={choice} value={choice}>
          {t(`look.choices.${choice}`)}
        </option>
      ))}
    </select>
  );
}

/** How many facets there are, and how far the curve leaves them. */
function FacetCount({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const curve = scene.railCurve;
  const facets = curve && facetsWithin(curve, looksOf(scene.document).facetTolerance);
  return (
    <p className="text-[12.5px] text-soft" data-facet-count>
      {facets
        ? t('look.facetCount', {
            count: facets.points.length - 1,
            error: shownScientific(facets.chordError),
          })
        : t('look.tooManyFacets')}
    </p>
  );
}

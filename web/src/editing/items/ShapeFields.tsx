import { CurveError, nodeParameters, setNodeKind, setNodeParameter } from '@bogen/core/curve';
import {
  conicHeldBy,
  curveOf,
  shapes,
  type Field,
  type Shape,
  type ShapeItem,
  type ShapeKind,
  type ShapeOf,
} from '@bogen/core/figure';
import { X } from 'lucide-react';
import { useState, type ComponentType } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { IconButton } from '../../ui/IconButton.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { SliderField } from '../../ui/SliderField.js';
import { WholeField } from '../../ui/WholeField.js';
import { CircleLayouts } from './CircleLayouts.js';
import { StrokeFields } from './StrokeFields.js';
import { DescribedField } from '../fields/DescribedField.js';

interface ShapeFieldsProps {
  readonly scene: FigureScene;
  readonly item: ShapeItem;
}

/** What fields of a shape's own are made of. */
interface OwnFieldsProps<OwnShape> {
  readonly scene: FigureScene;
  readonly item: ShapeItem;
  readonly shape: OwnShape;
  readonly onSet: (shape: OwnShape) => void;
  readonly onPreview: (shape: OwnShape) => void;
}

/** Fields that a description alone does not give: they stand above the others, and in place of those that they are for. */
const own: { readonly [Kind in ShapeKind]?: ComponentType<OwnFieldsProps<ShapeOf<Kind>>> } = {
  circle: CircleFields,
  conic: ConicFields,
  chain: ChainFields,
  stroke: StrokeFields,
};
const inOwnFields: { readonly [Kind in ShapeKind]?: readonly string[] } = {
  conic: ['held'],
};

/** The parameters that a given shape keeps of its own, to be changed after it was drawn. */
export function ShapeFields({ scene, item }: ShapeFieldsProps) {
  const { t } = useTranslation();
  const { shape } = item;
  const { kind } = shape;
  const command = (next: Shape) => ({ name: 'setShape', item: item.id, shape: next }) as const;
  const set = (next: Shape): void => {
    scene.host.preview(null);
    scene.host.do(command(next));
  };
  const Own = own[kind] as ComponentType<OwnFieldsProps<Shape>> | undefined;
  const fields = Object.entries(shapes[kind].description.fields as Readonly<Record<string, Field>>).filter(
    ([key]) => key !== 'kind' && !inOwnFields[kind]?.includes(key),
  );
  return (
    <div className="flex flex-col gap-2">
      {Own && (
        <Own
          scene={scene}
          item={item}
          shape={shape}
          onSet={set}
          onPreview={(next) => scene.host.preview(command(next))}
        />
      )}
      <div className="flex flex-wrap items-center gap-2 empty:hidden">
        {fields.map(([key, field]) => (
          <DescribedField
            key={`${kind}/${key}`}
            label={t(`details.fields.${kind}.${key}` as 'details.fields.circle.radius')}
            field={field}
            value={shape[key as keyof Shape]}
            onChange={(value) => set({ ...shape, [key]: value } as Shape)}
            wordFor={(choice) => t(`details.choices.${choice as 'left'}`)}
          />
        ))}
      </div>
    </div>
  );
}

/** How a conic is held, and its rho along a slider that shows what it would be. */
function ConicFields({ scene, item, shape, onSet, onPreview }: OwnFieldsProps<ShapeOf<'conic'>>) {
  const { t } = useTranslation();
  const curve = curveOf(scene.evaluation, item.id);
  return (
    <>
      <Choice
        label={t('details.fields.conic.held')}
        value={shape.held}
        choices={['shoulder', 'tangentIntersection'] as const}
        name={(value) => t(`details.choices.${value}`)}
        onChange={(held) => curve && onSet(conicHeldBy(shape, held, curve))}
      />
      <SliderField
        label={t('details.fields.conic.rho')}
        value={shape.rho}
        least={0.02}
        most={0.98}
        shown={(rho) => `${shownNumber(rho, 1)} ${t(conicName(rho))}`}
        onPreview={(rho) => onPreview({ ...shape, rho })}
        onChange={(rho) => onSet({ ...shape, rho })}
      />
    </>
  );
}

/** What a conic of this rho is. */
function conicName(rho: number): 'draw.conics.ellipse' | 'draw.conics.parabola' | 'draw.conics.hyperbola' {
  if (Math.abs(rho - 0.5) < 1e-9) return 'draw.conics.parabola';
  return rho < 0.5 ? 'draw.conics.ellipse' : 'draw.conics.hyperbola';
}

/** The nodes of a chain: how their handles depend on each other, and which parameter the curve has there. */
function ChainFields({ shape, onSet }: OwnFieldsProps<ShapeOf<'chain'>>) {
  const { t } = useTranslation();
  const [refused, setRefused] = useState<{ index: number; error: unknown } | null>(null);
  const parameters = nodeParameters(shape.chain);
  // The last node of an open chain is its end.
  const last = shape.chain.nodes.length - (shape.chain.closed ? 0 : 1);
  const setParameter = (index: number, parameter: number | undefined): void => {
    try {
      onSet({ ...shape, chain: setNodeParameter(shape.chain, index, parameter) });
      setRefused(null);
    } catch (error) {
      if (!(error instanceof CurveError)) throw error;
      setRefused({ index, error });
    }
  };
  return (
    <>
      <Check
        label={t('details.closed')}
        value={shape.chain.closed}
        onChange={(closed) => onSet({ ...shape, chain: { ...shape.chain, closed } })}
      />
      <ul className="flex flex-col gap-1">
        {shape.chain.nodes.map(({ kind, parameter }, index) => (
          <li key={index} className="flex flex-wrap items-center gap-2" data-node={index}>
            <Choice
              label={t('details.node', { index })}
              value={kind}
              choices={['corner', 'aligned', 'equal'] as const}
              name={(value) => t(`details.nodeKinds.${value}`)}
              onChange={(next) => onSet({ ...shape, chain: setNodeKind(shape.chain, index, next) })}
            />
            {index > 0 && index < last && (
              <ExpressionField
                label={t('details.nodeParameter')}
                value={Number(parameters[index]!.toPrecision(6))}
                onChange={(next) => setParameter(index, next)}
              />
            )}
            {parameter !== undefined && (
              <IconButton
                label={t('details.nodeByChord', { index })}
                onPress={() => setParameter(index, undefined)}
              >
                <X size={14} />
              </IconButton>
            )}
            {refused?.index === index && (
              <ProblemText error={refused.error} className="w-full text-[12.5px]" />
            )}
          </li>
        ))}
      </ul>
      <p className="text-[12.5px] text-soft">{t('details.nodeHelp')}</p>
    </>
  );
}

/** The layout of a circle: one in which it is exact, or an approximation with numbers of its own. */
function CircleFields({ shape, onSet }: OwnFieldsProps<ShapeOf<'circle'>>) {
  const { t } = useTranslation();
  const { layout } = shape;
  const choose = (next: string): void => {
    if (next === 'periodic') onSet({ ...shape, layout: { approximation: next, degree: 3, count: 8 } });
    else if (next === 'cubics') onSet({ ...shape, layout: { approximation: next, pieces: 4 } });
    else onSet({ ...shape, layout: next as typeof layout });
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Choice
        label={t('details.fields.ellipse.layout')}
        value={typeof layout === 'string' ? layout : layout.approximation}
        choices={['quadratic9', 'quadratic7', 'cubic7', 'quintic6', 'periodic', 'cubics'] as const}
        name={(value) =>
          value === 'periodic' || value === 'cubics'
            ? t(`draw.words.${value}`)
            : t(`details.choices.${value}`)
        }
        onChange={choose}
      />
      {typeof layout === 'object' && layout.approximation === 'cubics' && (
        <WholeField
          label={t('details.pieces')}
          value={layout.pieces}
          least={2}
          most={60}
          onChange={(pieces) => onSet({ ...shape, layout: { ...layout, pieces } })}
        />
      )}
      {typeof layout === 'object' && layout.approximation === 'periodic' && (
        <>
          <WholeField
            label={t('details.periodicDegree')}
            is="degree"
            value={layout.degree}
            least={1}
            most={9}
            onChange={(degree) => onSet({ ...shape, layout: { ...layout, degree } })}
          />
          <WholeField
            label={t('details.periodicCount')}
            value={layout.count}
            least={3}
            most={100}
            onChange={(count) => onSet({ ...shape, layout: { ...layout, count } })}
          />
        </>
      )}
      <CircleLayouts shape={shape} onChoose={onSet} />
    </div>
  );
}

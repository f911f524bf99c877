import { setNodeKind } from '@bogen/core/curve';
import { conicHeldBy, curveOf, type Shape, type ShapeItem } from '@bogen/core/figure';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { aboveZero, insideUnit } from '../../ui/limits.js';
import { WholeField } from '../../ui/WholeField.js';
import { SliderField } from '../../ui/SliderField.js';

interface ShapeFieldsProps {
  readonly scene: FigureScene;
  readonly item: ShapeItem;
}

const layouts = ['quadratic9', 'quadratic7', 'cubic7', 'quintic6'] as const;

/** The parameters that a given shape keeps of its own, to be changed after it was drawn. */
export function ShapeFields({ scene, item }: ShapeFieldsProps) {
  const { t } = useTranslation();
  const { shape } = item;
  const command = (next: Shape) => ({ name: 'setShape', item: item.id, shape: next }) as const;
  const set = (next: Shape): void => scene.host.do(command(next));
  const preview = (next: Shape): void => scene.host.preview(command(next));
  const settle = (next: Shape): void => {
    scene.host.preview(null);
    set(next);
  };
  switch (shape.kind) {
    case 'through':
      return (
        <Row>
          <WholeField
            label={t('details.degree')}
            value={shape.degree}
            least={1}
            most={9}
            onChange={(degree) => set({ ...shape, degree })}
          />
          <Choice
            label={t('draw.parametrisation')}
            value={shape.parametrisation}
            choices={['uniform', 'chord', 'centripetal'] as const}
            name={(value) => t(`draw.parametrisations.${value}`)}
            onChange={(parametrisation) => set({ ...shape, parametrisation })}
          />
          <Check
            label={t('details.closed')}
            value={shape.closed}
            onChange={(closed) => set({ ...shape, closed })}
          />
        </Row>
      );
    case 'arcRadius':
      return (
        <Row>
          <ExpressionField
            label={t('details.radius')}
            value={shape.radius}
            limits={aboveZero}
            onChange={(radius) => set({ ...shape, radius })}
          />
          <Choice
            label={t('draw.side')}
            value={shape.side}
            choices={['left', 'right'] as const}
            name={(value) => t(`draw.sidesOfWay.${value}`)}
            onChange={(side) => set({ ...shape, side })}
          />
          <Check
            label={t('details.large')}
            value={shape.large}
            onChange={(large) => set({ ...shape, large })}
          />
        </Row>
      );
    case 'arcBulge':
      return (
        <ExpressionField
          label={t('details.bulge')}
          value={shape.bulge}
          onChange={(bulge) => set({ ...shape, bulge })}
        />
      );
    case 'circle':
      return (
        <Row>
          <ExpressionField
            label={t('details.radius')}
            value={shape.radius}
            limits={aboveZero}
            onChange={(radius) => set({ ...shape, radius })}
          />
          <Choice
            label={t('draw.layout')}
            value={typeof shape.layout === 'string' ? shape.layout : shape.layout.approximation}
            choices={[...layouts, 'periodic', 'cubics'] as const}
            name={(value) => t(`draw.layouts.${value}`)}
            onChange={(layout) =>
              set({
                ...shape,
                layout:
                  layout === 'periodic'
                    ? { approximation: 'periodic', degree: 3, count: 8 }
                    : layout === 'cubics'
                      ? { approximation: 'cubics', pieces: 4 }
                      : layout,
              })
            }
          />
          <LookFields shape={shape} onSet={set} />
        </Row>
      );
    case 'ellipse':
      return (
        <Choice
          label={t('draw.layout')}
          value={shape.layout}
          choices={layouts}
          name={(value) => t(`draw.layouts.${value}`)}
          onChange={(layout) => set({ ...shape, layout })}
        />
      );
    case 'polygon':
      return (
        <WholeField
          label={t('details.sides')}
          value={shape.sides}
          least={3}
          most={200}
          onChange={(sides) => set({ ...shape, sides })}
        />
      );
    case 'conic': {
      const curve = curveOf(scene.evaluation, item.id);
      return (
        <div className="flex flex-col gap-2">
          <Choice
            label={t('draw.heldPlace')}
            value={shape.held}
            choices={['shoulder', 'tangentIntersection'] as const}
            name={(value) => t(`draw.heldBy.${value}`)}
            onChange={(held) => curve && set(conicHeldBy(shape, held, curve))}
          />
          <SliderField
            label={t('details.rho')}
            value={shape.rho}
            least={0.02}
            most={0.98}
            shown={(rho) => `${shownNumber(rho, 3)} ${t(conicName(rho))}`}
            onPreview={(rho) => preview({ ...shape, rho })}
            onChange={(rho) => settle({ ...shape, rho })}
          />
          <ExpressionField
            label={t('details.rho')}
            value={shape.rho}
            limits={insideUnit}
            onChange={(rho) => set({ ...shape, rho })}
          />
        </div>
      );
    }
    case 'chain':
      return (
        <div className="flex flex-col gap-2">
          <Check
            label={t('details.closed')}
            value={shape.chain.closed}
            onChange={(closed) => set({ ...shape, chain: { ...shape.chain, closed } })}
          />
          <ul className="grid grid-cols-2 gap-1">
            {shape.chain.nodes.map(({ kind }, index) => (
              <li key={index}>
                <Choice
                  label={t('details.node', { index })}
                  value={kind}
                  choices={['corner', 'aligned', 'equal'] as const}
                  name={(value) => t(`details.nodeKinds.${value}`)}
                  onChange={(next) => set({ ...shape, chain: setNodeKind(shape.chain, index, next) })}
                />
              </li>
            ))}
          </ul>
        </div>
      );
    case 'stroke':
      return (
        <div className="flex flex-col gap-2">
          <WholeField
            label={t('details.degree')}
            value={shape.degree}
            least={1}
            most={9}
            onChange={(degree) => set({ ...shape, degree })}
          />
          <SliderField
            label={t('details.tolerance')}
            value={shape.tolerance}
            least={0.05}
            most={20}
            logarithmic
            shown={(value) => `${shownNumber(value)} mm`}
            onPreview={() => undefined}
            onChange={(tolerance) => set({ ...shape, tolerance })}
          />
        </div>
      );
    default:
      return null;
  }
}

/** What a conic of this rho is. */
function conicName(rho: number): 'draw.conics.ellipse' | 'draw.conics.parabola' | 'draw.conics.hyperbola' {
  if (Math.abs(rho - 0.5) < 1e-9) return 'draw.conics.parabola';
  return rho < 0.5 ? 'draw.conics.ellipse' : 'draw.conics.hyperbola';
}

/** The numbers of a circle that only looks like one. */
function LookFields({
  shape,
  onSet,
}: {
  shape: Extract<Shape, { kind: 'circle' }>;
  onSet: (shape: Shape) => void;
}) {
  const { t } = useTranslation();
  const { layout } = shape;
  if (typeof layout === 'string') return null;
  if (layout.approximation === 'cubics') {
    return (
      <WholeField
        label={t('details.pieces')}
        value={layout.pieces}
        least={2}
        most={60}
        onChange={(pieces) => onSet({ ...shape, layout: { ...layout, pieces } })}
      />
    );
  }
  return (
    <>
      <WholeField
        label={t('details.periodicDegree')}
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
  );
}

function Row({ children }: { children: React.ReactNode }) {
  return <div className="flex flex-wrap items-center gap-2">{children}</div>;
}

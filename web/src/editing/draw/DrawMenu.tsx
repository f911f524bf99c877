import { distinctPointCount, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, itemOf, type FigureItem, type ShapeOf, type SingleFigureCommand } from '@bogen/core/figure';
import { useState } from 'react';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Popup } from '../../ui/Popup.js';
import { PictureButton } from '../picture/PictureButton.js';
import { referenceNames } from './referenceNames.js';
import { chosenOf, toolNames } from './tools.js';
import type { Drawing } from './useDrawing.js';

interface DrawMenuProps {
  readonly drawing: Drawing;
  readonly scene: FigureScene;
  /** Told when a picture was put behind the drawing. */
  readonly onPicture: (id: string) => void;
}

/** The menu of what can be drawn, and both kinds of curve on the reference points that are there. */
export function DrawMenu({ drawing, scene, onPicture }: DrawMenuProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const { document } = scene;
  const referencePoints = document.items.filter((item) => item.kind === 'point');
  const both = (beside: boolean): void => {
    setOpen(false);
    const ids = referencePoints.map(({ id }) => id);
    const through = chosenOf('through', drawing.options) as Pick<
      ShapeOf<'through'>,
      'degree' | 'parametrisation'
    >;
    const degree = Math.min(through.degree, referencePoints.length - 1);
    const taken = new Set(document.items.map(({ id }) => id));
    const fresh = (base: string): string => {
      let id = base;
      for (let k = 2; taken.has(id); k++) id = `${base}${k}`;
      taken.add(id);
      return id;
    };
    const items: FigureItem[] = [
      {
        id: fresh('onReferencePoints'),
        name: t('draw.names.onReferencePoints'),
        kind: 'built',
        operation: { name: 'curveOnReferencePoints', points: ids, degree, closed: false },
      },
      {
        id: fresh('throughReferencePoints'),
        name: t('draw.names.throughReferencePoints'),
        kind: 'built',
        operation: {
          name: 'curveThroughReferencePoints',
          points: ids,
          degree,
          parametrisation: through.parametrisation,
          closed: false,
        },
      },
    ];
    const commands: SingleFigureCommand[] = items.map((item, index) => ({
      name: 'addItem',
      item,
      at: document.items.length + index,
    }));
    scene.host.do({
      name: 'batch',
      commands: [
        ...commands,
        { name: 'setRail', rail: { ...document.rail, item: items[0]!.id } },
        ...(beside
          ? [
              {
                name: 'setLooks',
                looks: { sideBySide: [items[0]!.id, items[1]!.id], compareWith: items[1]!.id },
              } as const,
            ]
          : []),
      ],
    });
  };
  const onRail = itemOf(document, document.rail.item ?? '');
  const curve = onRail && curveOf(scene.evaluation, onRail.id);
  const source = onRail &&
    curve && { name: onRail.name, points: curve.points.slice(0, distinctPointCount(curve)) };
  const pointsOf = (points: readonly Point[]): void => {
    setOpen(false);
    const name = referenceNames(document.items);
    const taken = new Set<string>();
    const commands = points.map((at, index): SingleFigureCommand => {
      const id = freshId(document, taken);
      taken.add(id);
      return {
        name: 'addItem',
        item: { id, name: name(), kind: 'point', at },
        at: document.items.length + index,
      };
    });
    scene.host.do({ name: 'batch', commands });
  };
  // One more where there are points for it.
  const otherDegree =
    curve && [curve.degree + 1, curve.degree - 1].find((degree) => degree >= 1 && degree <= highest(curve));
  const onSamePoints = ({ id: source, name }: FigureItem, degree: number): void => {
    setOpen(false);
    scene.host.do({
      name: 'addItem',
      item: {
        id: freshId(document),
        name: t('draw.names.otherDegree', { curve: name }).slice(-200),
        kind: 'built',
        operation: { name: 'curveOfDegree', source, degree },
      },
      at: document.items.length,
    });
  };
  return (
    <Popup
      label={t('draw.draw')}
      open={open}
      onOpen={setOpen}
      className="grid w-[700px] max-w-full grid-cols-2 gap-x-3 gap-y-0.5 p-2 md:grid-cols-3"
      trigger={<Button>{t('draw.draw')}</Button>}
    >
      {toolNames.map((name) => (
        <button
          key={name}
          type="button"
          className="flex flex-col items-start justify-start rounded-md px-2 py-1 text-left hover:bg-tint"
          onClick={() => {
            setOpen(false);
            drawing.begin(name);
          }}
        >
          <span className="block text-[13px] font-medium">{t(`draw.tools.${name}`)}</span>
          <span className="block text-[12px] leading-snug text-soft">{t(`draw.leads.${name}`)}</span>
        </button>
      ))}
      <Row
        title={t('draw.both')}
        lead={
          referencePoints.length < 2
            ? t('draw.bothMissing')
            : t('draw.bothLead', { count: referencePoints.length })
        }
        disabled={referencePoints.length < 2}
        onPress={() => both(false)}
      />
      <Row
        title={t('draw.bothBeside')}
        lead={referencePoints.length < 2 ? t('draw.bothMissing') : t('draw.bothBesideLead')}
        disabled={referencePoints.length < 2}
        onPress={() => both(true)}
      />
      {source && (
        <Row
          title={t('draw.referencePointsOfCurve', { curve: source.name })}
          lead={t('draw.referencePointsOfCurveLead', { count: source.points.length })}
          onPress={() => pointsOf(source.points)}
        />
      )}
      {onRail && curve && otherDegree !== undefined && (
        <Row
          title={t('draw.otherDegree', { curve: onRail.name })}
          lead={t('draw.otherDegreeLead', { degree: otherDegree })}
          onPress={() => onSamePoints(onRail, otherDegree)}
        />
      )}
      <PictureButton
        scene={scene}
        className="rounded-md px-2 py-1 text-left hover:bg-tint disabled:opacity-50"
        onAdded={(id) => {
          setOpen(false);
          onPicture(id);
        }}
      />
    </Popup>
  );
}

/** The highest degree that a curve's control points carry. */
const highest = (curve: Curve): number => Math.min(9, distinctPointCount(curve) - 1);

function Row({
  title,
  lead,
  disabled = false,
  onPress,
}: {
  title: string;
  lead: string;
  disabled?: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      disabled={disabled}
      className="flex flex-col items-start justify-start rounded-md px-2 py-1 text-left hover:bg-tint disabled:opacity-50"
      onClick={onPress}
    >
      <span className="block text-[13px] font-medium">{title}</span>
      <span className="block text-[12px] leading-snug text-soft">{lead}</span>
    </button>
  );
}

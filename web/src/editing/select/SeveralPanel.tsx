import { pointAt, type Point } from '@bogen/core/curve';
import {
  boxOf,
  displacement,
  gripPlace,
  moveGrips,
  rotation,
  scaling,
  translation,
  type FigureCommand,
  type Grip,
  type PlaneMap,
} from '@bogen/core/figure';
import { useEffect, useMemo, useRef, useState, type FormEvent } from 'react';
import { gripsOf } from '../../figure/scene/gripsNear.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { Panel } from '../../ui/Panel.js';

const ways = ['by', 'towards', 'to', 'scale', 'size', 'turn'] as const;
type Way = (typeof ways)[number];
const abouts = ['middle', 'first', 'cursor', 'origin', 'typed'] as const;
type About = (typeof abouts)[number];

/** Nothing changes by less than this share of a unit. */
const dust = 1e-9;
const tidy = (value: number): number => Math.round(value / dust) * dust;

interface Numbers {
  readonly x: number;
  readonly y: number;
  readonly distance: number;
  readonly direction: number;
  readonly factor: number;
  readonly factorY: number;
  readonly width: number;
  readonly height: number;
  readonly angle: number;
  readonly centreX: number;
  readonly centreY: number;
}

/** The selected points moved, scaled and turned by exact numbers, with a preview in the figure. */
export function SeveralPanel({ scene, onClose }: { scene: FigureScene; onClose: () => void }) {
  const { t } = useTranslation();
  useParts(scene.structured, scene.selected);
  const { host } = scene;
  const { grips: selection } = scene.selected;
  const places = (): Point[] =>
    selection.flatMap((grip) => {
      const at = gripPlace(scene.document, scene.evaluation, grip);
      return at ? [at] : [];
    });
  const [start, setStart] = useState(() => startOf(scene, selection));
  const [way, setWay] = useState<Way>('by');
  const [about, setAbout] = useState<About>('middle');
  const [kept, setKept] = useState(true);
  const [numbers, setNumbers] = useState<Numbers>(() => firstNumbers(start));
  // Another selection, or one that was moved meanwhile, begins anew.
  useEffect(() => {
    const again = (): void => {
      const next = startOf(scene, selection);
      setStart(next);
      setNumbers(firstNumbers(next));
    };
    again();
    return scene.onRest(() => {
      if (scene.document !== startDocument.current) again();
    });
  }, [scene, selection]);
  const startDocument = useRef(start.document);
  useEffect(() => {
    startDocument.current = start.document;
  }, [start]);
  const map = useMemo(() => {
    const centre = centreOf(scene, start, about, numbers);
    return mapOf(way, numbers, kept, centre, start);
  }, [scene, start, about, way, numbers, kept]);
  const command = useMemo<FigureCommand | undefined>(
    () => (map ? moveGrips(start.document, selection, map, tidy) : undefined),
    [map, start, selection],
  );
  useEffect(() => {
    host.preview(command ?? null);
  }, [host, command]);
  useEffect(() => () => host.preview(null), [host]);

  const set = (change: Partial<Numbers>): void => setNumbers((before) => ({ ...before, ...change }));
  const apply = (event: FormEvent): void => {
    event.preventDefault();
    host.preview(null);
    if (!command) return;
    host.do(command);
    const next = startOf(scene, selection);
    setStart(next);
    setNumbers(firstNumbers(next));
  };
  const field = (key: keyof Numbers, label: string) => (
    <ExpressionField
      key={key}
      label={label}
      value={numbers[key]}
      onChange={(value) => set({ [key]: value })}
    />
  );
  const box = boxOf(places());
  return (
    <Panel
      open
      onClose={onClose}
      title={t('select.title', { count: selection.length })}
      lead={selection.length > 0 ? t('select.lead') : t('select.none')}
    >
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => scene.selected.select(gripsOf(scene))}>{t('select.all')}</Button>
        <Button disabled={selection.length === 0} onClick={() => scene.selected.select([])}>
          {t('select.clear')}
        </Button>
      </div>
      {selection.length > 0 && box && (
        <form onSubmit={apply} className="flex flex-col gap-3" data-several-panel>
          <Choice
            label={t('select.way')}
            value={way}
            choices={ways}
            name={(value) => t(`select.ways.${value}`)}
            onChange={(next) => {
              setWay(next);
              setNumbers(firstNumbers(start));
            }}
          />
          <div className="flex flex-wrap items-center gap-2">
            {way === 'by' && [field('x', t('select.fields.dx')), field('y', t('select.fields.dy'))]}
            {way === 'towards' && [
              field('distance', t('select.fields.distance')),
              field('direction', t('select.fields.direction')),
            ]}
            {way === 'to' && [field('centreX', t('select.fields.x')), field('centreY', t('select.fields.y'))]}
            {way === 'scale' && field('factor', t('select.fields.factor'))}
            {way === 'scale' && !kept && field('factorY', t('select.fields.factorY'))}
            {way === 'size' && [
              <ExpressionField
                key="width"
                label={t('select.fields.width')}
                value={numbers.width}
                onChange={(width) =>
                  set({
                    width,
                    ...(kept && start.width > 0 ? { height: (width / start.width) * start.height } : {}),
                  })
                }
              />,
              <ExpressionField
                key="height"
                label={t('select.fields.height')}
                value={numbers.height}
                onChange={(height) =>
                  set({
                    height,
                    ...(kept && start.height > 0 ? { width: (height / start.height) * start.width } : {}),
                  })
                }
              />,
            ]}
            {way === 'turn' && field('angle', t('select.fields.angle'))}
          </div>
          {(way === 'scale' || way === 'size') && (
            <Check label={t('select.proportion')} value={kept} onChange={setKept} />
          )}
          {(way === 'scale' || way === 'turn' || way === 'size') && (
            <div className="flex flex-wrap items-center gap-2">
              <Choice
                label={t('select.about')}
                value={about}
                choices={abouts}
                name={(value) => t(`select.abouts.${value}`)}
                onChange={setAbout}
              />
              {about === 'typed' && [
                field('centreX', t('select.fields.centreX')),
                field('centreY', t('select.fields.centreY')),
              ]}
            </div>
          )}
          <p>
            <Button primary type="submit" disabled={!command}>
              {t('select.apply')}
            </Button>
          </p>
        </form>
      )}
    </Panel>
  );
}

/** The selection as it was when its numbers were begun. */
interface Start {
  readonly document: FigureScene['document'];
  readonly middle: Point;
  readonly first: Point;
  readonly width: number;
  readonly height: number;
}

function startOf(scene: FigureScene, selection: readonly Grip[]): Start {
  scene.host.preview(null);
  const document = scene.host.read();
  const places = selection.flatMap((grip) => {
    const at = gripPlace(document, scene.evaluation, grip);
    return at ? [at] : [];
  });
  const { low, high } = boxOf(places) ?? { low: [0, 0], high: [0, 0] };
  return {
    document,
    middle: [(low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2],
    first: places[0] ?? [0, 0],
    width: high[0]! - low[0]!,
    height: high[1]! - low[1]!,
  };
}

function firstNumbers({ middle, width, height }: Start): Numbers {
  return {
    x: 0,
    y: 0,
    distance: 0,
    direction: 0,
    factor: 1,
    factorY: 1,
    width,
    height,
    angle: 0,
    centreX: middle[0]!,
    centreY: middle[1]!,
  };
}

function centreOf(scene: FigureScene, start: Start, about: About, numbers: Numbers): Point {
  if (about === 'middle') return start.middle;
  if (about === 'first') return start.first;
  if (about === 'typed') return [numbers.centreX, numbers.centreY];
  const curve = scene.railCurve;
  return about === 'cursor' && curve ? pointAt(curve, scene.cursor) : [0, 0];
}

/** What the numbers come to; `undefined` where they change nothing or can't be. */
function mapOf(way: Way, n: Numbers, kept: boolean, centre: Point, start: Start): PlaneMap | undefined {
  switch (way) {
    case 'by':
      return n.x === 0 && n.y === 0 ? undefined : translation(n.x, n.y);
    case 'towards':
      return n.distance === 0 ? undefined : translation(...displacement(n.distance, n.direction));
    case 'to': {
      const [dx, dy] = [n.centreX - start.middle[0]!, n.centreY - start.middle[1]!];
      return dx === 0 && dy === 0 ? undefined : translation(dx, dy);
    }
    case 'scale': {
      const factorY = kept ? n.factor : n.factorY;
      if (n.factor === 0 || factorY === 0 || (n.factor === 1 && factorY === 1)) return undefined;
      return scaling(centre, n.factor, factorY);
    }
    case 'size': {
      const factorX = start.width > 0 ? n.width / start.width : 1;
      const factorY = start.height > 0 ? n.height / start.height : 1;
      if (!(factorX > 0 && factorY > 0) || (factorX === 1 && factorY === 1)) return undefined;
      return scaling(centre, factorX, factorY);
    }
    case 'turn':
      return n.angle % 360 === 0 ? undefined : rotation(centre, n.angle);
  }
}

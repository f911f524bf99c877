import { domainOf, type Construction } from '@bogen/core/curve';
import { curveIndex, looksOf, type FigureDocument, type Looks } from '@bogen/core/figure';
import { aboutCurve } from '@bogen/core/lesson';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { blossomText, constructionAt } from '../../figure/paint/drawConstruction.js';
import { letterOf } from '../../figure/scene/names.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { Formula } from '../../sheet/Formula.js';
import { counted } from '../../text/notation.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Check, Choice } from '../../ui/Choice.js';
import { Panel } from '../../ui/Panel.js';
import { SliderField } from '../../ui/SliderField.js';
import { recursionOf } from './recursion.js';

/** An entry of the triangle: point `index` of level `level`. */
interface Entry {
  readonly level: number;
  readonly index: number;
}

/**
 * The construction of the point at the cursor as its triangle of numbers, in step with the figure: each
 * entry lights up its point and its two parents, and the chosen one is written out.
 */
export function ConstructionPanel({ scene, onClose }: { scene: FigureScene; onClose: () => void }) {
  const { t } = useTranslation();
  useSyncExternalStore(scene.drawn.subscribe, () => scene.document);
  const u = useSyncExternalStore(scene.axis.subscribe, () => scene.cursor);
  const [pointed, setPointed] = useState<Entry | null>(null);
  const [chosen, setChosen] = useState<Entry | null>(null);
  const curve = scene.railCurve;
  const looks = looksOf(scene.document);
  const construction = curve && constructionAt(scene.document, curve, u);
  const last = construction ? construction.levels.length - 1 : 0;
  const shown = chosen && chosen.level <= last ? chosen : { level: last, index: 0 };
  const entry = pointed ?? shown;

  useEffect(() => {
    scene.pointed.setHighlight(construction ? highlightOf(construction, entry) : null);
  });
  useEffect(() => () => scene.pointed.setHighlight(null), [scene]);

  if (!curve) return null;
  const setLooks = (change: Looks): void => scene.host.do({ name: 'setLooks', looks: change });
  const [start, end] = domainOf(curve.knots, curve.degree);
  return (
    <Panel
      open
      onClose={onClose}
      title={t('construction.title', { u: shownNumber(u, 1) })}
      lead={t('construction.lead')}
    >
      <Choice
        label={t('construction.by')}
        value={looks.construction}
        choices={['deBoor', 'deCasteljau'] as const}
        name={(value) => t(`construction.ways.${value}`)}
        onChange={(way) => setLooks({ construction: way })}
      />
      <SliderField
        label={t('construction.parameter')}
        value={u}
        least={start}
        most={end}
        shown={(value) => shownNumber(value, 1)}
        onPreview={(value) => scene.axis.moveCursor(value)}
        onChange={(value) => scene.axis.moveCursor(value)}
      />
      <SliderField
        label={t('construction.levels')}
        value={Math.min(last, looks.constructionLevels)}
        least={0}
        most={last}
        whole
        shown={String}
        onPreview={(constructionLevels) =>
          scene.host.preview({ name: 'setLooks', looks: { constructionLevels } })
        }
        onChange={(constructionLevels) => {
          scene.host.preview(null);
          setLooks({ constructionLevels });
        }}
      />
      <Check
        label={t('construction.blossoms')}
        value={looks.blossoms}
        onChange={(blossoms) => setLooks({ blossoms })}
      />
      {!construction && <p className="text-[13px] text-bad">{t('construction.atInfinity')}</p>}
      {construction && (
        <Triangle
          construction={construction}
          letter={letterOf(scene.document, scene.document.rail.item ?? '', 'controlPoints')}
          blossoms={looks.blossoms}
          entry={entry}
          onPoint={setPointed}
          onChoose={setChosen}
        />
      )}
      {construction && (
        <Written
          document={scene.document}
          construction={construction}
          entry={entry}
          rational={curve.weights !== undefined}
        />
      )}
    </Panel>
  );
}

/** The point of an entry with its two parents and the line between them. */
function highlightOf({ levels }: Construction, { level, index }: Entry) {
  const own = levels[level]?.[index];
  if (!own) return null;
  const parents = level > 0 ? [levels[level - 1]![index]!, levels[level - 1]![index + 1]!] : [];
  return {
    places: [own, ...parents].map(({ point }) => point),
    lines: parents.length > 0 ? [[parents[0]!.point, parents[1]!.point] as const] : [],
  };
}

interface TriangleProps {
  readonly construction: Construction;
  /** That of the curve's control points. */
  readonly letter: string;
  readonly blossoms: boolean;
  readonly entry: Entry;
  readonly onPoint: (entry: Entry | null) => void;
  readonly onChoose: (entry: Entry) => void;
}

/** The levels as columns; an entry stands between its two parents. */
function Triangle({ construction, letter, blossoms, entry, onPoint, onChoose }: TriangleProps) {
  const { t } = useTranslation();
  const { levels, first, parameter } = construction;
  const rows = 2 * levels[0]!.length - 1;
  return (
    <div className="-mx-4 overflow-x-auto px-1 pb-1" onPointerLeave={() => onPoint(null)} data-construction>
      <div
        role="group"
        className="grid w-max gap-x-1"
        style={{
          gridTemplateColumns: `repeat(${levels.length}, auto)`,
          gridTemplateRows: `repeat(${rows}, 17px)`,
        }}
      >
        {levels.map((level, r) =>
          level.map(({ point, label, weight }, j) => {
            const isEntry = entry.level === r && entry.index === j;
            const isParent = entry.level === r + 1 && (entry.index === j || entry.index + 1 === j);
            const [x, y] = [shownNumber(point[0]!), shownNumber(point[1]!)];
            return (
              <button
                key={`${r}/${j}`}
                type="button"
                aria-pressed={isEntry}
                aria-label={t('construction.entry', { level: r, index: j, x, y })}
                data-entry={`${r}/${j}`}
                className={`rounded px-1 text-right font-mono text-[10.5px] leading-[15px] whitespace-nowrap ${
                  isEntry ? 'bg-accent text-on-accent' : isParent ? 'bg-tint' : 'hover:bg-tint'
                }`}
                style={{
                  gridColumn: r + 1,
                  gridRow: `${r + 2 * j + 1} / span 2`,
                  alignSelf: 'start',
                  height: 32,
                }}
                title={
                  weight === 1 ? undefined : t('construction.weight', { weight: shownNumber(weight, 2) })
                }
                onPointerEnter={() => onPoint({ level: r, index: j })}
                onFocus={() => onPoint({ level: r, index: j })}
                onBlur={() => onPoint(null)}
                onClick={() => onChoose({ level: r, index: j })}
              >
                {blossoms && <span className="block">{blossomText(label, parameter)}</span>}
                <span className="block">
                  {r === 0 ? `${letter}${counted(first + j)}  ` : ''}
                  {x}, {y}
                </span>
              </button>
            );
          }),
        )}
      </div>
    </div>
  );
}

/** How one entry is calculated, with the numbers in it. */
function Written({
  document,
  construction,
  entry,
  rational,
}: {
  document: FigureDocument;
  construction: Construction;
  entry: Entry;
  rational: boolean;
}) {
  const { t } = useTranslation();
  const tex = recursionOf(construction, entry.level, entry.index, rational);
  const curve = curveIndex(document, document.rail.item ?? '');
  return (
    <div className="min-h-16 overflow-x-auto text-[14px]" data-recursion>
      {tex === null ? (
        <p className="text-soft">{t('construction.given')}</p>
      ) : (
        <Formula latex={aboutCurve(tex, curve)} block />
      )}
    </div>
  );
}

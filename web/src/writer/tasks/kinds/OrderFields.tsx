import { curveOf, evaluateFigure, isCurveItem, measured, type Measure } from '@bogen/core/figure';
import { isMeasuredOrder, numberOf, taskLimits, type OrderEntry } from '@bogen/core/lesson';
import { GripVertical, Plus, Ruler, X } from 'lucide-react';
import { valueText } from '../../../live/liveText.js';
import { useTranslation } from '../../../text/text.js';
import { Button } from '../../../ui/Button.js';
import { IconButton } from '../../../ui/IconButton.js';
import { SortableList, useSortableRow } from '../../../ui/SortableList.js';
import { measureOffers } from '../../prose/offers.js';
import { PickList } from '../../prose/PickList.js';
import { LightsField } from '../LightsField.js';
import { TypedText } from '../TypedText.js';
import type { TaskFieldsProps } from '../editing.js';

/** What is to be put in order: as it stands here, or the figure's curves by something that is measured of each. */
export function OrderFields(props: TaskFieldsProps<'order'>) {
  const { task, start, scene, onChange } = props;
  const { t } = useTranslation();
  const { entries } = task;
  const isMeasured = isMeasuredOrder(task);
  const withEntries = (change: (entries: readonly OrderEntry[]) => readonly OrderEntry[]): void =>
    onChange((now) => ({ ...now, entries: change(now.entries) }));
  return (
    <div className="mt-1 flex flex-col gap-1.5 text-[13px]">
      <p className="text-[12.5px] text-soft">{t(isMeasured ? 'task.byMeasure' : 'task.asHere')}</p>
      <SortableList
        ids={entries.map((_, index) => String(index))}
        direction="down"
        onMove={(id, to) =>
          withEntries((now) => {
            const next = [...now];
            const [moved] = next.splice(Number(id), 1);
            next.splice(to, 0, moved!);
            return next;
          })
        }
      >
        <ol className="flex flex-col gap-1">
          {entries.map((entry, index) => (
            <Row key={index} {...props} entry={entry} index={index} isMeasured={isMeasured} />
          ))}
        </ol>
      </SortableList>
      <div className="flex flex-wrap items-center gap-2">
        {entries.length < taskLimits.entries && (
          <Button
            quiet
            className="-ml-2.5"
            onClick={() => withEntries((now) => [...now.map(withoutMeasure), { text: '' }])}
          >
            <Plus size={14} /> {t('task.addEntry')}
          </Button>
        )}
        <PickList<Measure>
          label={t('task.curvesBy')}
          lead={t('task.curvesByLead')}
          icon={
            <>
              <Ruler size={14} /> {t('task.curvesBy')}
            </>
          }
          scene={scene}
          offers={(now) => measureOffers(now).filter((offer) => ranksCurves(offer) && isNumber(offer, start))}
          text={(measure) => nameOfRank(measure, t)}
          onChoose={(measure) =>
            onChange((now) => ({
              ...now,
              entries: start.items
                .filter(
                  (item) => isCurveItem(item) && !item.hidden && curveOf(evaluateFigure(start), item.id),
                )
                .slice(0, taskLimits.entries)
                .map(({ id, name }) => ({
                  text: name,
                  lights: [{ of: 'item', item: id }],
                  measure: { ...measure, item: id },
                })),
            }))
          }
        />
      </div>
    </div>
  );
}

const withoutMeasure = ({ measure: _, ...entry }: OrderEntry): OrderEntry => entry;

/** What can be measured of every curve alike, and not of one point or knot of it. */
const ranksCurves = ({ of }: Measure): boolean => of === 'fact' || of === 'smoothness';

const isNumber = (measure: Measure, document: TaskFieldsProps<'order'>['start']): boolean =>
  numberOf(measured(measure, { document, evaluation: evaluateFigure(document), cursor: 0 })) !== undefined;

function nameOfRank(measure: Measure, t: ReturnType<typeof useTranslation>['t']): string {
  return measure.of === 'fact' ? t(`facts.names.${measure.fact}`) : t('task.smoothness');
}

function Row({
  edited,
  scene,
  start,
  onChange,
  entry,
  index,
  isMeasured,
}: TaskFieldsProps<'order'> & { entry: OrderEntry; index: number; isMeasured: boolean }) {
  const { t } = useTranslation();
  const { row, style, grip, gripRef } = useSortableRow(String(index), isMeasured);
  const value =
    entry.measure &&
    measured(entry.measure, { document: start, evaluation: evaluateFigure(start), cursor: 0 });
  const set = (change: (now: OrderEntry) => OrderEntry): void =>
    onChange((now) => {
      const before = now.entries[index];
      return before ? { ...now, entries: now.entries.with(index, change(before)) } : now;
    });
  return (
    <li ref={row} style={style} className="flex items-center gap-1.5 bg-sheet" data-entry-row>
      {!isMeasured && (
        <button
          ref={gripRef}
          type="button"
          {...grip}
          aria-label={t('task.dragEntry', { number: index + 1 })}
          className="grid h-6 w-5 shrink-0 cursor-grab touch-none place-items-center rounded text-strong"
        >
          <GripVertical aria-hidden size={13} />
        </button>
      )}
      <TypedText
        edited={edited}
        line
        label={t('task.entry', { number: index + 1 })}
        value={entry.text}
        most={taskLimits.choiceLength}
        className="flex-1 text-[14px]"
        onChange={(text) => set((now) => ({ ...now, text }))}
      />
      {value && <span className="font-mono text-[12px] text-soft">{valueText(value, 3)}</span>}
      <LightsField
        scene={scene}
        lights={entry.lights}
        onChange={(next) => set(({ lights: _, ...now }) => (next ? { ...now, lights: next } : now))}
      />
      <IconButton
        label={t('task.removeEntry', { number: index + 1 })}
        onPress={() => onChange((now) => ({ ...now, entries: now.entries.toSpliced(index, 1) }))}
      >
        <X size={14} />
      </IconButton>
    </li>
  );
}

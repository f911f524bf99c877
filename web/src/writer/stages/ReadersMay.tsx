import { allow, forbid, type Allowance, type FigureDocument } from '@bogen/core/figure';
import { X } from 'lucide-react';
import { useState, useSyncExternalStore } from 'react';
import { allowanceText, mayRows, type MayRow } from '../../editing/freedoms/freedomText.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Choice } from '../../ui/Choice.js';
import { IconButton } from '../../ui/IconButton.js';
import { Popup } from '../../ui/Popup.js';
import { LetMore } from './LetMore.js';

/** How often an operation can be let be used, where it is counted. */
const mostTimes = 20;

interface ReadersMayProps {
  readonly scene: FigureScene;
  /** What readers would have to be let do, to do what was just done here. */
  readonly gesture: Allowance | null;
  /** Called when they are let. */
  readonly onLet: () => void;
}

/** What readers may do at a stage, as sentences; more is said by doing it, or chosen from a list. */
export function ReadersMay({ scene, gesture, onLet }: ReadersMayProps) {
  const { t } = useTranslation();
  // Sentences need not follow the hand.
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const [open, setOpen] = useState(false);
  const rows = mayRows(document, t);
  return (
    <div className="flex flex-wrap items-baseline gap-x-2 gap-y-0.5" data-readers-may>
      <span className="font-semibold">{t('freedoms.may')}</span>
      <span className="min-w-0 flex-1">
        {rows.length === 0 ? t('freedoms.nothing') : rows.map(({ text }) => text).join(' · ')}
      </span>
      {gesture && (
        <span className="text-soft">
          {t('freedoms.letThis')}{' '}
          <button
            type="button"
            className="text-accent underline underline-offset-4"
            onClick={() => {
              scene.host.letReaders?.(gesture);
              onLet();
            }}
            data-let-this
          >
            {allowanceText(gesture, document, t)}
          </button>
        </span>
      )}
      <Popup
        label={t('freedoms.may')}
        open={open}
        onOpen={setOpen}
        trigger={
          <button type="button" className="text-accent underline-offset-4 hover:underline">
            {t('freedoms.letMore')}
          </button>
        }
      >
        {open && (
          <div className="flex w-[400px] max-w-full flex-col gap-3 text-[13px]" data-let-more>
            <MayList scene={scene} document={document} rows={rows} />
            <LetMore scene={scene} />
          </div>
        )}
      </Popup>
    </div>
  );
}

/** The sentences one by one, each to be taken back; an operation says how often. */
function MayList({
  scene,
  document,
  rows,
}: {
  scene: FigureScene;
  document: FigureDocument;
  rows: readonly MayRow[];
}) {
  const { t } = useTranslation();
  const takeBack = ({ freedom, points }: MayRow): void => {
    if (points) scene.host.do({ name: 'setLoose', ...points, indices: [] });
    else if (freedom) scene.host.do(forbid(document, document.readersMay!.indexOf(freedom)));
  };
  return (
    <section>
      <h3 className="font-semibold">{t('freedoms.may')}</h3>
      {rows.length === 0 && <p className="text-soft">{t('freedoms.nothing')}</p>}
      <ul>
        {rows.map((row) => (
          <li key={row.text} className="flex items-center gap-2 py-0.5">
            <span className="flex-1">{row.text}</span>
            {row.freedom?.kind === 'operation' && (
              <Choice
                label={t('freedoms.howOften')}
                value={String(row.freedom.most ?? '')}
                choices={['', ...Array.from({ length: mostTimes }, (_, k) => String(k + 1))]}
                name={(most) =>
                  most === '' ? t('freedoms.asOften') : t('freedoms.times', { count: Number(most) })
                }
                onChange={(next) => {
                  const { most: _, ...rest } = row.freedom as Extract<Allowance, { kind: 'operation' }>;
                  scene.host.do(allow(document, next === '' ? rest : { ...rest, most: Number(next) }));
                }}
              />
            )}
            <IconButton label={t('freedoms.forbid', { what: row.text })} onPress={() => takeBack(row)}>
              <X size={14} />
            </IconButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

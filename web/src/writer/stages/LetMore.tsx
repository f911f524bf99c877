import {
  canHaveHandles,
  isCurveItem,
  itemOf,
  offeredOperations,
  operations,
  shownKeys,
  trackNames,
  type Allowance,
  type FigureItem,
  type Freedom,
} from '@bogen/core/figure';
import { useState } from 'react';
import { isFound } from '../../ui/isFound.js';
import { allowanceText, operationName } from '../../editing/freedoms/freedomText.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { SearchField } from '../../ui/SearchField.js';

/** What else readers can be let do: with one item, with operations on it, and with what is shown. */
export function LetMore({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const { document } = scene;
  const [chosen, setChosen] = useState(document.rail.item ?? document.items[0]?.id ?? '');
  const [typed, setTyped] = useState('');
  const item = itemOf(document, chosen) ?? document.items[0];
  const let_ = (allowance: Allowance): void => scene.host.letReaders?.(allowance);
  const freedomOf = <Kind extends Freedom['kind']>(kind: Kind) =>
    document.readersMay?.find(
      (freedom): freedom is Extract<Freedom, { kind: Kind }> => freedom.kind === kind,
    );
  /** Switches one of the words of a list that a freedom holds. */
  const replace = (freedom: Freedom, isEmpty: boolean): void => {
    const others = (document.readersMay ?? []).filter(({ kind }) => kind !== freedom.kind);
    scene.host.do({ name: 'setReadersMay', freedoms: isEmpty ? others : [...others, freedom] });
  };
  const looks = freedomOf('looks')?.keys ?? [];
  const tracks = freedomOf('tracks')?.tracks ?? [];
  const found = offeredOperations.filter(
    (name) => !operations[name].beside && typed.trim() !== '' && isFound(operationName(name, t), typed),
  );
  return (
    <>
      {item && (
        <section className="flex flex-col gap-1">
          {document.items.length > 1 ? (
            <Choice
              label={t('details.item')}
              value={item.id}
              choices={document.items.filter(({ kind }) => kind !== 'picture').map(({ id }) => id)}
              name={(id) => itemOf(document, id)?.name ?? id}
              onChange={setChosen}
            />
          ) : (
            <h3 className="font-semibold">{t('freedoms.ofCurve', { item: item.name })}</h3>
          )}
          <div className="flex flex-wrap gap-1">
            {item.kind === 'curve' &&
              (['controlPoints', 'editPoints'] as const).map((of) => (
                <Button
                  key={of}
                  onClick={() =>
                    scene.host.do({
                      name: 'setLoose',
                      item: item.id,
                      of,
                      indices: item.curve.points.map((_, index) => index),
                    })
                  }
                >
                  {t(`freedoms.allPoints_${of}`, { item: item.name })}
                </Button>
              ))}
            {offersOf(item).map((freedom) => (
              <Button key={freedom.kind} onClick={() => let_(freedom)}>
                {freedom.kind === 'weights'
                  ? t('freedoms.allWeights', { item: item.name })
                  : allowanceText(freedom, document, t)}
              </Button>
            ))}
          </div>
        </section>
      )}
      {item && isCurveItem(item) && (
        <section className="flex flex-col gap-1">
          <h3 className="font-semibold">{t('freedoms.operations', { item: item.name })}</h3>
          <SearchField label={t('change.find')} value={typed} onChange={setTyped} onEnter={() => undefined} />
          <div className="flex flex-wrap gap-1">
            {found.slice(0, 8).map((name) => (
              <Button key={name} onClick={() => let_({ kind: 'operation', operation: name, item: item.id })}>
                {operationName(name, t)}
              </Button>
            ))}
          </div>
        </section>
      )}
      <section>
        <h3 className="font-semibold">{t('freedoms.looks')}</h3>
        <div className="grid max-h-[120px] grid-cols-2 gap-x-3 overflow-y-auto">
          {shownKeys.map((key) => (
            <Check
              key={key}
              label={t(`writer.shown.${key}`)}
              value={looks.includes(key)}
              onChange={(on) => {
                const keys = on ? [...looks, key] : looks.filter((other) => other !== key);
                replace({ kind: 'looks', keys }, keys.length === 0);
              }}
            />
          ))}
        </div>
      </section>
      <section>
        <h3 className="font-semibold">{t('freedoms.tracks')}</h3>
        <div className="grid grid-cols-3 gap-x-3">
          {trackNames.map((name) => (
            <Check
              key={name}
              label={t(`rail.tracks.${name}.name`)}
              value={tracks.includes(name)}
              onChange={(on) => {
                const names = on ? [...tracks, name] : tracks.filter((other) => other !== name);
                replace({ kind: 'tracks', tracks: names }, names.length === 0);
              }}
            />
          ))}
        </div>
      </section>
    </>
  );
}

/** The freedoms that an item can have by itself. */
function offersOf(item: FigureItem): readonly Freedom[] {
  const { id } = item;
  switch (item.kind) {
    case 'curve':
      return [
        { kind: 'knots', item: id },
        { kind: 'weights', item: id, indices: item.curve.points.map((_, index) => index) },
        { kind: 'degree', item: id, least: 1, most: Math.max(1, Math.min(9, item.curve.points.length - 1)) },
      ];
    case 'shape':
      return [
        { kind: 'values', item: id },
        { kind: 'anchors', item: id },
      ];
    case 'built':
      return [
        { kind: 'values', item: id },
        // Some have handles, such as the strengths of a bridge.
        ...(canHaveHandles(item) ? [{ kind: 'anchors', item: id } as const] : []),
      ];
    case 'point':
      return [{ kind: 'anchors', item: id }];
    case 'picture':
      return [];
  }
}

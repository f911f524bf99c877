import { aims, offeredOperations, operations, type OfferedOperation } from '@bogen/core/figure';
import { useId, useState } from 'react';
import { useTranslation } from '../../text/text.js';
import { isFound } from '../../ui/isFound.js';
import { SearchField } from '../../ui/SearchField.js';

/** Every operation with what it means, grouped by what one wants; typing finds some of them, Enter takes the first. */
export function OperationList({ onChoose }: { onChoose: (name: OfferedOperation) => void }) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState('');
  const id = useId();
  const textOf = (name: OfferedOperation): string =>
    `${t(`operations.${name}`)} ${t(`change.meanings.${name}`)}`;
  const groups = aims.flatMap((aim) => {
    const names = offeredOperations.filter(
      (name) => operations[name].aim === aim && isFound(`${textOf(name)} ${t(`change.aims.${aim}`)}`, typed),
    );
    return names.length > 0 ? [{ aim, names }] : [];
  });
  const chooseFirst = (): void => {
    const first = groups[0]?.names[0];
    if (first) onChoose(first);
  };
  return (
    <div className="flex flex-col gap-3" data-operation-list>
      <SearchField label={t('change.find')} value={typed} onChange={setTyped} onEnter={chooseFirst} />
      {groups.length === 0 && <p className="text-[13px] text-soft">{t('change.nothingFound')}</p>}
      {groups.map(({ aim, names }) => (
        <section key={aim} aria-labelledby={`${id}${aim}`}>
          <h3 id={`${id}${aim}`} className="font-serif text-[15px] font-medium">
            {t(`change.aims.${aim}`)}
          </h3>
          <ul>
            {names.map((name) => (
              <li key={name}>
                <button
                  type="button"
                  className="-mx-2 block w-[calc(100%+1rem)] rounded-md px-2 py-1 text-left hover:bg-tint focus-visible:ring-3 focus-visible:ring-accent/40"
                  onClick={() => onChoose(name)}
                  data-choose={name}
                >
                  <span className="block text-[13px] font-medium">{t(`operations.${name}`)}</span>
                  <span className="block text-[12px] text-soft">{t(`change.meanings.${name}`)}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

import type { Shown } from '@bogen/core/figure';
import { shownKeys } from '../looks/shownKeys.js';
import type { Texts } from '../../text/en.js';
import { useTranslation } from '../../text/text.js';
import { Check } from '../../ui/Choice.js';
import { Key } from '../../ui/Key.js';
import { Panel } from '../../ui/Panel.js';
import { useSingleKeys } from '../../ui/singleKeys.js';

/** Every key and what it does. */
export function KeysPanel({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  const { on, set } = useSingleKeys();
  const k = (name: keyof Texts['keys']['key']): string => t(`keys.key.${name}`);
  const groups: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
    [
      t('keys.groups.shown'),
      (Object.entries(shownKeys) as [keyof Shown, string][]).map(([look, key]) => [
        key,
        t(`writer.shown.${look}`),
      ]),
    ],
    [
      t('keys.groups.figure'),
      [
        ['?', t('keys.does.list')],
        ['l', t('keys.does.look')],
        ['q', t('keys.does.present')],
        ['+', t('keys.does.zoomIn')],
        ['-', t('keys.does.zoomOut')],
        ['0', t('keys.does.whole')],
        ['z', t('keys.does.fit')],
        [k('arrows'), t('keys.does.pan')],
        [k('wheel'), t('keys.does.wheel')],
        [k('shiftWheel'), t('keys.does.shiftWheel')],
      ],
    ],
    [
      t('keys.groups.points'),
      [
        [k('tab'), t('keys.does.tab')],
        [k('arrows'), t('keys.does.arrows')],
        [k('shiftArrows'), t('keys.does.shiftArrows')],
        [k('altArrows'), t('keys.does.altArrows')],
        [`${k('space')}, ${k('shiftPress')}`, t('keys.does.select')],
        [k('ctrlDrag'), t('keys.does.near')],
        [k('shiftDrag'), t('keys.does.box')],
        ['Ctrl + A', t('keys.does.all')],
        [k('escape'), t('keys.does.none')],
        ['j', t('keys.does.several')],
        [k('menu'), t('keys.does.menu')],
        [k('delete'), t('keys.does.remove')],
      ],
    ],
    [
      t('keys.groups.drawing'),
      [
        [`${k('arrows')}, ${k('space')}`, t('keys.does.place')],
        [k('enter'), t('keys.does.finish')],
        [k('backspace'), t('keys.does.back')],
        [k('escape'), t('keys.does.stop')],
        [k('ctrl'), t('keys.does.freely')],
      ],
    ],
    [
      t('keys.groups.rail'),
      [
        [k('arrows'), t('keys.does.cursor')],
        [k('pages'), t('keys.does.knot')],
        [k('ends'), t('keys.does.ends')],
        [k('enter'), t('keys.does.insertKnot')],
        [`+, -, ${k('delete')}`, t('keys.does.multiplicity')],
      ],
    ],
    [
      t('keys.groups.everywhere'),
      [
        ['Ctrl + Z', t('keys.does.undo')],
        ['Ctrl + Y', t('keys.does.redo')],
        ['Ctrl + C', t('keys.does.copy')],
        ['Ctrl + V', t('keys.does.paste')],
      ],
    ],
  ];
  return (
    <Panel open onClose={onClose} title={t('keys.title')} lead={t('keys.lead')}>
      <Check label={t('keys.on')} value={on} onChange={set} />
      {groups.map(([title, rows]) => (
        <section key={title}>
          <h3 className="mb-1 text-[12px] text-soft">{title}</h3>
          <dl className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-0.5 text-[13px]">
            {rows.map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <Key>{key}</Key>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Panel>
  );
}

import type { FigureDocument } from '@bogen/core/figure';
import {
  formatNames,
  formats,
  type FormatMember,
  type FormatName,
  type WrittenFile,
} from '@bogen/core/format';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { notation } from '../../text/notation.js';
import { useTold } from '../../text/told.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { printDrawing } from '../../handout/printDrawing.js';
import { saveFile } from '../../ui/saveFile.js';
import { WholeField } from '../../ui/WholeField.js';
import { exchange } from '../../worker/exchange.js';
import { DescribedField } from '../fields/DescribedField.js';
import { LinkToState } from './LinkToState.js';
import { mostPixels, pictureOf } from './pictureOf.js';

/** What is made of the drawing: pixels, or a page. */
type Kind = FormatName | 'png' | 'pdf';
const kinds: readonly Kind[] = [...formatNames, 'png', 'pdf'];
const isDrawn = (kind: Kind): kind is 'png' | 'pdf' => kind === 'png' || kind === 'pdf';

/** The figure as a file: in which format, with what asked, and what of it stays behind, before it is saved. */
export function GiveOut({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const tell = useTold();
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const [kind, setKind] = useState<Kind>('svg');
  const [asked, setAsked] = useState<Partial<Record<FormatName, Readonly<Record<string, unknown>>>>>({});
  const [pixels, setPixels] = useState(1600);
  const [isOnPaper, setOnPaper] = useState(true);
  const name: FormatName = isDrawn(kind) ? 'svg' : kind;
  const format: FormatMember = formats[name];
  const options: Readonly<Record<string, unknown>> = { ...format.first, ...asked[name] };
  const { file, problem, share } = useWritten(name, document, options);
  const [refused, setRefused] = useState<unknown>(null);
  const save = (): void => {
    if (!file) return;
    setRefused(null);
    const title = onRailName(document);
    if (kind === 'pdf') {
      printDrawing(file.text);
      return;
    }
    if (kind !== 'png') {
      saveFile(new Blob([file.text], { type: format.mediaType }), `${title}.${format.endings[0]!}`);
      return;
    }
    pictureOf(file.text, pixels, isOnPaper).then((picture) => saveFile(picture, `${title}.png`), setRefused);
  };
  return (
    <section aria-labelledby="exchange-out" className="flex flex-col gap-2" data-exchange-out>
      <h3 id="exchange-out" className="font-semibold">
        {t('exchange.out')}
      </h3>
      <Choice
        label={t('exchange.format')}
        value={kind}
        choices={kinds}
        name={(one) => (isDrawn(one) ? t(`exchange.${one}`) : t(`exchange.formats.${one}`))}
        onChange={setKind}
      />
      <p className="text-[12.5px] text-soft">
        {isDrawn(kind) ? t(`exchange.${kind}Says`) : t(`exchange.says.${kind}`)}
      </p>
      <div className="flex flex-wrap items-center gap-2 empty:hidden">
        {Object.entries(format.options).map(([key, field]) => (
          <DescribedField
            key={`${name}/${key}`}
            label={t(`exchange.options.${key as 'style'}`)}
            field={field}
            value={options[key]}
            onChange={(value) => setAsked({ ...asked, [name]: { ...options, [key]: value } })}
            wordFor={(word) => t(`exchange.choices.${word as 'screen'}`)}
          />
        ))}
        {kind === 'png' && (
          <>
            <WholeField
              label={t('exchange.pixels')}
              value={pixels}
              least={16}
              most={mostPixels}
              onChange={setPixels}
            />
            <Check label={t('exchange.paper')} value={isOnPaper} onChange={setOnPaper} />
          </>
        )}
      </div>
      <div role="status" className="text-[13px]" data-exchange-lost>
        {!file && problem === null && (
          <>
            {t('exchange.writing')}
            <progress aria-label={t('exchange.writing')} className="w-full" value={share} />
          </>
        )}
        {file &&
          (file.lost.length === 0 ? (
            t('exchange.whole')
          ) : (
            <ul className="list-disc pl-4">
              {file.lost.map((one) => (
                <li key={one.code}>{tell(one)}</li>
              ))}
            </ul>
          ))}
      </div>
      <ProblemText error={problem ?? refused} className="text-[13px]" />
      <div className="flex items-center gap-3">
        <Button primary disabled={!file} onClick={save}>
          {t(kind === 'pdf' ? 'exchange.print' : 'exchange.save')}
        </Button>
        {file && !isDrawn(kind) && (
          <span className="font-mono text-[12px] text-soft">
            {t('exchange.written', { size: Math.max(1, Math.round(file.text.length / 1000)) })}
          </span>
        )}
      </div>
      <LinkToState document={document} />
    </section>
  );
}

/** What the file is called: as the curve that is looked at. */
const onRailName = ({ items, rail }: FigureDocument): string =>
  items.find(({ id }) => id === rail.item)?.name ?? items[0]?.name ?? 'Figure';

/** The file as it would be saved now, written beside the page. */
function useWritten(
  name: FormatName,
  document: FigureDocument,
  options: Readonly<Record<string, unknown>>,
): { file: WrittenFile | undefined; problem: unknown; share: number | undefined } {
  const [state, setState] = useState<{ key: string; file?: WrittenFile; problem: unknown }>({
    key: '',
    problem: null,
  });
  const [share, setShare] = useState<number>();
  const key = `${name} ${JSON.stringify(options)}`;
  useEffect(() => {
    const time = new Date().toISOString().slice(0, 19);
    setShare(undefined);
    const { result, stop } = exchange('write', setShare, name, document, options, time, notation());
    result.then(
      (outcome) => {
        if (!outcome) return;
        if ('value' in outcome) setState({ key, file: outcome.value, problem: null });
        else setState({ key, problem: outcome.reason });
      },
      (problem: unknown) => setState({ key, problem }),
    );
    return stop;
    // The options are named by their key.
  }, [key, document]);
  return state.key === key
    ? { file: state.file, problem: state.problem, share }
    : { file: undefined, problem: null, share };
}

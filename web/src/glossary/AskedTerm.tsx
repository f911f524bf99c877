import { useMemo, useState, type ReactNode } from 'react';
import { benchHost } from '../bench/benchHost.js';
import { editedFigure } from '../saving/editedFigure.js';
import { useScene } from '../figure/scene/useScene.js';
import { FigureView } from '../figure/view/FigureView.js';
import type { FigureDocument } from '@bogen/core/figure';
import { useTranslation } from '../text/text.js';
import { Popup } from '../ui/Popup.js';
import type { Term } from './terms.js';

/** A term in a text: pressed, it says what it is, in one sentence and a small figure that can be moved. */
export function AskedTerm({ term, children }: { term: Term; children: ReactNode }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const label = t('glossary.ask', { term: term.term });
  return (
    <Popup
      label={label}
      open={open}
      onOpen={setOpen}
      className="p-4"
      trigger={
        <button
          type="button"
          title={label}
          className="cursor-help underline decoration-line-strong decoration-1 underline-offset-4 hover:decoration-accent"
          data-term={term.id}
        >
          {children}
        </button>
      }
    >
      {open && <TermCard term={term} />}
    </Popup>
  );
}

/** What a term means. */
function TermCard({ term }: { term: Term }) {
  return (
    <div className="flex w-[340px] max-w-full flex-col gap-2" data-term-card>
      <h3 className="font-serif text-[17px] font-medium">{term.term}</h3>
      <p className="font-serif text-[15px] leading-snug">{term.sentence}</p>
      {term.figure && <TermFigure figure={term.figure} />}
    </div>
  );
}

function TermFigure({ figure }: { figure: () => FigureDocument }) {
  const { t } = useTranslation();
  const host = useMemo(() => benchHost(editedFigure(figure())), [figure]);
  const scene = useScene(host);
  return (
    <>
      <div className="flex h-[190px] overflow-hidden rounded-md border border-line [&_:is([data-facts],[data-zoom])]:hidden">
        <FigureView scene={scene} />
      </div>
      <p className="text-[12.5px] text-soft">{t('glossary.tryIt')}</p>
    </>
  );
}

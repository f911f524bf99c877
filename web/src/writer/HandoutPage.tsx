import '../text/enHandout.js';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { InstructorBar } from '../account/InstructorBar.js';
import { useEdited } from '../saving/useEdited.js';
import { useNotationOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Failure, Loading } from '../ui/States.js';
import type { OpenDraft } from './draft.js';
import { useDraft } from './WriterPage.js';
import { Handout } from '../handout/Handout.js';

/** A lesson as handouts, whole or a sheet of it, to be printed or saved as PDF. */
export function HandoutPage() {
  const draft = useDraft();
  if (draft.error) return <Failure error={draft.error} onRetry={() => void draft.refetch()} />;
  if (!draft.data) return <Loading />;
  return <HandoutsOf draft={draft.data} />;
}

function HandoutsOf({ draft }: { readonly draft: OpenDraft }) {
  const { t } = useTranslation();
  const document = useEdited(draft.edited, (state) => state.history.document);
  useNotationOf(document.notation);
  const [chosen, setChosen] = useState('');
  const { sheets, title } = document;
  const index = sheets.findIndex(({ id }) => id === chosen);
  return (
    <div className="flex min-h-full flex-col print:block">
      <div className="print:hidden">
        <InstructorBar here={t('handout.title')} />
        <div className="mx-auto flex w-full max-w-[190mm] flex-col gap-2 px-4 py-5">
          <h1 className="font-serif text-[28px] font-medium">{title}</h1>
          <p className="text-[14px] text-soft">{t('handout.lead')}</p>
          <div className="flex flex-wrap items-center gap-4">
            <Choice
              label={t('handout.what')}
              value={chosen}
              choices={['', ...sheets.map(({ id }) => id)]}
              name={(id) => sheets.find((sheet) => sheet.id === id)?.title ?? t('handout.whole')}
              onChange={setChosen}
            />
            <Button primary onClick={() => window.print()}>
              <Printer aria-hidden size={15} />
              {t('handout.print')}
            </Button>
          </div>
        </div>
      </div>
      <main className="mx-auto mb-10 bg-white p-[10mm] shadow print:m-0 print:p-0 print:shadow-none">
        <Handout
          course={draft.course.title}
          lesson={title}
          sheets={index < 0 ? sheets : [sheets[index]!]}
          first={Math.max(index, 0) + 1}
          count={sheets.length}
        />
      </main>
    </div>
  );
}

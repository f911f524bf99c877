import { emptyProse, sheetOf } from '@bogen/core/lesson';
import { lazy, Suspense } from 'react';
import { useEdited } from '../../saving/useEdited.js';
import { ProseView } from '../../sheet/ProseView.js';
import { useNotation } from '../../text/notation.js';
import { Deferred } from '../../ui/Deferred.js';
import type { EditedDraft } from '../draft.js';

const ProseEditor = lazy(async () => ({ default: (await import('./ProseEditor.js')).ProseEditor }));

interface LazyProseEditorProps {
  readonly edited: EditedDraft;
  readonly sheet: string;
}

/** The prose editor, made right after the figure so that the figure does not wait for it; until then the text as it is read. */
export function LazyProseEditor(props: LazyProseEditorProps) {
  const reading = <ProseToRead {...props} />;
  const notation = useNotation();
  return (
    <Deferred meanwhile={reading}>
      <Suspense fallback={reading}>
        {/* What sets the editor's formulas reads the notation once: with another one they are set anew. */}
        <ProseEditor key={Object.values(notation).join()} {...props} />
      </Suspense>
    </Deferred>
  );
}

/** The text in the place that it has in the editor, below the row of its tools. */
function ProseToRead({ edited, sheet }: LazyProseEditorProps) {
  const prose = useEdited(edited, (state) => sheetOf(state.history.document, sheet)?.prose ?? emptyProse);
  return (
    <div className="mt-2 pt-7">
      <div className="-mx-2 min-h-[120px] border border-transparent px-2">
        <ProseView prose={prose} />
      </div>
    </div>
  );
}

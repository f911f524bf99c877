import { emptyProse, sheetOf } from '@bogen/core/lesson';
import { lazy, Suspense } from 'react';
import { useSession } from '../saving/useSession.js';
import { ProseView } from '../sheet/ProseView.js';
import { Late } from '../ui/Late.js';
import type { DraftSession } from './draft.js';

const ProseEditor = lazy(async () => ({ default: (await import('./ProseEditor.js')).ProseEditor }));

interface LazyProseEditorProps {
  readonly session: DraftSession;
  readonly sheet: string;
}

/** The prose editor, made right after the figure so that the figure does not wait for it; until then the text as it is read. */
export function LazyProseEditor(props: LazyProseEditorProps) {
  const reading = <ProseToRead {...props} />;
  return (
    <Late meanwhile={reading}>
      <Suspense fallback={reading}>
        <ProseEditor {...props} />
      </Suspense>
    </Late>
  );
}

/** The text in the place that it has in the editor, below the row of its tools. */
function ProseToRead({ session, sheet }: LazyProseEditorProps) {
  const prose = useSession(session, (state) => sheetOf(state.history.document, sheet)?.prose ?? emptyProse);
  return (
    <div className="mt-2 pt-7">
      <div className="-mx-2 min-h-[120px] border border-transparent px-2">
        <ProseView prose={prose} />
      </div>
    </div>
  );
}

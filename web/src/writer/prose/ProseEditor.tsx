import { CommandError, emptyProse, sheetOf, told, type Prose } from '@bogen/core/lesson';
import { TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import { Mathematics } from '@tiptap/extension-mathematics';
import { Placeholder } from '@tiptap/extensions';
import { EditorContent, useEditor, type JSONContent } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import 'katex/dist/katex.min.css';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useEdited } from '../../saving/useEdited.js';
import { useTranslation } from '../../text/text.js';
import type { EditedDraft } from '../draft.js';
import { cleanPasted } from './cleanPasted.js';
import {
  CalloutNode,
  LinkMark,
  LiveControlNode,
  LiveValueNode,
  PointingMark,
  TableNode,
} from './extensions.js';
import { notationMacros } from './notationMacros.js';
import { TypedSteps } from './typedSteps.js';
import { FormulaPanel, type EditedFormula } from './FormulaPanel.js';
import { headingLevels, Toolbar } from './Toolbar.js';

/** How long typing must pause before it becomes a step. */
const restMs = 700;

/** Whether two trees are equal: the server keeps no order of keys, and absent and null count as equal. */
function sameProse(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null)
    return (a ?? null) === (b ?? null);
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => sameProse(a[key as keyof typeof a], b[key as keyof typeof b]));
}

/** The same tree; the editor's type merely does not say that it leaves it unchanged. */
const forEditor = (prose: Prose): JSONContent => prose as unknown as JSONContent;

/** The text of a sheet, typed as it will be read. Undo and redo are the lesson's own. */
export function ProseEditor({ edited, sheet }: { edited: EditedDraft; sheet: string }) {
  const { t } = useTranslation();
  const [formula, setFormula] = useState<EditedFormula | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const saved = useEdited(edited, (state) => sheetOf(state.history.document, sheet)?.prose ?? emptyProse);
  const written = useRef<Prose>(emptyProse);
  const typed = useRef<TypedSteps>(new TypedSteps());

  const extensions = useMemo(() => {
    const edit = (block: boolean) => ({
      onClick: (node: { attrs: Record<string, unknown> }, position: number) =>
        setFormula({ latex: String(node.attrs['latex'] ?? ''), block, position }),
    });
    return [
      StarterKit.configure({
        undoRedo: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        strike: false,
        underline: false,
        link: false,
        heading: { levels: [...headingLevels] },
      }),
      LiveValueNode,
      LiveControlNode,
      CalloutNode,
      TableNode,
      TableRow,
      TableHeader,
      TableCell,
      LinkMark,
      PointingMark,
      Mathematics.configure({
        katexOptions: { throwOnError: false, trust: false, macros: notationMacros },
        inlineOptions: edit(false),
        blockOptions: edit(true),
      }),
      Placeholder.configure({ placeholder: t('writer.proseEmpty') }),
    ];
  }, []);

  const editor = useEditor({
    extensions,
    content: forEditor(saved),
    injectCSS: false,
    editorProps: {
      transformPastedHTML: cleanPasted,
      attributes: {
        'aria-label': t('writer.prose'),
        role: 'textbox',
        'aria-multiline': 'true',
        class: 'prose-text min-h-[120px] outline-none',
      },
    },
    onUpdate: ({ transaction, appendedTransactions }) => {
      for (const { steps } of [transaction, ...appendedTransactions]) typed.current.add(steps);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => finish.current(), restMs);
    },
    onBlur: () => finish.current(),
  });

  const finish = useRef<() => void>(() => undefined);
  finish.current = () => {
    clearTimeout(timer.current);
    if (editor.isDestroyed) return;
    const prose = editor.getJSON() as Prose;
    const steps = typed.current.take();
    if (sameProse(prose, written.current)) return;
    written.current = prose;
    if (!sheetOf(edited.store.getState().history.document, sheet)) return;
    try {
      if (!steps) throw new CommandError(told('stepsOfAnotherText'));
      edited.do({ name: 'editProse', sheet, steps });
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      edited.do({ name: 'setProse', sheet, prose });
    }
    // What is typed from here on starts from what is stored now.
    written.current = sheetOf(edited.store.getState().history.document, sheet)?.prose ?? prose;
  };

  useEffect(() => {
    const stop = edited.addTyping(() => finish.current());
    return () => {
      finish.current();
      stop();
    };
  }, [edited]);

  // Undo, redo and changes from elsewhere come in here.
  useEffect(() => {
    // The first editor of a page that is still being put together is replaced; this comes again with the next.
    if (saved === written.current || editor.isDestroyed) return;
    const { from } = editor.state.selection;
    if (!sameProse(saved, editor.getJSON() as Prose)) {
      editor.commands.setContent(forEditor(saved), { emitUpdate: false });
      editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size));
    }
    // What the editor makes of it is what later typing is compared with.
    written.current = editor.getJSON() as Prose;
    typed.current.begin(sameProse(saved, written.current));
  }, [editor, saved]);

  return (
    <div className="mt-2">
      <Toolbar editor={editor} onFormula={() => setFormula({ latex: '', block: false, position: null })} />
      <EditorContent
        editor={editor}
        className="-mx-2 rounded-md border border-transparent px-2 focus-within:border-line focus-within:bg-sheet"
      />
      {formula && <FormulaPanel editor={editor} formula={formula} onClose={() => setFormula(null)} />}
    </div>
  );
}

import '../../text/enPages.js';
import { Selection } from '@tiptap/pm/state';
import type { Editor } from '@tiptap/react';
import { useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { Formula } from '../../sheet/Formula.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Panel } from '../../ui/Panel.js';
import { SymbolPalette } from './SymbolPalette.js';

/** A formula being written: a new one, or one that stands at a position of the text. */
export interface EditedFormula {
  readonly latex: string;
  readonly block: boolean;
  readonly position: number | null;
}

interface FormulaPanelProps {
  readonly editor: Editor;
  readonly formula: EditedFormula;
  readonly onClose: () => void;
}

const isInEmptyParagraph = ({ state: { selection } }: Editor): boolean =>
  selection.empty &&
  selection.$from.parent.type.name === 'paragraph' &&
  selection.$from.parent.content.size === 0;

/** Writes a formula in TeX notation and shows it typeset while it is typed. */
export function FormulaPanel({ editor, formula, onClose }: FormulaPanelProps) {
  const { t } = useTranslation();
  const [latex, setLatex] = useState(formula.latex);
  const isNew = formula.position === null;
  // In a paragraph of its own it is mostly meant to stand alone.
  const [block, setBlock] = useState(formula.block || (isNew && isInEmptyParagraph(editor)));
  const isNeutral = latex.includes('\\at{') || latex.includes('\\val{') || latex.includes('\\param{');
  const field = useRef<HTMLTextAreaElement>(null);
  const insert = (symbol: string): void => {
    const element = field.current!;
    const [from, to] = [element.selectionStart, element.selectionEnd];
    // A command must not run into the letters that follow it.
    const isCommand = /\\[a-z]+$/i.test(symbol);
    const text = `${symbol}${isCommand && /^[a-z]/i.test(latex.slice(to)) ? ' ' : ''}`;
    // At once, so that a symbol that is pressed right after this one comes behind it.
    flushSync(() => setLatex((latex.slice(0, from) + text + latex.slice(to)).slice(0, 2000)));
    element.focus();
    element.setSelectionRange(from + text.length, from + text.length);
  };
  const set = (): void => {
    const chain = editor.chain().focus();
    const at = formula.position ?? undefined;
    if (isNew)
      (block ? chain.insertBlockMath({ latex }) : chain.insertInlineMath({ latex }))
        // Behind the formula: what is typed next must not take its place.
        .command(({ tr, state }) => {
          const { to } = tr.selection;
          if (block && !tr.doc.resolve(to).nodeAfter)
            tr.insert(to, state.schema.nodes['paragraph']!.create());
          tr.setSelection(Selection.near(tr.doc.resolve(to), 1));
          return true;
        })
        .run();
    else
      (block
        ? chain.updateBlockMath({ latex, pos: at! })
        : chain.updateInlineMath({ latex, pos: at! })
      ).run();
    onClose();
  };
  const remove = (): void => {
    const chain = editor.chain().focus();
    const pos = formula.position!;
    (formula.block ? chain.deleteBlockMath({ pos }) : chain.deleteInlineMath({ pos })).run();
    onClose();
  };
  return (
    <Panel open onClose={onClose} title={t('writer.formulaTitle')} lead={t('writer.formulaLead')}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (latex.trim() !== '') set();
        }}
      >
        <textarea
          ref={field}
          autoFocus
          aria-label={t('writer.formula')}
          rows={3}
          maxLength={2000}
          value={latex}
          onChange={(event) => setLatex(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && !event.shiftKey) {
              event.preventDefault();
              event.currentTarget.form!.requestSubmit();
            }
          }}
          className="rounded-md border border-strong bg-sheet p-2 font-mono text-[14px]"
        />
        {isNeutral && <p className="text-[12.5px] text-soft">{t('writer.formulaNeutral')}</p>}
        <SymbolPalette onSymbol={insert} />
        <div aria-label={t('writer.formulaPreview')} role="img" className="min-h-10 overflow-x-auto py-1">
          <Formula latex={latex} block={block} />
        </div>
        {isNew && (
          <fieldset className="flex gap-4 text-[13px]">
            {[false, true].map((value) => (
              <label key={String(value)} className="flex items-center gap-1.5">
                <input
                  type="radio"
                  name="place"
                  checked={block === value}
                  onChange={() => setBlock(value)}
                  className="accent-accent"
                />
                {value ? t('writer.formulaBlock') : t('writer.formulaInline')}
              </label>
            ))}
          </fieldset>
        )}
        <div className="flex gap-2">
          <Button primary type="submit" disabled={latex.trim() === ''}>
            {t('writer.formulaSet')}
          </Button>
          <Button onClick={onClose}>{t('shelf.cancel')}</Button>
          <span className="flex-1" />
          {!isNew && (
            <Button quiet onClick={remove}>
              {t('writer.formulaRemove')}
            </Button>
          )}
        </div>
      </form>
    </Panel>
  );
}

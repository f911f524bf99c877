import {
  aboutCurve,
  CommandError,
  emptyProse,
  sheetOf,
  told,
  type CalloutKind,
  type Prose,
} from '@bogen/core/lesson';
import { TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import { Mathematics } from '@tiptap/extension-mathematics';
import { Placeholder } from '@tiptap/extensions';
import { EditorContent, useEditor, useEditorState, type Editor, type JSONContent } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import 'katex/dist/katex.min.css';
import {
  Bold,
  Heading,
  Heading2,
  Italic,
  List,
  ListOrdered,
  MousePointerBan,
  MousePointerClick,
  Quote,
  Sigma,
  SquareFunction,
  SlidersHorizontal,
  Variable,
} from 'lucide-react';
import { Fragment, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useEdited } from '../../saving/useEdited.js';
import { notation } from '../../text/notation.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import type { EditedDraft } from '../draft.js';
import {
  curveIndex,
  allowanceFor,
  controlCommand,
  controlRange,
  type Control,
  type Measure,
  type Target,
} from '@bogen/core/figure';
import { letterOf, nameOf } from '../../figure/scene/names.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useFormulaTaker } from '../../live/formulaTaker.js';
import { useFigureOfText } from '../../live/FigureOfText.js';
import { controlText } from '../../live/controlText.js';
import { liveText } from '../../live/liveText.js';
import { highlightOf } from '../../live/lit.js';
import { cleanPasted } from './cleanPasted.js';
import { CalloutChoice } from './CalloutChoice.js';
import {
  CalloutNode,
  LinkMark,
  LiveControlNode,
  LiveValueNode,
  PointingMark,
  TableNode,
} from './extensions.js';
import { LinkField } from './LinkField.js';
import { measureText, targetText } from './measureText.js';
import { controlOffers, formulaOffers, measureOffers, targetOffers, withTarget } from './offers.js';
import { PickOnScreen } from './PickOnScreen.js';
import { PickList } from './PickList.js';
import { TableTools } from './TableTools.js';
import { notationMacros } from './notationMacros.js';
import { TypedSteps } from './typedSteps.js';
import { FormulaPanel, type EditedFormula } from './FormulaPanel.js';

/** Below the title of the lesson and that of the sheet. */
const headingLevels = [3, 4] as const;

/** So many things of the figure words can mean. */
const mostTargets = 20;

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

function Toolbar({ editor, onFormula }: { editor: Editor; onFormula: () => void }) {
  const { t } = useTranslation();
  const on = useEditorState({
    editor,
    selector: ({ editor: current }) => ({
      bold: current.isActive('bold'),
      italic: current.isActive('italic'),
      heading: headingLevels.find((level) => current.isActive('heading', { level })) ?? null,
      list: current.isActive('bulletList'),
      numbered: current.isActive('orderedList'),
      quote: current.isActive('blockquote'),
      table: current.isActive('table'),
      callout: current.isActive('callout')
        ? (current.getAttributes('callout')['callout'] as CalloutKind)
        : null,
      link: current.isActive('link'),
      pointing: current.isActive('pointing'),
      targets: (current.getAttributes('pointing')['targets'] ?? []) as readonly Target[],
      empty: current.state.selection.empty,
    }),
  });
  const tool = (name: string, icon: ReactNode, pressed: boolean, act: () => void) => (
    <Button
      quiet
      className="px-1.5"
      pressed={pressed}
      aria-label={name}
      title={name}
      onMouseDown={(event) => event.preventDefault()}
      onClick={act}
    >
      {icon}
    </Button>
  );
  const scene = useFigureOfText();
  const insertFormula = (latex: string): void => void editor.chain().focus().insertBlockMath({ latex }).run();
  // What is calculated beside the figure can be put into the text too.
  useEffect(() => {
    let isUsed = false;
    const use = (): void => void (isUsed = true);
    editor.on('focus', use);
    const take = (latex: string): void => {
      // Where nobody has been in the text yet, it goes to its end.
      if (!isUsed) editor.commands.setTextSelection(editor.state.doc.content.size);
      insertFormula(latex);
    };
    useFormulaTaker.setState({ take });
    return () => {
      editor.off('focus', use);
      if (useFormulaTaker.getState().take === take) useFormulaTaker.setState({ take: null });
    };
  }, [editor]);
  return (
    <div role="toolbar" aria-label={t('writer.prose')} className="-ml-1.5 flex flex-wrap gap-0.5">
      {tool(t('writer.bold'), <Bold aria-hidden size={15} />, on.bold, () =>
        editor.chain().focus().toggleBold().run(),
      )}
      {tool(t('writer.italic'), <Italic aria-hidden size={15} />, on.italic, () =>
        editor.chain().focus().toggleItalic().run(),
      )}
      {headingLevels.map((level) => {
        const Icon = level === 3 ? Heading : Heading2;
        const name = t(level === 3 ? 'writer.heading' : 'writer.subheading');
        return (
          <Fragment key={level}>
            {tool(name, <Icon aria-hidden size={15} />, on.heading === level, () =>
              editor.chain().focus().toggleHeading({ level }).run(),
            )}
          </Fragment>
        );
      })}
      {tool(t('writer.list'), <List aria-hidden size={15} />, on.list, () =>
        editor.chain().focus().toggleBulletList().run(),
      )}
      {tool(t('prose.orderedList'), <ListOrdered aria-hidden size={15} />, on.numbered, () =>
        editor.chain().focus().toggleOrderedList().run(),
      )}
      {tool(t('prose.quote'), <Quote aria-hidden size={15} />, on.quote, () =>
        editor.chain().focus().toggleBlockquote().run(),
      )}
      <TableTools editor={editor} isInTable={on.table} />
      <CalloutChoice editor={editor} current={on.callout} />
      <LinkField editor={editor} isLink={on.link} isEmpty={on.empty} />
      {tool(t('writer.formula'), <Sigma aria-hidden size={15} />, false, onFormula)}
      {scene && (
        <>
          <PickList
            label={t('prose.liveValue')}
            lead={t('prose.liveLead')}
            icon={<Variable aria-hidden size={15} />}
            scene={scene}
            offers={measureOffers}
            text={(measure) => measureText(measure, scene.document, t)}
            beside={(measure) => liveText(measure, digitsOf(measure), scene)}
            beyond={(choose) => (
              <PickOnScreen
                scene={scene}
                text={(measure) =>
                  `${measureText(measure, scene.document, t)}: ${liveText(measure, digitsOf(measure), scene)}`
                }
                onTake={choose}
              />
            )}
            onChoose={(measure) =>
              editor
                .chain()
                .focus()
                .insertContent({ type: 'liveValue', attrs: { measure, digits: digitsOf(measure) } })
                .run()
            }
          />
          <PickList
            label={t('prose.formula')}
            lead={t('prose.formulaLead')}
            icon={<SquareFunction aria-hidden size={15} />}
            scene={scene}
            offers={formulaOffers}
            text={({ item, line: { step, values } }) =>
              t('prose.formulaOf', {
                formula: t(`calculation.steps.${step}`, {
                  ...values,
                  letter: letterOf(scene.document, item, 'controlPoints'),
                }),
                item: nameOf(scene.document, item),
              })
            }
            onPoint={(offer) =>
              scene.pointed.setHighlight(offer && { places: offer.line.places, lines: offer.line.legs })
            }
            onChoose={({ item, line }) =>
              insertFormula(aboutCurve(line.tex, curveIndex(scene.document, item)))
            }
          />
          <PickList
            label={t('live.control')}
            lead={t('live.controlLead')}
            icon={<SlidersHorizontal aria-hidden size={15} />}
            scene={scene}
            offers={controlOffers}
            text={(control) => controlText(control, scene.document, t)}
            onChoose={(control) => {
              editor.chain().focus().insertContent({ type: 'liveControl', attrs: { control } }).run();
              letReadersSet(control, scene);
            }}
          />
          {/* Words can mean several things: each that is picked is added. */}
          <PickList
            label={t(on.pointing ? 'prose.pointingMore' : 'prose.pointing')}
            lead={on.empty && !on.pointing ? t('prose.noPointing') : t('prose.pointingLead')}
            icon={<MousePointerClick aria-hidden size={15} />}
            disabled={on.targets.length >= mostTargets}
            scene={scene}
            offers={targetOffers}
            text={(target) => targetText(target, scene.document, t)}
            onPoint={(target) =>
              scene.pointed.setHighlight(target && highlightOf(withTarget(on.targets, target), scene))
            }
            onChoose={(target) =>
              editor
                .chain()
                .focus()
                .extendMarkRange('pointing')
                .setMark('pointing', { targets: withTarget(on.targets, target) })
                .run()
            }
          />
          {on.pointing &&
            tool(t('prose.stopPointing'), <MousePointerBan aria-hidden size={15} />, false, () =>
              editor.chain().focus().extendMarkRange('pointing').unsetMark('pointing').run(),
            )}
        </>
      )}
    </div>
  );
}

/** Readers are let do at this stage what the control asks for; of a degree, all that it goes through. */
function letReadersSet(control: Control, scene: FigureScene): void {
  const { document, evaluation, cursor } = scene;
  const of = { document, evaluation, cursor };
  const range = controlRange(control, of);
  const command = range && controlCommand(control, range.value, of);
  const allowance = command && allowanceFor(command, document);
  if (!allowance) return;
  scene.host.letReaders?.(
    allowance.kind === 'degree' && control.of === 'degree'
      ? { ...allowance, least: control.least, most: control.most }
      : allowance,
  );
}

/** How many digits a value begins with: parameters and weights have more of them than lengths. */
const digitsOf = ({ of }: Measure): number =>
  notation().decimals + (of === 'knot' || of === 'basis' || of === 'cursor' ? 1 : 0);

import { aboutCurve, type CalloutKind } from '@bogen/core/lesson';
import { useEditorState, type Editor } from '@tiptap/react';
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
import { Fragment, useEffect, type ReactNode } from 'react';
import { notation } from '../../text/notation.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
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
import { CalloutChoice } from './CalloutChoice.js';
import { LinkField } from './LinkField.js';
import { measureText, targetText } from './measureText.js';
import { controlOffers, formulaOffers, measureOffers, targetOffers, withTarget } from './offers.js';
import { PickOnScreen } from './PickOnScreen.js';
import { PickList } from './PickList.js';
import { TableTools } from './TableTools.js';

/** Below the title of the lesson and that of the sheet. */
export const headingLevels = [3, 4] as const;

/** So many things of the figure words can mean. */
const mostTargets = 20;

export function Toolbar({ editor, onFormula }: { editor: Editor; onFormula: () => void }) {
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

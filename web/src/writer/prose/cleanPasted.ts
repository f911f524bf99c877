import { isAllowedAddress } from '@bogen/core/lesson';

/** Elements that prose has; others give way to what is in them. */
const kept = new Set(
  'P H1 H2 H3 H4 H5 H6 UL OL LI B STRONG I EM BR A BLOCKQUOTE SPAN DIV TABLE THEAD TBODY TR TD TH'.split(' '),
);
/** Elements that go with all that is in them. */
const gone = new Set(
  'SCRIPT STYLE IFRAME OBJECT EMBED SVG MATH TEMPLATE NOSCRIPT HEAD TITLE META LINK FORM INPUT BUTTON SELECT TEXTAREA IMG PICTURE VIDEO AUDIO CANVAS'.split(
    ' ',
  ),
);
/** Attributes by which the editor knows its own parts again. */
const own = new Set([
  'data-pm-slice',
  'data-live',
  'data-measure',
  'data-live-set',
  'data-control',
  'data-digits',
  'data-callout',
  'data-targets',
  'data-type',
  'data-latex',
]);

/**
 * Text that is pasted from a word processor or a web page, as far as prose has it. It is taken apart in a document of its
 * own, in which nothing runs and nothing is fetched, before the editor sees it.
 */
export function cleanPasted(html: string): string {
  // Styles and handlers are given other names first, so that the page's policy has nothing to refuse.
  const inert = html.replace(/<[^<>]*>/g, (tag) => tag.replace(/\s(style|on\w+)(\s*=)/gi, ' data-was-$1$2'));
  const { body } = new DOMParser().parseFromString(inert, 'text/html');
  clean(body);
  return body.innerHTML;
}

function clean(parent: Element): void {
  for (const element of [...parent.children]) {
    const name = element.tagName.toUpperCase();
    if (gone.has(name)) {
      element.remove();
      continue;
    }
    clean(element);
    const isPlainBold = name === 'B' && weightOf(element) === 'normal';
    if (!kept.has(name) || isPlainBold) {
      element.replaceWith(...element.childNodes);
      continue;
    }
    const emphasis = name === 'SPAN' ? emphasisOf(element) : undefined;
    for (const { name: attribute } of [...element.attributes]) {
      const isAddress =
        name === 'A' && attribute === 'href' && isAllowedAddress(element.getAttribute('href')!);
      const isSpan =
        /^(col|row)span$/.test(attribute) && /^([1-9]|[1-4]\d|50)$/.test(element.getAttribute(attribute)!);
      if (!own.has(attribute) && !isAddress && !isSpan) element.removeAttribute(attribute);
    }
    const instead = emphasis ?? headingOf(name);
    if (instead) {
      const set = element.ownerDocument.createElement(instead);
      set.append(...element.childNodes);
      element.replaceWith(set);
    }
  }
  // What a comment says, as word processors hide conditions in them, is nobody's to read.
  for (const node of [...parent.childNodes]) if (node.nodeType === Node.COMMENT_NODE) node.remove();
}

/** A declaration of an element's style, read as text: nothing is laid out here. */
const styleOf = (element: Element, property: string): string =>
  new RegExp(`${property}\\s*:\\s*([\\w-]+)`, 'i').exec(element.getAttribute('data-was-style') ?? '')?.[1] ??
  '';

const weightOf = (element: Element): string => styleOf(element, 'font-weight');

/** The heading of prose that stands for one of another text; prose has two levels. */
const headingOf = (name: string): 'h3' | 'h4' | undefined =>
  /^H[1-6]$/.test(name) ? (name < 'H4' ? 'h3' : 'h4') : undefined;

/** How words are set that a word processor sets by their style alone. */
function emphasisOf(element: Element): 'strong' | 'em' | undefined {
  const weight = weightOf(element);
  if (weight === 'bold' || Number(weight) >= 600) return 'strong';
  return styleOf(element, 'font-style') === 'italic' ? 'em' : undefined;
}

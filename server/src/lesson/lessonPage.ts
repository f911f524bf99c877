import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { toldByServer, type AloneLesson } from '@bogen/contract';
import { HttpProblem } from '../http/problem.js';

/** The reader as one script and one style sheet, as it was built to be put into a page. */
interface Built {
  readonly script: string;
  readonly style: string;
}

const known = new Map<string, Built>();

function builtIn(folder: string | undefined): Built {
  const file = folder && join(folder, 'lessonPage.json');
  if (!file || !existsSync(file)) throw new HttpProblem('refused', toldByServer('pageNotBuilt'));
  let built = known.get(file);
  if (!built) known.set(file, (built = JSON.parse(readFileSync(file, 'utf8')) as Built));
  return built;
}

/**
 * Faces of the letters in which formulas are set, some by their weight or slant besides, which are left out where no
 * formula of the lesson asks for them.
 */
const formulaFaces: Readonly<Record<string, RegExp>> = {
  KaTeX_Caligraphic: /\\(?:math)?cal\b/,
  KaTeX_Fraktur: /\\(?:math)?frak\b/,
  KaTeX_SansSerif: /\\(?:mathsf|textsf|sf)\b/,
  KaTeX_Script: /\\mathscr\b/,
  KaTeX_Typewriter: /\\(?:mathtt|texttt|tt)\b/,
  'KaTeX_Main 700': /\\(?:mathbf|textbf|bf|boldsymbol|bm|pmb)\b/,
  'KaTeX_Main italic': /\\(?:mathit|textit|it|emph)\b/,
  'KaTeX_Math 700': /\\(?:boldsymbol|bm)\b/,
};

/** Letters that the pages themselves show, whatever the lesson: those of mathematics among them. */
const ownLetters = 'A°×·−–…“”’→←√²³λτκπ';

/**
 * The style sheet with those faces alone that the lesson needs, each in the one form that every browser of today reads.
 * All faces of all alphabets would be several times as large as everything else.
 */
export function styleFor(style: string, lesson: string): string {
  const letters = [...new Set(ownLetters + lesson)].map((letter) => letter.codePointAt(0)!);
  return style.replace(/@font-face\s*{[^}]*}/g, (face) => {
    const said = face.replace(/url\([^)]*\)/g, '');
    const family = /font-family:\s*["']?([\w ]+)/.exec(said)?.[1] ?? '';
    const looks = ['', ' 700', ' italic']
      .filter((look) => said.includes(look.trim()))
      .map((look) => family + look);
    if (looks.some((name) => formulaFaces[name] && !formulaFaces[name].test(lesson))) return '';
    const range = /unicode-range:\s*([^;}]+)/.exec(said)?.[1];
    const isAsked = (range: string): boolean =>
      rangesOf(range).some(([from, to]) => letters.some((code) => code >= from && code <= to));
    if (range && !isAsked(range)) return '';
    return face.replace(/,\s*url\([^)]*\)\s*format\(["']?(?:woff|truetype)["']?\)/g, '');
  });
}

/** The first and last letters of the ranges of a face; `U+4??` stands for all of `U+400-4FF`. */
const rangesOf = (text: string): (readonly [number, number])[] =>
  text.split(',').map((part) => {
    const [from, to = from] = part.trim().replace(/^U\+/i, '').split('-') as [string, string?];
    return [parseInt(from.replaceAll('?', '0'), 16), parseInt(to.replaceAll('?', 'F'), 16)];
  });

const digestOf = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * A lesson as one HTML file that opens without a server and without a network. What is in it may do nothing outside of
 * it: no address can be asked for anything, no other script runs, and no form is sent.
 * @param folder of the built web application
 * @throws HttpProblem where the application is not built
 */
export function lessonPage(folder: string | undefined, lesson: AloneLesson): string {
  const { script, style: whole } = builtIn(folder);
  // Within a page neither the end of a script nor a comment may begin in its data.
  const data = JSON.stringify(lesson).replaceAll('<', '\\u003c');
  const style = styleFor(whole, data);
  const policy = [
    "default-src 'none'",
    `script-src ${digestOf(script)}`,
    `style-src ${digestOf(style)}`,
    'img-src data: blob:',
    'font-src data:',
    'worker-src blob:',
    "form-action 'none'",
    "base-uri 'none'",
  ].join('; ');
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="${policy}">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<title>${escaped(lesson.reading.title)}</title>
<style>${style}</style>
</head>
<body>
<div id="root"></div>
<script type="application/json" id="lesson">${data}</script>
<script type="module">${script}</script>
</body>
</html>
`;
}

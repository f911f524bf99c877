import type { FormatName } from '../../src/format/index.js';

const millions = 3_000_000;
const head =
  "ISO-10303-21;HEADER;FILE_DESCRIPTION((''),'2;1');FILE_NAME('','',(''),(''),'','','');FILE_SCHEMA(('A'));ENDSEC;DATA;";
const drawing = (inside: string): string => `<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`;

/** Files that are made to keep a reader busy or to fill its memory: a format, what is wrong, the text. */
export const hostile: readonly (readonly [FormatName, string, string])[] = [
  ['step', 'too long', ' '.repeat(21_000_000)],
  ['step', 'deep', `${head}#1=A(${'('.repeat(millions)}`],
  ['step', 'a list that goes on', `${head}#1=A(${'1,'.repeat(millions)}`],
  ['step', 'many entities', `${head}${Array.from({ length: 600_000 }, (_, k) => `#${k + 1}=A();`).join('')}`],
  ['step', 'a text that goes on', `${head}#1=A('${'x'.repeat(millions)}`],
  ['step', 'signs that are doubled', `${head}#1=A('${"''".repeat(millions / 2)}`],
  ['step', 'a comment that goes on', `${head}/*${'*'.repeat(millions)}`],
  ['step', 'digits', `${head}#1=A(${'9'.repeat(millions)}.E9);`],
  [
    'step',
    'curves that lead to themselves',
    `${head}#1=TRIMMED_CURVE('',#1,(PARAMETER_VALUE(0.)),(PARAMETER_VALUE(1.)),.T.,.PARAMETER.);#2=TRIMMED_CURVE('',#1,(PARAMETER_VALUE(0.)),(PARAMETER_VALUE(1.)),.T.,.PARAMETER.);ENDSEC;END-ISO-10303-21;`,
  ],
  ['iges', 'one line that goes on', 'S'.repeat(millions)],
  [
    'iges',
    'a count that promises much',
    `${' '.repeat(72)}S      1\n${'1H,,1H;,9999999Hx'.padEnd(72)}G      1\n`,
  ],
  ['csv', 'rows without end', '1,2\n'.repeat(1_100_000)],
  ['csv', 'a quote that goes on', `"${'""'.repeat(millions / 2)}`],
  ['csv', 'cells without end', '1,'.repeat(millions)],
  ['json', 'deep', '{"a":'.repeat(millions)],
  ['json', 'numbers without end', `[${'1,'.repeat(millions)}`],
  ['svg', 'elements in elements', `<svg>${'<g>'.repeat(millions)}`],
  ['svg', 'entities of entities', '<!DOCTYPE svg [<!ENTITY a "&b;&b;"><!ENTITY b "aaaa">]><svg>&a;</svg>'],
  ['svg', 'numbers without end', drawing(`<path d="M0 0${'L1 1'.repeat(1_100_000)}"/>`)],
  ['svg', 'elements without end', drawing('<g/>'.repeat(500_000))],
  [
    'svg',
    'attributes without end',
    `<svg ${Array.from({ length: 1_000_000 }, (_, k) => `a${k}="1"`).join(' ')}`,
  ],
  ['svg', 'an attribute that goes on', `<svg a="${'x'.repeat(19_000_000)}`],
  ['svg', 'a text that goes on', `<svg xmlns="http://www.w3.org/2000/svg"><text>${'x'.repeat(19_000_000)}`],
  [
    'svg',
    'groups that are turned again and again',
    drawing(`${'<g transform="rotate(1) scale(2)">'.repeat(59)}<path d="M0 0L1 1"/>`),
  ],
  ['iges', 'many lines', `${`${' '.repeat(72)}S`}\n`.repeat(240_000)],
];

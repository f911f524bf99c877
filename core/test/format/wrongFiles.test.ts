import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { FormatError, type FormatMember, readerOf } from '../../src/format/define.js';
import { formatNames, formats, type FormatName } from '../../src/format/formats.js';
import { curveItem, outgoing } from './figures.js';
import { holds } from '../holds.js';
import { hostile } from './hostile.js';

const cubic: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.5, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 20],
    [30, 20],
    [40, 0],
    [50, 5],
  ],
  weights: [1, 2, 1, 0.5, 1],
};
const written = (name: FormatName): string => {
  const format: FormatMember = formats[name];
  return format.write(outgoing(curveItem(cubic, 'Camber')), format.first).text;
};
const read = (name: FormatName, text: string) => readerOf(formats[name])(text);
/** What is told of a file that is refused. */
function refusal(name: FormatName, text: string): string {
  try {
    read(name, text);
  } catch (error) {
    if (error instanceof FormatError) return error.message;
    throw error;
  }
  return 'it was read';
}
const changed = (name: FormatName, from: string | RegExp, to: string): string => {
  const text = written(name);
  const other = text.replace(from, to);
  expect(other, String(from)).not.toBe(text);
  return other;
};

describe('an exchange file by ISO 10303-21 that is not as the standard has it', () => {
  it.each([
    ['another first line', /^ISO-10303-21;/, 'ISO-10303-22;', 'Line 1: There is ISO-10303-22 where'],
    ['no header', /HEADER;[^]*?ENDSEC;\n/, '', 'where HEADER should stand'],
    ['a header without its schema', /FILE_SCHEMA.*\n/, '', 'where FILE_SCHEMA should stand'],
    ['no end', 'END-ISO-10303-21;', '', 'cut off'],
    ['something after its end', 'END-ISO-10303-21;', 'END-ISO-10303-21;#1=A();', 'the end of the file'],
    ['a coordinate without a point', '(10.,20.,0.)', '(10,20.,0.)', 'a list of numbers with a point'],
    ['a number that runs on', '(10.,20.,0.)', '(10.x,20.,0.)', 'is not a number|where a number should stand'],
    ['a number that is too large', '(10.,20.,0.)', '(1.E999,20.,0.)', 'can’t be calculated with'],
    ['no number at all', '(10.,20.,0.)', '(NaN,20.,0.)', 'should stand'],
    ['a reference to nothing', /\(#\d+,/, '(#99999,', 'refers to #99999'],
    ['an instance twice', '#2=', '#1=', '#1 is there twice'],
    [
      'records out of their order',
      /BOUNDED_CURVE\(\) (B_SPLINE_CURVE\([^]*?\)) B_SPLINE_CURVE_WITH/,
      '$1 BOUNDED_CURVE() B_SPLINE_CURVE_WITH',
      'by its letters',
    ],
    ['multiplicities that do not add up', '(4,1,4)', '(4,2,4)', 'has 10 values instead of 9'],
    ['a knot that falls', '(0.,0.5,1.)', '(0.,1.5,1.)', 'does not lie above'],
    ['a knot repeated too often', '(4,1,4)', '(1,4,4)', 'repeated more often'],
    [
      'as many weights as it likes',
      'RATIONAL_B_SPLINE_CURVE((1.,',
      'RATIONAL_B_SPLINE_CURVE((',
      'has 4 values instead of 5',
    ],
    ['a weight of zero', 'RATIONAL_B_SPLINE_CURVE((1.,2.', 'RATIONAL_B_SPLINE_CURVE((1.,0.', 'weight'],
    ['a word that is none of the schema', '.UNSPECIFIED.,.F.', '.ROUND.,.F.', 'should be .POLYLINE_FORM.'],
    ['a text that does not end', "'Camber'", "'Camber", 'text'],
    ['a unit that is none', '.METRE.', '.ELL.', 'should be .METRE.'],
    ['things in things in things', "'Camber'", `${'('.repeat(80)}${')'.repeat(80)}`, 'deep'],
  ] as const)('is refused: %s', (_, from, to, told) => {
    expect(refusal('step', changed('step', from, to))).toMatch(new RegExp(told, 'i'));
  });

  it('is refused where it is cut off, wherever that is', () => {
    const text = written('step');
    for (let at = 0; at < text.length - 2; at += 7)
      expect(refusal('step', text.slice(0, at)), String(at)).toMatch(/Line \d+: /);
  });

  it('is read in another unit, with curves that are trimmed and put together', () => {
    const text = changed(
      'step',
      /#(\d+)=GEOMETRIC_CURVE_SET/,
      [
        "#801=CARTESIAN_POINT('',(1.,0.,0.));",
        "#802=DIRECTION('',(1.,0.,0.));",
        "#803=VECTOR('',#802,2.);",
        "#804=LINE('',#801,#803);",
        "#805=TRIMMED_CURVE('Edge',#804,(PARAMETER_VALUE(0.)),(PARAMETER_VALUE(3.)),.T.,.PARAMETER.);",
        "#806=CARTESIAN_POINT('',(7.,5.,0.));",
        "#807=AXIS2_PLACEMENT_3D('',#806,$,$);",
        "#808=CIRCLE('',#807,5.);",
        "#809=TRIMMED_CURVE('',#808,(PARAMETER_VALUE(4.71238898038469)),(PARAMETER_VALUE(0.)),.T.,.PARAMETER.);",
        '#810=COMPOSITE_CURVE_SEGMENT(.CONTINUOUS.,.T.,#805);',
        '#811=COMPOSITE_CURVE_SEGMENT(.CONTINUOUS.,.T.,#809);',
        "#812=COMPOSITE_CURVE('Edge and round',(#810,#811),.F.);",
        "#813=PLANE('',#807);",
        '#$1=GEOMETRIC_CURVE_SET',
      ].join('\n'),
    ).replace('.MILLI.', '.CENTI.');
    const { items, left, millimetres } = read('step', text);
    expect(millimetres).toBe(10);
    expect(items.map(({ name }) => name)).toEqual(['Camber', 'Edge and round']);
    const joined = (items[1] as { curve: Curve }).curve;
    expect(joined.points[0]).toEqual([10, 0]);
    expect(joined.points.at(-1)![0]).toBeCloseTo(120, 9);
    expect(joined.points.at(-1)![1]).toBeCloseTo(50, 9);
    expect(left).toEqual([{ what: 'PLANE', count: 1 }]);
  });
});

describe('a file by IGES 5.3 that is not as the standard has it', () => {
  it.each([
    ['a line of another length', /^(.{79})./, '$1', 'Line 1: The line has 79 columns'],
    ['a section out of its order', /G {6}1\n/, 'P      1\n', 'Line \\d+: There is'],
    ['a number of a line that is wrong', 'D      2\n', 'D      3\n', 'where D2 should stand'],
    ['no end', /.{72}T {6}1\n/, '', 'cut off'],
    ['other counts at its end', /D {6}(\d)P/, 'D      9P', 'should stand'],
    ['another type in its parameters', '126,4,3', '110,4,3', 'where 126 should stand'],
    ['no number', '126,4,3', '126,x,3', 'x is not a number'],
    ['as few parameters as it likes', '126,4,3', '126,9,3', 'values instead of'],
    ['a degree that is too high', '126,4,3', '126,4,9', 'values instead of|is not as the standard has it'],
  ] as const)('is refused: %s', (_, from, to, told) => {
    expect(refusal('iges', changed('iges', from, to))).toMatch(new RegExp(told, 'i'));
  });

  it('is refused where it is cut off, wherever that is', () => {
    const text = written('iges');
    for (let at = 0; at < text.length - 2; at += 7)
      expect(refusal('iges', text.slice(0, at)), String(at)).not.toBe('it was read');
  });

  it('is read in inches', () => {
    const { items, millimetres } = read('iges', changed('iges', ',2,2HMM,', ',1,2HIN,'));
    expect(millimetres).toBe(25.4);
    expect((items[0] as { curve: Curve }).curve.points[1]).toEqual([254, 508]);
  });
});

describe('a table', () => {
  it.each([';', '\t'])('is read with %j between its cells', (separator) => {
    const { items } = read('csv', written('csv').replaceAll(',', separator));
    expect(items).toMatchObject([{ name: 'Camber', curve: cubic }]);
  });

  it.each([
    ['two columns', '0,0\n10,5\n20,0\n'],
    ['a head', 'x,y\n0,0\n10,5\n20,0\n'],
    ['spaces', '0 0\n10   5\n20 0'],
  ])('is read as a plain list of coordinates: %s', (_, text) => {
    const { items } = read('csv', text);
    expect(items).toMatchObject([
      {
        curve: {
          degree: 1,
          points: [
            [0, 0],
            [10, 5],
            [20, 0],
          ],
        },
      },
    ]);
  });

  it.each([
    ['a cell too few', 'curve,kind,x,y\nA,point,1\n', 'Line 2: The row has 3 cells instead of 4'],
    ['no number', 'x,y\n1,2\n3,four\n', 'Line 3: four is not a number'],
    ['an unknown kind', 'curve,kind,x,y\nA,surface,1,2\n', 'Line 2'],
    ['nothing', '\n\n', 'no curve and no point'],
    ['a quote that does not end', 'x,y\n"1,2\n', 'cut off'],
    ['too few knots', 'curve,kind,x,y,value,degree\nA,point,0,0,,3\nA,point,1,0,,3\n', 'Line 2'],
    ['an infinite number', 'x,y\n1e999,2\n3,4\n', 'can’t be calculated with'],
  ])('is refused with its line: %s', (_, text, told) => {
    expect(refusal('csv', text)).toContain(told);
  });

  it('lets no name become a formula of a spreadsheet', () => {
    const { text } = formats.csv.write(outgoing(curveItem(cubic, '=1+1')), formats.csv.first);
    expect(text).not.toMatch(/^=/m);
  });
});

describe('JSON', () => {
  it.each([
    ['no JSON', '{"format":', 'cut off|JSON'],
    ['another kind', '{"format":"else"}', 'not a file of the kind'],
    ['a later version', '{"format":"bogen-curve","version":9}', 'version 9'],
    [
      'a curve with one knot too few',
      '{"format":"bogen-curve","version":1,"name":"A","curve":{"degree":1,"knots":[0,0,1],"points":[[0,0],[1,1]]}}',
      'knot',
    ],
    [
      'a key that is not known',
      '{"format":"bogen-curve","version":1,"name":"A","curve":{"degree":1,"knots":[0,0,1,1],"points":[[0,0],[1,1]],"colour":1}}',
      'curve.colour',
    ],
    ['things in things', '['.repeat(100_000), 'deep'],
  ])('is refused: %s', (_, text, told) => {
    expect(refusal('json', text)).toMatch(new RegExp(told, 'i'));
  });

  it('holds a whole figure', () => {
    const { document } = outgoing(curveItem(cubic));
    expect(read('json', written('json')).figure).toEqual({
      ...document,
      items: [curveItem(cubic, 'Camber')],
    });
  });
});

describe('a hostile file', () => {
  it.each(hostile)('is refused by %s: %s', (name, _, text) => {
    expect(refusal(name, text)).not.toBe('it was read');
  });
});

describe('a file of any format that was cut off or altered', () => {
  it.each(formatNames.filter((name) => (formats[name] as FormatMember).read))(
    'is refused with a sentence, or read: %s',
    (name) => {
      const text = written(name);
      const place = fc.nat({ max: text.length - 1 });
      holds(
        fc.property(place, place, fc.string({ maxLength: 4 }), (a, b, put) => {
          const altered = text.slice(0, Math.min(a, b)) + put + text.slice(Math.max(a, b));
          try {
            expect(read(name, altered).items).toBeInstanceOf(Array);
          } catch (error) {
            expect(error).toBeInstanceOf(FormatError);
          }
        }),
      );
    },
  );
});

import { jsonFileSchemas } from '@bogen/contract';
import { emptyFigure, evaluateFigure, mismatchOf } from '@bogen/core/figure';
import { formats, jsonDescriptions } from '@bogen/core/format';
import { demoLessons } from '@bogen/demo';
import Ajv2020 from 'ajv/dist/2020.js';
import fc from 'fast-check';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { TestServer } from './harness.js';
import { holds } from '../../core/test/holds.js';

const server = new TestServer('formats');
const figures = demoLessons.flatMap(({ document }) => document.sheets.map(({ figure }) => figure));
const written = (figure: (typeof figures)[number]): unknown =>
  JSON.parse(formats.json.write({ document: figure, evaluation: evaluateFigure(figure) }, {}).text);

describe('a drawing', () => {
  it('is read by another program as large as it is, to a tenth of a millimetre', async () => {
    const item = {
      id: 'hole',
      name: 'Hole',
      kind: 'shape',
      shape: { kind: 'circle', centre: [7, -3], radius: 12.5, layout: 'quadratic9' },
    } as const;
    const arcs = {
      ...item,
      id: 'ring',
      shape: { kind: 'arcThrough', start: [-5.5, -3], through: [7, 9.5], end: [19.5, -3] },
    } as const;
    for (const one of [item, arcs]) {
      const document = { ...emptyFigure(), items: [one] };
      const { text } = formats.svg.write(
        { document, evaluation: evaluateFigure(document) },
        { ...formats.svg.first, style: 'print' },
      );
      const { data, info } = await sharp(Buffer.from(text), { density: 200 })
        .flatten({ background: '#fff' })
        .greyscale()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const dark = Array.from({ length: info.width }, (_, x) => x).filter((x) =>
        Array.from({ length: info.height }, (_, y) => data[y * info.width + x]!).some((grey) => grey < 128),
      );
      const pixels = info.width / Number(/width="(\d+)mm"/.exec(text)![1]);
      expect(pixels).toBeGreaterThan(15);
      const across = (dark.at(-1)! - dark[0]! + 1) / pixels;
      // The line itself is half a millimetre wide.
      expect(across).toBeGreaterThan(25.5 - 0.1);
      expect(across).toBeLessThan(25.5 + 0.1);
    }
  });
});

describe('figures as JSON', () => {
  it('are as the JSON Schema says that the server gives to anyone', async () => {
    const response = await server.visitor().fetch('/schemas/figure.json');
    expect(response.headers.get('content-type')).toContain('application/schema+json');
    const schema = (await response.json()) as object;
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema);
    for (const figure of figures)
      expect(validate(written(figure)), JSON.stringify(validate.errors)).toBe(true);
    expect(validate({ format: 'bogen-figure', version: 1, figure: {} })).toBe(false);
  });

  it.each(['curve', 'figure-items'])('have schemas of their parts, too: %s', async (name) => {
    expect((await server.visitor().fetch(`/schemas/${name}.json`)).status).toBe(200);
  });

  it('are judged alike by core, when a file comes in, and by the schemas at the door', () => {
    const schema = jsonFileSchemas['figure']!;
    const values = fc.constantFrom<unknown>(null, -1, 0.5, 'x', '', true, [], {}, [1, 2], undefined);
    holds(
      fc.property(
        fc.constantFrom(...figures),
        fc.infiniteStream(fc.nat(1000)),
        values,
        (figure, ways, value) => {
          const file = written(figure);
          let at = file as Record<string, unknown>;
          // Somewhere in it a value is another.
          for (let depth = 0; depth < 12; depth++) {
            const keys = Object.keys(at);
            if (keys.length === 0) break;
            const key = keys[ways.next().value! % keys.length]!;
            const next = at[key];
            if (typeof next !== 'object' || next === null || ways.next().value! % 5 === 0) {
              at[key] = value;
              break;
            }
            at = next as Record<string, unknown>;
          }
          const changed: unknown = JSON.parse(JSON.stringify(file));
          expect(mismatchOf(jsonDescriptions['bogen-figure'], changed) === undefined).toBe(
            schema.safeParse(changed).success,
          );
        },
      ),
      { numRuns: 400 },
    );
  });
});

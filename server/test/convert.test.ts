import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { convertFile } from '../../scripts/convertFile.mjs';
import { Trouble } from '../../scripts/say.mjs';
import { afterAll, describe, expect, it } from 'vitest';

const root = join(import.meta.dirname, '..', '..');
const folder = mkdtempSync('/tmp/bogen-convert-');
afterAll(() => rmSync(folder, { recursive: true }));

const at = (name: string): string => join(folder, name);

/** How the command ends, and what it says: in this process, since each of its own takes seconds to begin. */
async function convert(...words: string[]): Promise<{ status: number; said: string }> {
  const said: string[] = [];
  const print = (line: string): void => void said.push(line);
  try {
    return { status: await convertFile(words, print), said: said.join('\n') };
  } catch (error) {
    if (!(error instanceof Trouble)) throw error;
    return { status: 1, said: [...said, error.message].join('\n') };
  }
}

/** The command itself. */
function command(...words: string[]): { status: number | null; said: string } {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', join(root, 'scripts', 'convert.mjs'), ...words],
    { cwd: root, encoding: 'utf8' },
  );
  return { status, said: stdout + stderr };
}

const curve = {
  format: 'bogen-curve',
  version: 1,
  name: 'Camber',
  curve: {
    degree: 2,
    knots: [0, 0, 0, 0.3, 1, 1, 1],
    points: [
      [0, 0.1],
      [10, 1 / 3],
      [20, 5],
      [30, 0],
    ],
    weights: [1, 2, 1, 1],
  },
};

describe('npm run convert', () => {
  it('goes from format to format and back to the same curve', async () => {
    writeFileSync(at('a.json'), JSON.stringify(curve));
    for (const [from, to] of [
      ['a.json', 'b.step'],
      ['b.step', 'c.igs'],
      ['c.igs', 'd.csv'],
      ['d.csv', 'e.json'],
    ] as const)
      expect(await convert(at(from), at(to)), `${from} to ${to}`).toMatchObject({ status: 0 });
    const { figure } = JSON.parse(readFileSync(at('e.json'), 'utf8')) as {
      figure: { items: { name: string; curve: unknown }[] };
    };
    expect(figure.items).toMatchObject([{ name: 'Camber', curve: curve.curve }]);
  }, 120_000);

  it('takes the figure of a sheet out of a lesson, as it is at a stage, with the names of the lesson', async () => {
    const lesson = join(root, 'demo', 'lessons', '4-knots-on-the-rail.json');
    const { status, said } = await convert(lesson, at('sheet.step'));
    expect(status).toBe(1);
    expect(said).toMatch(/Say which by --sheet: 1 .+, 2 .+, 6 /);
    expect(await convert(lesson, at('sheet.svg'), '--sheet', 'insert', '--marks')).toMatchObject({
      status: 0,
    });
    expect(readFileSync(at('sheet.svg'), 'utf8')).toMatch(/>P<tspan[^>]*>0</);
    expect(await convert(lesson, at('sheet.json'), '--sheet', '3', '--stage', '1')).toMatchObject({
      status: 0,
    });
    const { figure } = JSON.parse(readFileSync(at('sheet.json'), 'utf8')) as { figure: { items: object[] } };
    expect(figure.items).toHaveLength(1);
    expect((await convert(lesson, at('none.json'), '--sheet', '3', '--stage', '99')).said).toMatch(
      /Say which by --stage/,
    );
    expect((await convert(at('sheet.json'), at('b.svg'), '--sheet', '1')).said).toMatch(/about lesson files/);
    writeFileSync(
      at('broken.json'),
      JSON.stringify({ format: 'bogen-lesson', version: 1, lesson: { version: 2 } }),
    );
    expect(await convert(at('broken.json'), at('b.svg'))).toMatchObject({ status: 1 });
  }, 120_000);

  it('says what was lost, and ends with 3 for it', async () => {
    writeFileSync(at('a.json'), JSON.stringify(curve));
    const { status, said } = await convert(at('a.json'), at('a.svg'), '--tolerance', '0.001');
    expect(status).toBe(3);
    expect(said).toMatch(/cubic pieces, at most 0\.00\d+ mm off: 1\./);
    expect(readFileSync(at('a.svg'), 'utf8')).toContain('<title>Camber</title>');
  });

  it('draws a page of the drawing’s size, and a picture as wide as asked', async () => {
    writeFileSync(at('a.json'), JSON.stringify(curve));
    expect((await convert(at('a.json'), at('a.pdf'), '--marks', '--comb')).status).toBe(3);
    // Poppler comes with what the tests install.
    const told = (program: string): string => spawnSync(program, [at('a.pdf')], { encoding: 'utf8' }).stdout;
    expect(told('pdfinfo')).toMatch(/Pages:\s+1\n/);
    const fonts = told('pdffonts').trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(0);
    // Embedded, as all of it are.
    for (const font of fonts) expect(font).toMatch(/yes\s+(?:yes|no)\s+yes/);
    expect(spawnSync('pdftotext', [at('a.pdf'), '-'], { encoding: 'utf8' }).stdout).toMatch(/\bP0\b/);
    expect((await convert(at('a.json'), at('a.png'), '--pixels', '640')).status).toBe(3);
    const { width } = await sharp(readFileSync(at('a.png'))).metadata();
    expect(width).toBe(640);
    expect(await convert(at('a.json'), at('a.png'), '--pixels', 'many')).toMatchObject({ status: 1 });
  }, 120_000);

  it.each([
    [[], 'npm run convert'],
    [['none.step', 'a.svg'], 'There is no file none.step'],
    [['a.doc', 'a.svg'], 'No format with the ending doc'],
    [['package.json', 'a.step'], 'not a file of the kind JSON'],
    [['package.json', 'a.svg', '--colour', 'red'], 'There is no option --colour'],
    [['package.json', 'a.svg', '--tolerance', '-1'], 'At tolerance there should be a number from'],
  ])('ends with 1 and a sentence where nothing can be written: %j', async (words, told) => {
    const { status, said } = await convert(...words);
    expect(status).toBe(1);
    expect(said).toContain(told);
    expect(said).not.toContain('    at ');
  });

  it('is a command: it ends with what the conversion comes to, and its sentences', () => {
    writeFileSync(at('a.json'), JSON.stringify(curve));
    expect(command(at('a.json'), at('command.step'))).toMatchObject({ status: 0 });
    expect(readFileSync(at('command.step'), 'utf8')).toContain('Camber');
    expect(command(at('a.json'), at('command.svg'), '--tolerance', '0.001')).toMatchObject({ status: 3 });
    const { status, said } = command();
    expect(status).toBe(1);
    expect(said).toContain('npm run convert');
    expect(said).not.toContain('    at ');
  }, 120_000);
});

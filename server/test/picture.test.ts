import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { checkPicture } from '../src/pool/checkPicture.js';
import { readProblem, TestServer } from './harness.js';

const server = new TestServer('picture');
const svg = (inside: string, attributes = 'viewBox="0 0 60 40"'): Buffer =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`);
const raster = (kind: 'png' | 'jpeg', width = 30, height = 20): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: '#876' } })
    .toFormat(kind)
    .toBuffer();
const send = (data: Buffer) => ({ body: { data: data.toString('base64') } });

describe('a picture', () => {
  it('is kept, known again, and shown to whoever is signed in', async () => {
    const teacher = await server.signedIn();
    const png = await raster('png');
    const kept = await teacher.call('addPicture', send(png));
    expect(kept).toMatchObject({ mediaType: 'image/png', width: 30, height: 20 });
    expect((await teacher.call('addPicture', send(png))).id).toBe(kept.id);
    const jpeg = await teacher.call('addPicture', send(await raster('jpeg')));
    expect(jpeg.mediaType).toBe('image/jpeg');

    const student = await server.student('Runa Picture');
    const seen = await student.fetch(`/pictures/${kept.id}`);
    expect(seen.status).toBe(200);
    expect(seen.headers.get('content-type')).toBe('image/png');
    expect(seen.headers.get('content-security-policy')).toContain('sandbox');
    expect(seen.headers.get('x-content-type-options')).toBe('nosniff');
    const info = await sharp(Buffer.from(await seen.arrayBuffer())).metadata();
    expect([info.width, info.height]).toEqual([30, 20]);
  });

  it('is refused to strangers, to students who send one, and where there is none', async () => {
    const student = await server.student('Runa Sends');
    expect((await student.problem('addPicture', send(await raster('png')))).type).toBe('not-allowed');
    const id = '00000000-0000-4000-8000-000000000000';
    expect((await readProblem(await server.visitor().fetch(`/pictures/${id}`))).type).toBe('not-signed-in');
    expect((await readProblem(await student.fetch(`/pictures/${id}`))).type).toBe('not-found');
    expect((await readProblem(await student.fetch('/pictures/nonsense'))).type).toBe('not-found');
  });

  it('must be what it says, whole, and not too large; the sentence says what to do', async () => {
    const teacher = await server.signedIn();
    const refused = async (data: Buffer): Promise<string> =>
      (await teacher.problem('addPicture', send(data))).detail;
    expect(await refused(Buffer.from('<html><script>1</script></html>'))).toContain('PNG, JPEG or SVG');
    expect(await refused(Buffer.from('GIF89a'))).toContain('PNG, JPEG or SVG');
    const png = await raster('png', 300, 200);
    expect(await refused(png.subarray(0, png.length - 40))).toContain('damaged');
    expect(await refused(await raster('png', 9000, 10))).toContain('pixels');
    expect(await refused(Buffer.alloc(8_000_001, 1))).toContain('8 MB');
    expect(await refused(svg('<script>alert(1)</script>'))).toContain('nothing left that can be drawn');
  });

  it('is turned upright and loses what the camera wrote beside the pixels', async () => {
    const turned = await sharp(await raster('jpeg', 30, 20))
      .withExif({ IFD0: { Copyright: 'somebody', Orientation: '6' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    const { width, height, bytes } = await checkPicture(turned);
    expect([width, height]).toEqual([20, 30]);
    const info = await sharp(bytes).metadata();
    expect(info.exif).toBeUndefined();
    expect(info.orientation ?? 1).toBe(1);
  });
});

describe('an SVG picture', () => {
  it('keeps what draws, and nothing that acts or fetches', async () => {
    const { bytes, mediaType, width, height } = await checkPicture(
      svg(`
        <script>alert(1)</script>
        <style>@import url(http://elsewhere.example/a.css); path { stroke: red }</style>
        <style>.own { fill: url(#paint) }</style>
        <defs><linearGradient id="paint"><stop offset="0" stop-color="#123"/></linearGradient></defs>
        <path d="M0 0L10 10" onload="alert(2)" class="own"/>
        <image href="http://elsewhere.example/spy.png" width="5" height="5"/>
        <rect width="5" height="5" fill="url(http://elsewhere.example/#x)"/>
        <use href="#paint"/>
        <foreignObject><iframe src="javascript:alert(3)"></iframe></foreignObject>
        <a href="javascript:alert(4)"><text>hello</text></a>
        <animate attributeName="href" values="javascript:alert(5)"/>
      `),
    );
    const text = bytes.toString('utf8');
    expect(mediaType).toBe('image/svg+xml');
    expect(text).toContain('M0 0L10 10');
    expect(text).toContain('linearGradient');
    expect(text).not.toMatch(/script|alert|onload|elsewhere|foreignObject|iframe|<animate|@import/);
    // Drawn large enough to be sharp, with the proportion of its view box.
    expect([width, height]).toEqual([1200, 800]);
    expect(text).toContain('width="1200"');
  });

  it('has a size whatever it says of it', async () => {
    const of = async (attributes: string): Promise<number[]> => {
      const { width, height } = await checkPicture(svg('<path d="M0 0h9"/>', attributes));
      return [width, height];
    };
    expect(await of('width="2000" height="1000"')).toEqual([2000, 1000]);
    expect(await of('width="100%" height="100%" viewBox="0 0 10 20"')).toEqual([600, 1200]);
    expect(await of('')).toEqual([800, 600]);
    expect(await of('width="1e9" height="1e9"')).toEqual([8000, 8000]);
  });

  it('is read as a browser reads it, escapes and style sheets too', async () => {
    const { bytes } = await checkPicture(
      svg(`
        <style>
          /* a comment */ .fine { stroke: #b33; fill: none }
          .far { fill: \\75rl(http://elsewhere.example/1) }
          .near { fill: url(#paint) }
          @import "http://elsewhere.example/2.css";
          @font-face { font-family: spy; src: url(http://elsewhere.example/3) }
          @media screen { .fine { fill: url(http://elsewhere.example/4) } }
          .odd { background: url(http://elsewhere.example/5); behavior: url(#x); fill: red }
        </style>
        <![CDATA[ <script>alert(1)</script> ]]>
        <path class="fine" style="stroke:\\000075 rl(//elsewhere.example/6);fill:u\\72l(http://elsewhere.example/7);stroke-width:2" d="M1 1L9 9"/>
        <rect fill="u/**/rl(http://elsewhere.example/8)" mask="url( 'http://elsewhere.example/9' )" width="3" height="3"/>
        <circle r="2" fill="url(#paint)" onclick="alert(2)" style="fill:expression(alert(3))"/>
        <image href="data:image/svg+xml;base64,PHN2Zy8+" width="4" height="4"/>
        <image xlink:href="data:image/png;base64,iVBORw0KGgo=" width="4" height="4"/>
        <filter id="f"><feImage href="http://elsewhere.example/10"/></filter>
        <set attributeName="href" to="http://elsewhere.example/11"/>
        <text font-family="'Some Serif', serif">A &lt; B &amp; C</text>
      `),
    );
    const text = bytes.toString('utf8');
    expect(text).not.toMatch(
      /elsewhere|alert|script|import|font-face|media|background|behavior|expression|filter|feImage|<set|svg\+xml/,
    );
    expect(text).toContain('.fine{stroke:#b33;fill:none}');
    expect(text).toContain('.near{fill:url(#paint)}');
    expect(text).toContain('.odd{fill:red}');
    expect(text).toContain('style="stroke-width:2"');
    expect(text).toContain('<circle r="2" fill="url(#paint)">');
    expect(text).toContain('data:image/png;base64,iVBORw0KGgo=');
    expect(text).toContain('A &lt; B &amp; C');
  });

  it('that takes more than a picture should is refused, and so is one that is broken', async () => {
    const uses = (from: string, to: string): string =>
      `<g id="${to}">${`<use href="#${from}"/>`.repeat(10)}</g>`;
    const names = [...'abcdefghij'];
    const bomb = `<defs><path id="a" d="M0 0h1"/>${names
      .slice(1)
      .map((name, k) => uses(names[k]!, name))
      .join('')}</defs><use href="#j"/>`;
    const attributes = Array.from({ length: 300_000 }, (_, k) => `a${k}="1"`).join(' ');
    for (const hostile of [
      svg('<path d="M0 0h1"/>'.repeat(200_000)),
      svg(`${'<g>'.repeat(20_000)}<path d="M0 0h1"/>${'</g>'.repeat(20_000)}`),
      svg(`<path ${attributes} d="M0 0h1"/>`),
      svg(bomb),
      svg('<g id="x"><use href="#x"/></g>'),
      Buffer.from(
        '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>',
      ),
      svg('<path d="M0 0h1">'),
    ])
      await expect(checkPicture(hostile)).rejects.toMatchObject({ problem: { type: 'refused' } });
  });

  it('comes to readers as pixels, and to its instructor as it is', async () => {
    const teacher = await server.signedIn();
    const kept = await teacher.call('addPicture', send(svg('<rect width="60" height="40" fill="#2a6"/>')));
    const own = await teacher.fetch(`/pictures/${kept.id}`);
    expect(own.headers.get('content-type')).toBe('image/svg+xml');
    const student = await server.student('Runa Pixels');
    for (const pixels of ['kept', 'drawn later']) {
      if (pixels === 'drawn later')
        await server.db.updateTable('picture').set({ pixels: null }).where('id', '=', kept.id).execute();
      const seen = await student.fetch(`/pictures/${kept.id}`);
      expect(seen.headers.get('content-type')).toBe('image/png');
      const image = sharp(Buffer.from(await seen.arrayBuffer()));
      const { width, height } = await image.metadata();
      expect([width, height]).toEqual([1200, 800]);
      const { dominant } = await image.stats();
      expect(dominant.g).toBeGreaterThan(dominant.r);
    }
  });
});

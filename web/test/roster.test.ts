import { describe, expect, it } from 'vitest';
import { browserName } from '../src/account/browserName.js';
import { likelyNames, nameChoices, namesOf, readRoster } from '../src/desk/roster.js';

const namesIn = (text: string): readonly string[] => {
  const roster = readRoster(text)!;
  return namesOf(roster, likelyNames(roster));
};

describe('a list of names', () => {
  it('is one on each line, whatever ends the lines', () => {
    expect(namesIn('Maud Ferrier\r\n\r\n  Nico   Alder \nOona Teague')).toEqual([
      'Maud Ferrier',
      'Nico Alder',
      'Oona Teague',
    ]);
  });

  it('is a table with whatever separates its columns, by what stands above them', () => {
    for (const [head, separator] of [
      ['Surname|First name|Group', '|'],
      ['Last name;First name;Class', ';'],
      ['Nachname\tVorname\tGroup', '\t'],
      ['Apellidos,Nombre,ID', ','],
    ] as const) {
      const rows = [
        ['Ferrier', 'Maud', 'B'],
        ['Alder', 'Nico', 'B'],
      ];
      const text = [head, ...rows.map((row) => row.join(separator))].join('\n');
      expect(namesIn(text), head).toEqual(['Maud Ferrier', 'Nico Alder']);
    }
    expect(namesIn('\ufeffNo,Name,E-mail\n1,"Ferrier, Maud",m@ellerbrook.example')).toEqual([
      'Ferrier, Maud',
    ]);
  });

  it('lets one choose the columns where nothing stands above them', () => {
    const roster = readRoster('7,Ferrier,Maud\n8,Alder,Nico')!;
    expect(nameChoices(roster)).toEqual([[1], [2], [1, 2], [2, 1]]);
    expect(namesOf(roster, [2, 1])).toEqual(['Maud Ferrier', 'Nico Alder']);
  });

  it('may be empty', () => {
    expect(readRoster('')).toBeUndefined();
    expect(readRoster(' \n ')).toBeUndefined();
    expect(namesIn('Name\n')).toEqual([]);
  });
});

describe('a browser', () => {
  it('is known by what it says, and not guessed at', () => {
    expect(
      browserName('Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 Chrome/130.0 Safari/537.36'),
    ).toEqual({ browser: 'Chrome', system: 'Windows' });
    expect(browserName('Mozilla/5.0 (X11; Linux x86_64; rv:132.0) Gecko/20100101 Firefox/132.0')).toEqual({
      browser: 'Firefox',
      system: 'Linux',
    });
    expect(
      browserName(
        'Mozilla/5.0 (iPad; CPU OS 17_5 like Mac OS X) AppleWebKit/605.1.15 Version/17.5 Safari/604.1',
      ),
    ).toEqual({ browser: 'Safari', system: 'iOS' });
    expect(browserName('curl/8')).toBeUndefined();
  });
});

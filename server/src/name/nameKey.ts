import unhomoglyph from 'unhomoglyph';

/**
 * What names have in common that look the same to a reader: capitals, spaces, signs that show nothing, and letters
 * of other alphabets that look like Latin ones do not tell names apart (Unicode Technical Standard 39, section 4,
 * skeletons). Marks on letters do: Zoë is not Zoe. A capital I looks like a small l, and both come small and large,
 * so that i and l count as one.
 */
export function nameKey(name: string): string {
  const skeleton = (text: string): string => unhomoglyph(text.normalize('NFD')).normalize('NFD');
  // Once large and once small, since some letters look alike only when they are small.
  return skeleton(skeleton(name.normalize('NFKC')).toLowerCase())
    .toLowerCase()
    .replace(/[\p{Default_Ignorable_Code_Point}\p{Control}]/gu, '')
    .replace(/[\s\p{Dash}_.]+/gu, ' ')
    .replaceAll('i', 'l')
    .trim();
}

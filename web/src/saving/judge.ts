import { pathsMeet } from '@bogen/core/lesson';

/**
 * What becomes of an own change where others changed the document too: it stands *apart*, goes *over* what they
 * changed, or is *lost*.
 */
export type Verdict = 'apart' | 'over' | 'lost';

/**
 * Judges own changes by the paths that they touch.
 * @param theirs the paths that others changed; where that is not known everything may have been
 */
export function judgeAgainst(theirs: readonly string[] | undefined): (own: readonly string[]) => Verdict {
  return (own) => {
    if (!theirs) return 'over';
    if (!pathsMeet(own, theirs)) return 'apart';
    // Where the whole was changed of which this changes a part, the same index may be another thing.
    const isPart = theirs.some((path) => own.some((mine) => mine.startsWith(`${path}/`)));
    return isPart ? 'lost' : 'over';
  };
}

import { passwordLimits, toldByServer } from '@bogen/contract';
import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { HttpProblem } from '../http/problem.js';
import { Gate } from '../pool/gate.js';

/** Passwords that are tried first, as they are published of many broken-in places; in small letters. */
const common: ReadonlySet<string> = new Set(dictionary['passwords-common']);

/** Each hash takes a processor and much memory for a moment: a few at once, and others wait. */
const gate = new Gate(2, 200);

/** Verified when no account fits, so that the time of an answer does not tell who has an account. */
const nobodysHash = hash('nobody has this password');

/**
 * The stored form of a password that may be used (argon2id).
 * @param known what the password must not be: the address and the name of the account
 * @throws HttpProblem `refused` where it is too short, too common or too obvious
 */
export async function hashPassword(password: string, known: readonly string[]): Promise<string> {
  if ([...password].length < passwordLimits.least)
    throw new HttpProblem('refused', toldByServer('passwordTooShort', { least: passwordLimits.least }));
  if (isCommon(password)) throw new HttpProblem('refused', toldByServer('passwordCommon'));
  const plain = password.toLowerCase();
  const obvious = known.flatMap((text) => [text.toLowerCase(), text.toLowerCase().split('@')[0]!]);
  if (obvious.some((text) => text.length > 2 && withoutEnds(plain) === withoutEnds(text)))
    throw new HttpProblem('refused', toldByServer('passwordLikeAddress'));
  return gate.pass(() => hash(password));
}

/** Whether a password fits what is stored; of nobody's, or of an account without one, none does. */
export function passwordFits(stored: string | null | undefined, password: string): Promise<boolean> {
  return gate.pass(async () => (await verify(stored ?? (await nobodysHash), password)) && Boolean(stored));
}

/** Whether a password is on the list, also with digits and signs around it, or is one sign or a short word again and again. */
export function isCommon(password: string): boolean {
  const plain = password.toLowerCase();
  const inner = withoutEnds(plain);
  return (
    common.has(plain) ||
    (inner.length < 10 && (inner.length < 4 || common.has(inner))) ||
    /^(.{1,5})\1+.{0,4}$/u.test(plain) ||
    isRow(plain)
  );
}

/** Digits and signs before and after what is left. */
const withoutEnds = (text: string): string => text.replace(/^[^\p{Letter}]+|[^\p{Letter}]+$/gu, '');

/** Whether the signs simply follow each other, up or down, such as 1234567890 or abcdefghij. */
function isRow(text: string): boolean {
  const codes = [...text].map((sign) => sign.codePointAt(0)!);
  const steps = new Set(codes.slice(1).map((code, index) => code - codes[index]!));
  return steps.size === 1 && Math.abs([...steps][0]!) <= 1;
}

import { readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import type { Settings } from './settings.js';

/** Everything that one server process is started with. */
export interface Start {
  readonly database: string;
  readonly host: string;
  readonly port: number;
  readonly logLevel: string;
  /** Folder of the built web application; none where another program serves it. */
  readonly web: string | undefined;
  /** Whether the demo data are loaded into an empty database. */
  readonly loadsDemo: boolean;
  /** Whether the demo account may be reached from other machines. */
  readonly demoAnywhere: boolean;
  readonly settings: Settings;
}

/** What of it is wrong, one sentence each. */
export class SettingsError extends Error {
  override readonly name = 'SettingsError';
  constructor(readonly sentences: readonly string[]) {
    super(sentences.join('\n'));
  }
}

/** These may stand in a file instead, named by the same name with `_FILE`, so that they are in no list of processes. */
const secrets = ['DATABASE_URL', 'MAIL_URL', 'OIDC_CLIENT_SECRET', 'METRICS_TOKEN'];
const levels = ['silent', 'error', 'warn', 'info', 'debug'];

/**
 * Reads what is set in the environment. In production the address has to be set too, since links in mail and the
 * school's sign-in must not believe what a request says.
 * @throws SettingsError with all that is wrong
 */
export function readSettings(env: Readonly<Record<string, string | undefined>>): Start {
  const wrong: string[] = [];
  const isProduction = env['NODE_ENV'] === 'production';
  const get = (name: string): string | undefined => {
    const file = secrets.includes(name) ? env[`${name}_FILE`] : undefined;
    if (!file) return env[name]?.trim() || undefined;
    try {
      return readFileSync(file, 'utf8').trim() || undefined;
    } catch {
      wrong.push(`${name}_FILE names the file ${file}, which can’t be read.`);
      return undefined;
    }
  };
  const need = (name: string, why: string): string => {
    const value = get(name);
    if (!value && !wrong.some((sentence) => sentence.startsWith(`${name}_FILE`)))
      wrong.push(`${name} is not set; ${why}`);
    return value ?? '';
  };

  const database = need('DATABASE_URL', 'it says which PostgreSQL database to use.');
  if (database && !/^postgres(ql)?:\/\//.test(database))
    wrong.push('DATABASE_URL must begin with postgres://, then user, password, host and database.');
  const port = Number(get('PORT') ?? 4870);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    wrong.push('PORT must be a number from 1 to 65535.');
  const logLevel = get('LOG_LEVEL') ?? (isProduction ? 'info' : 'warn');
  if (!levels.includes(logLevel)) wrong.push(`LOG_LEVEL must be one of ${levels.join(', ')}.`);

  const baseUrl = isProduction
    ? need('BASE_URL', 'it says where browsers reach the server, such as https://bogen.ellerbrook.example.')
    : get('BASE_URL');
  if (baseUrl && !isBase(baseUrl))
    wrong.push('BASE_URL must be http:// or https:// with a host, and without a path.');

  const mailUrl = get('MAIL_URL');
  const mailFrom = get('MAIL_FROM');
  if (mailUrl && !/^smtps?:\/\//.test(mailUrl)) wrong.push('MAIL_URL must begin with smtp:// or smtps://.');
  if (mailUrl && !mailFrom) wrong.push('MAIL_FROM is not set; mail needs an address that it comes from.');
  if (mailUrl && !baseUrl) wrong.push('BASE_URL is not set; links in mail need it.');

  const issuer = get('OIDC_ISSUER');
  if (issuer) {
    if (!/^https:\/\//.test(issuer) && !isLoopbackUrl(issuer))
      wrong.push('OIDC_ISSUER must begin with https://.');
    if (!baseUrl) wrong.push('BASE_URL is not set; the school’s sign-in needs it to lead back.');
  }
  const school = issuer && {
    name: get('OIDC_NAME') ?? 'Sign in at the school',
    issuer,
    clientId: need('OIDC_CLIENT_ID', 'the school’s sign-in needs it.'),
    clientSecret: need('OIDC_CLIENT_SECRET', 'the school’s sign-in needs it.'),
    domains: (get('OIDC_DOMAINS') ?? '')
      .split(/[\s,]+/)
      .filter(Boolean)
      .map((domain) => domain.toLowerCase()),
    plainHttp: isLoopbackUrl(issuer),
  };
  const metricsToken = get('METRICS_TOKEN');
  if (metricsToken && metricsToken.length < 20)
    wrong.push('METRICS_TOKEN is too short; use at least 20 random signs.');
  const trustProxy = trusted(get('TRUST_PROXY'), wrong);
  if (wrong.length > 0) throw new SettingsError(wrong);
  return {
    database,
    host: get('HOST') ?? '127.0.0.1',
    port,
    logLevel,
    web: get('BOGEN_WEB'),
    loadsDemo: get('BOGEN_DEMO') === 'yes',
    demoAnywhere: get('BOGEN_DEMO_ANYWHERE') === 'yes',
    settings: {
      ...(baseUrl && { baseUrl: baseUrl.replace(/\/$/, '') }),
      ...(mailUrl && mailFrom && { mail: { url: mailUrl, from: mailFrom } }),
      ...(school && { school }),
      ...(trustProxy !== undefined && { trustProxy }),
      ...(metricsToken && { metricsToken }),
    },
  };
}

/** Whether nobody but this machine reaches an address. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){3}$/.test(host);

const isLoopbackUrl = (text: string): boolean => {
  try {
    return isLoopback(new URL(text).hostname.replace(/^\[|\]$/g, ''));
  } catch {
    return false;
  }
};

function isBase(text: string): boolean {
  try {
    const url = new URL(text);
    return /^https?:$/.test(url.protocol) && url.pathname === '/' && !url.search && !url.hash;
  } catch {
    return false;
  }
}

/** `no`, a number of proxies in a row, or their addresses; a proxy on the same machine is believed where nothing is set. */
function trusted(text: string | undefined, wrong: string[]): string | number | boolean | undefined {
  if (text === undefined) return undefined;
  if (text === 'no') return false;
  if (/^\d{1,2}$/.test(text)) return Number(text);
  const places = text.split(/[\s,]+/).filter(Boolean);
  const isPlace = (place: string): boolean =>
    ['loopback', 'linklocal', 'uniquelocal'].includes(place) || isIP(place.split('/')[0]!) !== 0;
  if (places.length > 0 && places.every(isPlace)) return places.join(', ');
  wrong.push(
    'TRUST_PROXY must be “no”, a number of proxies in a row, or their addresses, such as 10.0.0.0/8.',
  );
  return undefined;
}

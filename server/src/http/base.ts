import type { Request } from 'express';
import type { Settings } from '../config/settings.js';

/** Where browsers reach the server, without a slash at the end: as it is set, or else as this request came. */
export const baseOf = (settings: Settings, request: Request): string =>
  settings.baseUrl ?? `${request.protocol}://${request.get('host') ?? 'localhost'}`;

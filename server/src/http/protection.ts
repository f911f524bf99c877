import type { RequestHandler } from 'express';
import helmet, { type HelmetOptions } from 'helmet';
import type { Settings } from '../config/settings.js';

/** What a page may do, and who may show it within another: our own files alone, and nobody. */
const pageDirectives = {
  defaultSrc: ["'none'"],
  scriptSrc: ["'self'"],
  styleSrc: ["'self'"],
  imgSrc: ["'self'", 'data:', 'blob:'],
  fontSrc: ["'self'"],
  connectSrc: ["'self'"],
  workerSrc: ["'self'"],
  manifestSrc: ["'self'"],
  formAction: ["'self'"],
  baseUri: ["'none'"],
  frameAncestors: ["'none'"],
};

/** Only a server behind TLS may ask for it; on loopback there is none. */
const transportOf = (settings: Settings): HelmetOptions['strictTransportSecurity'] =>
  settings.baseUrl?.startsWith('https:') ? { maxAge: 180 * 24 * 60 * 60, includeSubDomains: false } : false;

/** The headers with which browsers hold our pages to what they are meant for. */
export const protectPages = (settings: Settings): RequestHandler =>
  helmet({
    contentSecurityPolicy: { useDefaults: false, directives: pageDirectives },
    strictTransportSecurity: transportOf(settings),
  });

/** The same for a page that other pages may show within them. */
export const protectFramedPages = (settings: Settings): RequestHandler =>
  helmet({
    contentSecurityPolicy: { useDefaults: false, directives: { ...pageDirectives, frameAncestors: ['*'] } },
    strictTransportSecurity: transportOf(settings),
    xFrameOptions: false,
  });

/**
 * The same for what the interface answers, which is no page: nothing in it may be done or shown. What concerns pages alone
 * is not said with each of many answers.
 */
export const protectAnswers = (settings: Settings): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: { defaultSrc: ["'none'"], frameAncestors: ["'none'"] },
    },
    strictTransportSecurity: transportOf(settings),
    crossOriginOpenerPolicy: false,
    originAgentCluster: false,
    xDnsPrefetchControl: false,
    xDownloadOptions: false,
    xPermittedCrossDomainPolicies: false,
    xXssProtection: false,
  });

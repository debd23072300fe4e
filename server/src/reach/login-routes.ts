import { Router, urlencoded, type Request, type RequestHandler, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import { sendsLines } from '../api/guard.js';
import { sendProblem } from '../api/problems.js';
import { cookieOf, tokenIn, type Access, type LetIn } from './access.js';
import { deviceName } from './devices.js';
import { GrowingPauses } from './growing-pauses.js';
import { LOGIN_LOOK, loginPage } from './login-page.js';
import { isEncrypted } from './reach.js';
import { isPassphrase } from './passphrase.js';

/** Wrong attempts that one address may make in a row of ten minutes. */
const ATTEMPTS = 10;
const WINDOW_MS = 10 * 60_000;

const NOT_SET =
  'No passphrase is set. Set one in the terminal, with “knapsack passphrase”, where Knapsack runs.';
const TOO_OFTEN = 'Too many wrong passphrases.';

/** The login: a page, its look, and the attempt. */
export function loginRoutes(access: Access): Router {
  const { reach, passphrase, devices } = access;
  const router = Router();
  const show = showOn(access);
  const attempts = limitOf(access, show);
  router.get('/look.css', (_request, response) => {
    response.set('Cache-Control', 'no-cache').type('css').send(LOGIN_LOOK);
  });
  router.get('/', (request, response) => show(request, response, 200));
  router.post(
    '/',
    urlencoded({ extended: false, limit: '4kb', parameterLimit: 8 }),
    attempts.limit,
    async (request, response) => {
      const secret = passphrase.current();
      if (!secret) return show(request, response, 403, NOT_SET);
      const { passphrase: typed, device, next } = bodyOf(request);
      if (!(await attempts.made(() => isPassphrase(String(typed ?? ''), secret)))) {
        return show(request, response, 401, 'That is not the passphrase.');
      }
      const name = deviceName(String(device ?? ''), request.headers['user-agent'] ?? '');
      const token = devices.letIn(name, secret.salt);
      response.set('Set-Cookie', cookieOf(token, reach)).redirect(303, pathOf(next));
    },
  );
  return router;
}

type Show = (request: Request, response: Response, status: number, problem?: string) => void;

/** Answers with the page of the login, and what is wrong. */
const showOn =
  (access: Access): Show =>
  (request, response, status, problem) => {
    const { next, device } =
      request.method === 'POST' ? bodyOf(request) : { next: request.query['next'], device: '' };
    response
      .status(status)
      .set('Cache-Control', 'no-store')
      // The policy that sends no address along would send no Origin either, by which a login is told from another site's.
      .set('Referrer-Policy', 'same-origin')
      .set('Content-Security-Policy', LOGIN_POLICY)
      .type('html')
      .send(
        loginPage({
          next: pathOf(next),
          device: deviceName(String(device ?? ''), request.headers['user-agent'] ?? ''),
          isPlain: isPlain(access, request),
          ...(problem !== undefined && { problem }),
        }),
      );
  };

/** How often a passphrase may be tried. */
function limitOf({ reach }: Access, show: Show) {
  const pauses = new GrowingPauses();
  let underWay = false;
  const tooOften = (request: Request, response: Response, waitS: number): void => {
    response.set('Retry-After', String(waitS));
    show(request, response, 429, `${TOO_OFTEN} Wait ${sayWait(waitS)}, then try again.`);
  };
  /** By address; behind a proxy all come from one, so that there everyone waits together, longer each time. */
  const limit: RequestHandler = reach.origin
    ? (request, response, next) => {
        const waitMs = pauses.waitMs();
        if (waitMs > 0 || underWay) return tooOften(request, response, Math.max(1, Math.ceil(waitMs / 1000)));
        next();
      }
    : rateLimit({
        windowMs: WINDOW_MS,
        limit: ATTEMPTS,
        skipSuccessfulRequests: true,
        standardHeaders: 'draft-8',
        legacyHeaders: false,
        // X-Forwarded-For is nobody's word.
        validate: { xForwardedForHeader: false, forwardedHeader: false },
        handler: (request, response) => tooOften(request, response, WINDOW_MS / 1000),
      });
  /** Makes an attempt and counts it. @returns whether it was the right one */
  const made = async (attempt: () => Promise<boolean>): Promise<boolean> => {
    underWay = true;
    try {
      const isRight = await attempt();
      if (isRight) pauses.succeeded();
      else pauses.failed();
      return isRight;
    } finally {
      underWay = false;
    }
  };
  return { limit, made };
}

/** Lets in who has logged in; whoever else asks for a page is led to the login, and gets nothing besides. */
export function letIn({ passphrase, devices }: Access): RequestHandler {
  return (request, response, next) => {
    // Its token is looked at where the lines are taken.
    if (sendsLines(request)) return next();
    const secret = passphrase.current();
    const token = tokenIn(request.headers.cookie);
    const standing = secret && token ? devices.standing(token, secret.salt) : ({ is: 'unknown' } as const);
    if (standing.is === 'in') {
      Object.assign(response.locals, { device: standing.device } satisfies LetIn);
      return next();
    }
    response.set('Cache-Control', 'no-store');
    if (standing.is === 'sentAway') response.set('Knapsack-Device', 'sent-away');
    if (isPageAsked(request))
      return response.redirect(303, `/login?next=${encodeURIComponent(request.originalUrl)}`);
    sendProblem(
      response,
      401,
      standing.is === 'sentAway'
        ? 'This device was sent away: it can neither read nor send. Log in again to come back.'
        : 'Log in first. What you typed is kept in this browser.',
    );
  };
}

/** Whether a person opens a page, so that the login can stand in its place. */
const isPageAsked = (request: Request): boolean =>
  request.method === 'GET' &&
  !/^\/api(\/|$)/.test(request.path) &&
  !/\.\w+$/.test(request.path) &&
  request.accepts(['json', 'html']) === 'html';

const LOGIN_POLICY =
  "default-src 'none'; style-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

/** Fields of a form, which are texts or nothing. */
const bodyOf = (request: Request): Readonly<Record<'passphrase' | 'device' | 'next', unknown>> => {
  const body = new Map(Object.entries((request.body ?? {}) as Record<string, unknown>));
  return { passphrase: body.get('passphrase'), device: body.get('device'), next: body.get('next') };
};

/** A path of this Knapsack to go on to, and nobody else's. */
export const pathOf = (next: unknown): string =>
  typeof next === 'string' &&
  next.length < 500 &&
  /^\/(?![/\\])[\x21-\x7e]*$/.test(next) &&
  !next.includes('\\')
    ? next
    : '/';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
const isPlain = ({ reach }: Access, { headers }: Request): boolean =>
  !isEncrypted(reach) && !LOOPBACK.test(headers.host ?? '');

const sayWait = (seconds: number): string =>
  seconds < 90 ? `${seconds} ${seconds === 1 ? 'second' : 'seconds'}` : `${Math.ceil(seconds / 60)} minutes`;

import { Router } from 'express';
import { renderSVG } from 'uqr';
import type { ReachView } from '@knapsack/contract';
import { sendProblem } from '../api/problems.js';
import { isEncrypted } from './reach.js';
import { noCookie, type Access, type LetIn } from './access.js';

/** How Knapsack is reached, and by which devices. Where it answers on this machine alone there is nothing to tell. */
export function reachRoutes(access: Access | null): Router {
  const router = Router();
  if (!access) {
    router.get('/', (_request, response) => void response.json({ on: false } satisfies ReachView));
    return router;
  }
  const { reach, devices, passphrase, addresses } = access;

  router.get('/', (_request, response) => {
    const { device: mine } = response.locals as LetIn;
    response.json({
      on: true,
      addresses: addresses(),
      isPlain: !isEncrypted(reach),
      devices: devices.all(passphrase.current()?.salt ?? '').map(({ id, name, sinceMs, lastSeenMs }) => ({
        ...{ id, name, sinceMs, lastSeenMs },
        isThis: id === mine.id,
      })),
    } satisfies ReachView);
  });

  router.get('/code.svg', (_request, response) => {
    const [address] = addresses();
    if (!address) return sendProblem(response, 404, 'This machine is in no network.');
    response.type('svg').send(renderSVG(address, { border: 3 }));
  });

  router.delete('/devices/:id', (request, response) => {
    const { device: mine } = response.locals as LetIn;
    const { id } = request.params;
    if (id === mine.id) {
      devices.leave(id);
      return void response.set('Set-Cookie', noCookie(reach)).status(204).end();
    }
    if (!devices.sendAway(id)) return sendProblem(response, 404, 'There is no such device, or it has left.');
    response.status(204).end();
  });
  return router;
}

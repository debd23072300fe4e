import { preloadsOf } from './preloads.js';

const KNOWN = new Map([
  ['/', { scripts: ['chunk-TRIPS.js'], worker: null }],
  ['/trips/*', { scripts: ['chunk-TRIP.js', 'chunk-PLAN.js'], worker: 'worker-A.js' }],
  ['/trips/*/pack', { scripts: ['chunk-TRIP.js', 'chunk-PACK.js'], worker: 'worker-A.js' }],
]);

describe('what the page names of what it will need', () => {
  const hrefs = (path: string) =>
    [...preloadsOf(path, KNOWN).matchAll(/href="([^"]*)"/g)].map(([, href]) => href);

  it('is the scripts of its room, its worker, and the documents of its trip', () => {
    expect(hrefs('/trips/winter-bothy')).toEqual([
      '/api/trips/winter-bothy',
      '/api/gear',
      '/api/packings/winter-bothy',
      '/api/rehearsals/winter-bothy',
      '/chunk-TRIP.js',
      '/chunk-PLAN.js',
      '/worker-A.js',
    ]);
    expect(hrefs('/trips/winter-bothy/pack')).toContain('/chunk-PACK.js');
    expect(hrefs('/')).toEqual(['/api/trips', '/chunk-TRIPS.js']);
  });

  it('is nothing at an address that it does not know, or that is no trip’s', () => {
    for (const path of [
      '/nowhere',
      '/trips/',
      '/trips/a"><script>',
      '/trips/a/nowhere',
      '/trips/constructor/x',
    ])
      expect(preloadsOf(path, KNOWN)).withContext(path).toBe('');
    expect(preloadsOf('/trips/winter-bothy', new Map())).toBe('');
  });
});

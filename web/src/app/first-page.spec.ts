import { routes } from './app.routes';
import { routesOf } from './first-page';

const pathsOf = (path: string) => routesOf(routes, path).map((route) => route.path);

describe('the routes of an address', () => {
  it('are the page’s, and of a trip its room’s too', () => {
    expect(pathsOf('/')).toEqual(['']);
    expect(pathsOf('/logbook')).toEqual(['logbook']);
    expect(pathsOf('/guide/begin/')).toEqual(['guide/:chapter']);
    expect(pathsOf('/trips/islet')).toEqual(['trips/:id', '']);
    expect(pathsOf('/trips/islet/wire')).toEqual(['trips/:id', 'wire']);
  });

  it('are none where an address leads nowhere', () => {
    expect(pathsOf('/logbook/further')).toEqual([]);
    expect(pathsOf('/trips')).toEqual([]);
    expect(pathsOf('/no such page')).toEqual([]);
    expect(pathsOf('/trips/islet/attic')).toEqual(['trips/:id']);
  });
});

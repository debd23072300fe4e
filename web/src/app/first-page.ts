import type { Route, Routes } from '@angular/router';

/** The routes of an address, outer ones first: of "/trips/x/wire" the trip and its room. */
export function routesOf(routes: Routes, path: string): readonly Route[] {
  const segments = path.split('/').filter((segment) => segment !== '');
  for (const route of routes) {
    const wanted = route.path === '' ? [] : (route.path ?? '').split('/');
    const fits = wanted.every((word, index) =>
      word.startsWith(':') ? segments[index] !== undefined : word === segments[index],
    );
    const rest = segments.slice(wanted.length);
    if (!fits || (rest.length > 0 && !route.children)) continue;
    return route.children ? [route, ...routesOf(route.children, rest.join('/'))] : [route];
  }
  return [];
}

/** Asks for the scripts of the page that was opened, while the frame is still being built: the router would only then. */
export function fetchFirst(routes: Routes, path: string): void {
  // Where one does not come, the router says so.
  for (const { loadComponent } of routesOf(routes, path)) {
    void Promise.resolve(loadComponent?.()).catch(() => undefined);
  }
}

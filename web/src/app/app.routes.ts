import type { Routes } from '@angular/router';
import { ROOMS } from './trip/rooms';

export const routes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Trips',
    loadComponent: () => import('./trips/trips.page').then((module) => module.TripsPage),
  },
  {
    path: 'sum',
    title: 'Quick sum',
    loadComponent: () => import('./quick/quick.page').then((module) => module.QuickPage),
  },
  {
    path: 'trips/:id',
    loadComponent: () => import('./trip/trip.page').then((module) => module.TripPage),
    children: ROOMS.map(({ path, title, load }) => ({
      path,
      ...(path === '' && { pathMatch: 'full' as const }),
      title,
      loadComponent: load,
    })),
  },
  {
    path: 'gear',
    title: 'Gear',
    loadComponent: () => import('./gear/gear.page').then((module) => module.GearPage),
  },
  {
    path: 'bench',
    title: 'Bench',
    loadComponent: () => import('./bench/bench.page').then((module) => module.BenchPage),
  },
  {
    path: 'logbook',
    title: 'Logbook',
    loadComponent: () => import('./logbook/logbook.page').then((module) => module.LogbookPage),
  },
  {
    path: 'backup',
    title: 'Backup',
    loadComponent: () => import('./backup/backup.page').then((module) => module.BackupPage),
  },
  {
    path: 'begin',
    title: 'Begin',
    loadComponent: () => import('./begin/begin.page').then((module) => module.BeginPage),
  },
  { path: 'guide', pathMatch: 'full', redirectTo: 'guide/begin' },
  {
    path: 'guide/:chapter',
    title: 'Guide',
    loadComponent: () => import('./guide/guide.page').then((module) => module.GuidePage),
  },
  {
    path: 'settings',
    title: 'Settings',
    loadComponent: () => import('./settings/settings.page').then((module) => module.SettingsPage),
  },
  {
    path: '**',
    title: 'No such page',
    loadComponent: () => import('./no-page/no-page.page').then((module) => module.NoPagePage),
  },
];

import type { Routes } from '@angular/router';

export const routes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Trips · Knapsack',
    loadComponent: () => import('./trips/trips.page').then((module) => module.TripsPage),
  },
  {
    path: 'sum',
    title: 'Quick sum · Knapsack',
    loadComponent: () => import('./quick/quick.page').then((module) => module.QuickPage),
  },
  {
    path: 'trips/:id',
    loadComponent: () => import('./trip/trip.page').then((module) => module.TripPage),
    children: [
      {
        path: '',
        pathMatch: 'full',
        title: 'Plan · Knapsack',
        loadComponent: () => import('./plan/plan.page').then((module) => module.PlanPage),
      },
      {
        path: 'size',
        title: 'Size · Knapsack',
        loadComponent: () => import('./size/size.page').then((module) => module.SizePage),
      },
      {
        path: 'wire',
        title: 'Wire · Knapsack',
        loadComponent: () => import('./wire/wire.page').then((module) => module.WirePage),
      },
      {
        path: 'pack',
        title: 'Pack · Knapsack',
        loadComponent: () => import('./pack/pack.page').then((module) => module.PackPage),
      },
      {
        path: 'rehearse',
        title: 'Rehearse · Knapsack',
        loadComponent: () => import('./rehearse/rehearse.page').then((module) => module.RehearsePage),
      },
      {
        path: 'card',
        title: 'Field card · Knapsack',
        loadComponent: () => import('./card/card.page').then((module) => module.CardPage),
      },
    ],
  },
  {
    path: 'gear',
    title: 'Gear · Knapsack',
    loadComponent: () => import('./gear/gear.page').then((module) => module.GearPage),
  },
  {
    path: 'bench',
    title: 'Bench · Knapsack',
    loadComponent: () => import('./bench/bench.page').then((module) => module.BenchPage),
  },
  {
    path: 'backup',
    title: 'Backup · Knapsack',
    loadComponent: () => import('./backup/backup.page').then((module) => module.BackupPage),
  },
  { path: '**', redirectTo: '' },
];

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
    title: 'Plan · Knapsack',
    loadComponent: () => import('./plan/plan.page').then((module) => module.PlanPage),
  },
  { path: '**', redirectTo: '' },
];

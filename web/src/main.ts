import { bootstrapApplication } from '@angular/platform-browser';
import { speakIn } from '@knapsack/core';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { keptSettings } from './app/shell/settings';
import { warmForecaster } from './app/work/hire';

// Before anything is said.
speakIn(keptSettings());

// A trip that is opened directly: its worker, and where it is its first room that too, come while the frame is still being built.
if (/^\/trips\/./.test(location.pathname)) warmForecaster();
if (/^\/trips\/[^/]+\/?$/.test(location.pathname)) void import('./app/plan/plan.page');

bootstrapApplication(AppComponent, appConfig).catch((error: unknown) => console.error(error));

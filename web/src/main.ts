import { bootstrapApplication } from '@angular/platform-browser';
import { speakIn } from '@knapsack/core';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { routes } from './app/app.routes';
import { fetchFirst } from './app/first-page';
import { keptSettings } from './app/shell/settings';
import { warmForecaster } from './app/work/hire';

// Before anything is said.
speakIn(keptSettings());

// A trip that is opened directly: its worker too comes while the frame is still being built.
if (/^\/trips\/./.test(location.pathname)) warmForecaster();
fetchFirst(routes, location.pathname);

bootstrapApplication(AppComponent, appConfig).catch((error: unknown) => console.error(error));

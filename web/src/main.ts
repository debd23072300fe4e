import { bootstrapApplication } from '@angular/platform-browser';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { warmForecaster } from './app/work/hire';

// A trip that is opened directly: its worker, and where it is its first room that too, come while the frame is still being built.
if (/^\/trips\/./.test(location.pathname)) warmForecaster();
if (/^\/trips\/[^/]+\/?$/.test(location.pathname)) void import('./app/plan/plan.page');

bootstrapApplication(AppComponent, appConfig).catch((error: unknown) => console.error(error));

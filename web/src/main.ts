import { bootstrapApplication } from '@angular/platform-browser';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { warmForecaster } from './app/work/hire';

// A trip that is opened directly: its worker comes while the frame is still being built; the server has named the room's scripts.
if (/^\/trips\/./.test(location.pathname)) warmForecaster();

bootstrapApplication(AppComponent, appConfig).catch((error: unknown) => console.error(error));

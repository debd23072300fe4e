import { bootstrapApplication } from '@angular/platform-browser';
import { speakIn } from '@knapsack/core';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { forecastOpened } from './app/opened-trip';
import { keptSettings } from './app/shell/settings';

// Before anything is said.
speakIn(keptSettings());

void forecastOpened(location.pathname);

bootstrapApplication(AppComponent, appConfig).catch((error: unknown) => console.error(error));

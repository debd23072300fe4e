import { provideHttpClient } from '@angular/common/http';
import {
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, TitleStrategy, withComponentInputBinding } from '@angular/router';
import { routes } from './app.routes';
import { PageTitles } from './shell/page-titles';
import { TRIP_ROOMS } from './shell/trip-rooms';
import { ROOMS } from './trip/rooms';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideHttpClient(),
    { provide: TRIP_ROOMS, useValue: ROOMS },
    { provide: TitleStrategy, useExisting: PageTitles },
    provideRouter(routes, withComponentInputBinding()),
  ],
};

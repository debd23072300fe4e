import { provideHttpClient, withInterceptors } from '@angular/common/http';
import {
  provideBrowserGlobalErrorListeners,
  isDevMode,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, TitleStrategy, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { routes } from './app.routes';
import { firstAnswers } from './data/first-answers';
import { keptAnswers } from './data/kept-answers.interceptor';
import { loggedOut } from './data/logged-out.interceptor';
import { PageTitles } from './shell/page-titles';
import { whyNotStay } from './shell/stay';
import { TRIP_ROOMS } from './shell/trip-rooms';
import { ROOMS } from './trip/rooms';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideHttpClient(withInterceptors([loggedOut, keptAnswers, firstAnswers])),
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode() && whyNotStay() === null,
      // Not in the way of the first picture.
      registrationStrategy: 'registerWithDelay:4000',
    }),
    { provide: TRIP_ROOMS, useValue: ROOMS },
    { provide: TitleStrategy, useExisting: PageTitles },
    provideRouter(routes, withComponentInputBinding()),
  ],
};
